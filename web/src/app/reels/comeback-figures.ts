import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, CAUSES, type ComebackFigures } from '@yard-spool/contract';
import { message } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { BarChart, type BarPart } from '../ui/bar-chart';
import { percent } from '../ui/learned-words';
import { LoadState } from '../ui/load-state';
import { CAUSE_WORDS } from '../words/comeback-words';

type StandsOut = ComebackFigures['standsOut'][number];

const WHAT: Readonly<Record<StandsOut['what'], string>> = {
  lot: 'The lot',
  piece: 'The piece',
  hand: 'Filled by',
  kind: 'The reel',
  rule: 'The rule',
};
const COLORS: Readonly<Record<(typeof CAUSES)[number] | 'open', string>> = {
  'our-winding': 'oil',
  'our-choice': 'join',
  'the-line': 'pass',
  'the-reel': 'metal',
  'how-it-is-fished': 'arbor',
  nothing: 'card',
  unknown: 'groove',
  open: 'look',
};

/** Comebacks by what they came down to, month by month; and what more of them have in common than chance allows. */
@Component({
  selector: 'ys-comeback-figures',
  imports: [BarChart, LoadState, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-load-state what="the figures" [of]="figures.now()" (again)="figures.reload()" />
    @if (figures.value(); as told) {
      <div class="grid grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] items-start gap-3 pb-3 max-lg:grid-cols-1">
        @if (parts().length > 0) {
          <section class="card p-3">
            <h2 class="pb-1">What it came down to, by month</h2>
            <ys-bar-chart class="h-48" [bars]="months()" [parts]="parts()" [words]="words()" />
          </section>
        }
        <section class="card grid gap-2 p-3" data-test="stands-out">
          <h2>What stands out</h2>
          @for (one of told.standsOut; track one.what + one.name) {
            <details class="border-t border-line pt-1.5">
              <summary class="min-h-9 cursor-pointer py-1">
                <b>{{ what[one.what] }} {{ one.name }}</b
                >: {{ oddsOf(one) }}
              </summary>
              <ul class="pb-1">
                @for (reel of one.reels; track reel.tag) {
                  <li>
                    <a
                      class="inline-flex min-h-9 items-center gap-2 underline"
                      [routerLink]="['/reels', reel.tag]"
                      >{{ reel.tag }} · {{ reel.label }}, {{ reel.customer }}</a
                    >
                    {{ reel.back ? 'came back' : '' }}
                  </li>
                }
              </ul>
            </details>
          } @empty {
            <p class="text-mute">
              No lot, piece, hand, kind of reel or rule has more comebacks than chance allows.
            </p>
          }
        </section>
      </div>
    }
  `,
  host: { class: 'block' },
})
export class ComebackFiguresPanel {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);

  protected readonly figures = load(() => this.api.call(api.readComebackFigures));
  protected readonly what = WHAT;
  /** From the first month anything came back. */
  private readonly rows = computed(() => {
    const all = this.figures.value()?.months ?? [];
    const first = all.findIndex(({ causes }) => causes.length > 0);
    return first < 0 ? [] : all.slice(first);
  });
  protected readonly months = computed(() =>
    this.rows().map(({ month }) => DateTime.fromISO(month).toFormat('LLL yy')),
  );
  protected readonly parts = computed((): BarPart[] => {
    const rows = this.rows();
    return [...CAUSES, null]
      .map((cause) => ({
        name: cause === null ? 'not settled yet' : CAUSE_WORDS[cause],
        color: COLORS[cause ?? 'open'],
        values: rows.map(({ causes }) => causes.find((one) => one.cause === cause)?.count ?? 0),
      }))
      .filter(({ values }) => values.some((count) => count > 0));
  });
  protected readonly words = computed(() =>
    this.parts()
      .map(({ name, values }) => `${name}: ${String(values.reduce((sum, one) => sum + one, 0))}`)
      .join(', '),
  );

  protected oddsOf({ back, filled, elsewhere, odds }: StandsOut): string {
    return this.units.say(message('fault.stands-out', { back, filled, expected: percent(elsewhere), odds }));
  }
}
