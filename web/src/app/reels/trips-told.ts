import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { api, type FillMark, type OnSpool, type Reel } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { Sending } from '../ui/sending';
import { TripChips } from '../ui/trip-chips';
import { dayText } from '../ui/day-text';
import { dueWords, isDue } from './record-words';

/** Trips since a fill, told in one touch; when it is due, and that it was reversed. */
@Component({
  selector: 'ys-trips-told',
  imports: [TripChips],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let lies = on();
    <section class="card grid gap-2 px-3.5 py-3" [class.bg-look]="due(lies)" data-test="due">
      <h2>{{ words(lies) }}</h2>
      @if (lies.reversedAt; as at) {
        <p class="text-mute">Reversed {{ day(at) }}.</p>
      }
      @if (lies.reverse && due(lies)) {
        <p>{{ lies.reverse }}</p>
      }
      @if (lies.toldAt; as at) {
        <p class="text-mute">Its customer was told {{ day(at) }}.</p>
      }
      @let asked = 'Trips since it was ' + (lies.reversedAt ? 'reversed' : 'filled');
      <p class="text-[13px] text-mute">{{ asked }}{{ lies.trips === null ? '?' : ': ' + lies.trips }}</p>
      <ys-trip-chips
        [label]="asked"
        [told]="lies.trips"
        [busy]="sending.busy()"
        (tell)="mark({ kind: 'trips', trips: $event })"
      />
      <button type="button" class="plain" [disabled]="sending.busy()" (click)="mark({ kind: 'reversed' })">
        It was turned end for end today
      </button>
      @if (sending.problem(); as sentence) {
        <p class="font-bold text-stop" role="alert">{{ sentence }}</p>
      }
    </section>
  `,
  host: { class: 'block' },
})
export class TripsTold {
  private readonly api = inject(ApiService);

  readonly on = input.required<OnSpool>();
  readonly changed = output<Reel>();

  protected readonly sending = new Sending();
  protected readonly due = (on: OnSpool): boolean => isDue(on);
  protected readonly words = (on: OnSpool): string => dueWords(on);
  protected readonly day = dayText;

  protected mark(body: FillMark): void {
    const ask = this.api.call(api.markFill, { params: { id: this.on().fillId }, body });
    this.sending.send(ask, (reel) => this.changed.emit(reel));
  }
}
