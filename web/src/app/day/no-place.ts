import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, type DayPlan } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { Sending } from '../ui/sending';

/** A reel that cannot be filled as things are: why, what would give it a place, and the message to its customer. */
@Component({
  selector: 'ys-no-place',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <b>{{ none().tag }} has no place</b>
    <p>{{ units.say(none().why) }} {{ units.say(none().cure) }}</p>
    <p class="flex flex-wrap items-center gap-x-4">
      <a
        class="inline-flex min-h-11 items-center underline underline-offset-2"
        [routerLink]="['/bags', none().bag]"
        >Open bag {{ none().bag }}</a
      >
      <button
        type="button"
        class="min-h-11 font-[650] underline underline-offset-2"
        [disabled]="sending.busy()"
        (click)="tell()"
      >
        Tell the customer
      </button>
    </p>
    @if (sending.problem(); as sentence) {
      <p class="font-bold" role="alert">{{ sentence }}</p>
    }
  `,
  host: { class: 'look block px-3.5 py-3', 'data-test': 'no-place' },
})
export class NoPlace {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly units = inject(UnitsService);

  readonly none = input.required<DayPlan['noPlace'][number]>();
  protected readonly sending = new Sending();

  /** Puts the message among those that wait to be sent, and shows it there, where its words can be changed. */
  protected tell(): void {
    this.sending.send(
      this.api.call(api.addMessage, { body: { bag: this.none().bag } }),
      () => void this.router.navigate(['/bags/messages']),
    );
  }
}
