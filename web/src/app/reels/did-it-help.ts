import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { api, type Comeback } from '@yard-spool/contract';
import { causeOf } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { changeOf } from '../faults/comeback-change';
import { Sending } from '../ui/sending';
import { dayText } from '../ui/day-text';

/** Whether somebody is to be asked if it helped: it turned out to be something, and nobody said since. */
export const isToBeAsked = ({ fault, worked }: Comeback): boolean => fault !== null && worked === null;

/** Asked at the next visit: whether what was done cured it. What it was moves the shop's rates only where it did. */
@Component({
  selector: 'ys-did-it-help',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="grid gap-1.5" data-test="did-it-help">
      <p>{{ asks() }}</p>
      <div class="grid grid-cols-2 gap-2">
        <button type="button" class="plain" [disabled]="sending.busy()" (click)="say(true)">It helped</button>
        <button type="button" class="plain" [disabled]="sending.busy()" (click)="say(false)">
          It did not
        </button>
      </div>
      @if (sending.problem(); as sentence) {
        <p class="font-bold text-stop" role="alert">{{ sentence }}</p>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class DidItHelp {
  private readonly api = inject(ApiService);

  readonly comeback = input.required<Comeback>();
  readonly told = output<Comeback>();

  protected readonly sending = new Sending();
  protected readonly asks = computed(() => {
    const { at, fault, did } = this.comeback();
    const what = fault ? causeOf(fault).name.toLowerCase() : '';
    return `It came back ${dayText(at)}: ${what}${did ? `; ${did}` : ''}. Did that help?`;
  });

  protected say(worked: boolean): void {
    const comeback = this.comeback();
    const body = changeOf(comeback, { worked });
    const ask = this.api.call(api.changeComeback, { params: { id: comeback.id }, body });
    this.sending.send(ask, (comeback) => this.told.emit(comeback));
  }
}
