import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { api } from '@yard-spool/contract';
import { dayText } from '../ui/day-text';
import { catchError, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { Sending } from '../ui/sending';
import { TripChips } from '../ui/trip-chips';

/** Asks across the counter how often a reel that comes in again was out; nothing where it was not filled here. */
@Component({
  selector: 'ys-trips-asked',
  imports: [TripChips],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (on(); as lies) {
      @let asked = 'Trips since ' + since();
      <p class="px-0.5 pb-1 text-[13px] text-mute">{{ asked }}? It need not be answered.</p>
      <ys-trip-chips
        [label]="asked"
        [told]="told()"
        [busy]="sending.busy()"
        (tell)="tell(lies.fillId, $event)"
      />
      @if (sending.problem(); as sentence) {
        <p class="font-bold text-stop" role="alert">{{ sentence }}</p>
      }
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class TripsAsked {
  private readonly api = inject(ApiService);

  readonly tag = input.required<string>();

  private readonly reel = toSignal(
    toObservable(this.tag).pipe(
      switchMap((tag) => this.api.call(api.readReel, { params: { tag } }).pipe(catchError(() => of(null)))),
    ),
    { initialValue: null },
  );
  protected readonly on = computed(() => {
    const reel = this.reel();
    return reel?.tag === this.tag() ? (reel.spools.find(({ on }) => on !== null)?.on ?? null) : null;
  });
  protected readonly told = linkedSignal(() => this.on()?.trips ?? null);
  protected readonly since = computed(() => {
    const lies = this.on();
    return lies ? dayText(lies.reversedAt ?? lies.filledAt) : '';
  });
  protected readonly sending = new Sending();

  protected tell(id: number, trips: number): void {
    const ask = this.api.call(api.markFill, { params: { id }, body: { kind: 'trips', trips } });
    this.sending.send(ask, () => this.told.set(trips));
  }
}
