import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { dayText } from '../ui/day-text';
import { DateTime } from 'luxon';
import { catchError, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { Sending } from '../ui/sending';
import { TripChips } from '../ui/trip-chips';
import { DidItHelp, isToBeAsked } from '../reels/did-it-help';

/**
 * What matters of a reel that comes in again: that it waits in a bag already, where it does, and how often it was out since
 * it was filled here.
 */
@Component({
  selector: 'ys-came-in',
  imports: [DidItHelp, RouterLink, TripChips],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (waits(); as bag) {
      <p class="look mb-2 px-3.5 py-2.5" role="alert">
        <b
          >{{ tag() }} is in <a class="underline" [routerLink]="['/bags', bag]">bag {{ bag }}</a> already</b
        >, and not filled yet. Change it there.
      </p>
    }
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
    @if (helped(); as one) {
      <ys-did-it-help class="mt-2" [comeback]="one" (told)="answered.set($event.id)" />
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class CameIn {
  private readonly api = inject(ApiService);

  readonly tag = input.required<string>();

  private readonly read = toSignal(
    toObservable(this.tag).pipe(
      switchMap((tag) => this.api.call(api.readReel, { params: { tag } }).pipe(catchError(() => of(null)))),
    ),
    { initialValue: null },
  );
  /** The reel with this tag; null while another one's is shown still. */
  private readonly reel = computed(() => {
    const reel = this.read();
    return reel?.tag === this.tag() ? reel : null;
  });
  protected readonly on = computed(() => this.reel()?.spools.find(({ on }) => on !== null)?.on ?? null);
  protected readonly waits = computed(() => this.reel()?.waiting?.bagNumber ?? null);
  /** The entry that was answered here. */
  protected readonly answered = signal(0);
  /** What it came back with last, where nobody said whether that was cured. */
  protected readonly helped = computed(
    () =>
      this.reel()
        ?.fills.flatMap(({ comebacks }) => comebacks)
        .find(
          (one) =>
            isToBeAsked(one) &&
            one.id !== this.answered() &&
            // What came back today is only just being put right.
            DateTime.fromISO(one.at) < DateTime.now().minus({ hours: 12 }),
        ) ?? null,
  );
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
