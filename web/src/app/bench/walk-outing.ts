import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { planOuting } from '@yard-spool/core';
import { startWith } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { Outbox } from '../data/outbox.service';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { LoadState } from '../ui/load-state';
import { text } from '../ui/text-control';
import { movedText } from '../words/counter-words';
import { WalkReel } from './walk-reel';

/**
 * All counter reels that wait, walked in one outing with the least walking: on a phone in the field, out of reach of the
 * server too. What is read is kept in this browser and sent once the server is back in reach.
 */
@Component({
  selector: 'ys-walk-outing',
  imports: [Choice, LoadState, RouterLink, WalkReel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="mx-auto grid max-w-2xl grid-cols-1 gap-3">
      <div class="flex flex-wrap items-end justify-between gap-2">
        <h1>Counter walks</h1>
        <a class="plain" routerLink="/bench">The benches</a>
      </div>
      <ys-load-state what="the reels that wait" [of]="waiting.now()" (again)="waiting.reload()" />
      @if (waiting.value(); as reels) {
        @if (reels.length === 0) {
          <p class="card p-6">
            No reel waits at its counter. Fill a trolling reel up to “Counter against tape” first.
          </p>
        } @else {
          <ys-choice label="Rods carried at once" [control]="carried" [options]="hands" />
          <p class="font-bold" data-test="outing">{{ words() }}</p>
          @if (outbox.count() > 0) {
            <p class="look px-3.5 py-2.5 font-bold" role="status">
              {{ outbox.count() }} waiting for the server. They are kept here and sent once it is in reach.
            </p>
          }
          @for (trip of trips(); track $index) {
            <section class="grid grid-cols-1 gap-3" [attr.aria-label]="'Walk ' + ($index + 1)">
              <h2>Walk {{ $index + 1 }}, {{ far(trip.distance) }} there and back</h2>
              @for (reel of trip.reels; track reel.id) {
                <ys-walk-reel [reel]="reel.waiting" (matchKnown)="know(reel.waiting.id, $event)" />
              }
            </section>
          }
        }
      }
    </div>
  `,
  host: { class: 'block p-4 px-5 max-md:p-3' },
})
export class WalkOuting {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);
  protected readonly outbox = inject(Outbox);

  protected readonly waiting = load(() => this.api.callSaved(api.listCountersWaiting));
  private readonly matches = signal<Readonly<Record<number, number>>>({});
  protected readonly hands = [1, 2, 3, 4].map((many) => ({ value: String(many), name: String(many) }));
  protected readonly carried = text('2');
  private readonly many = toSignal(this.carried.valueChanges.pipe(startWith('2')), { initialValue: '2' });
  protected readonly trips = computed(() =>
    planOuting(
      (this.waiting.value() ?? []).map((waiting) => ({
        waiting,
        id: String(waiting.id),
        match: this.matches()[waiting.id] ?? USUAL_MATCH,
      })),
      Number(this.many()),
    ),
  );
  protected readonly words = computed(() => {
    const reels = this.waiting.value()?.length ?? 0;
    const all = this.trips().reduce((sum, { distance }) => sum + distance, 0);
    return `${String(reels)} reel${reels === 1 ? '' : 's'}, ${this.far(all)} to walk. Clip their lines to one post, read each at its mark.`;
  });

  protected far(metres: number): string {
    return movedText(metres, this.units.system());
  }

  protected know(run: number, match: number): void {
    if (this.matches()[run] !== match) this.matches.update((all) => ({ ...all, [run]: match }));
  }
}

/** Until a reel says where it is matched, m. */
const USUAL_MATCH = 30;
