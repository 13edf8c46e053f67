import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { gapAdvice, HOUSE_QUESTIONS, type HouseRules } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { LineChart, type ChartLine } from '../ui/line-chart';

const PLAIN = { kind: 'plain' } as const;
const [FROM, TO, STEP] = [0.1, 0.6, 0.005] as const;
const NAMES: Readonly<Record<HouseRules['level'], string>> = {
  flush: 'flush',
  'by-line': 'by the line',
  'start-low': 'start low',
};

/** The gap each school leaves against the line on top, and what rim and reel decide whatever the house holds. */
@Component({
  selector: 'ys-gap-chart',
  imports: [LineChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="card px-3.5 py-3">
      <b>Gap below a plain lip, by the line on top</b>
      <ys-line-chart
        class="h-60 pt-1"
        [lines]="lines()"
        [x]="{ title: 'diameter of the line on top, mm', min: 0.1, max: 0.6, step: 0.1 }"
        [y]="{ title: 'gap, mm', min: 0, max: 6, step: 1, down: true }"
        [words]="words()"
      />
      <p class="pt-1">{{ words() }}</p>
      <dl class="grid grid-cols-[auto_1fr] gap-x-3 pt-2 text-[14px]">
        @for (row of fixed(); track row.what) {
          <dt class="text-mute">{{ row.what }}</dt>
          <dd class="font-semibold">{{ row.gap }}</dd>
        }
      </dl>
    </div>
  `,
})
export class GapChart {
  private readonly units = inject(UnitsService);

  readonly level = input.required<HouseRules['level']>();

  protected readonly lines = computed((): ChartLine[] =>
    HOUSE_QUESTIONS.level.schools.map(({ id }) => ({
      name: NAMES[id],
      points: Array.from({ length: Math.round((TO - FROM) / STEP) + 1 }, (_, i): [number, number] => {
        const diameter = FROM + i * STEP;
        return [diameter, this.gap(diameter, id)];
      }),
      color: id === this.level() ? 'ink' : 'edge',
      stepped: true,
      width: id === this.level() ? 3 : 1.5,
      dash: id === this.level() ? [] : [4, 3],
    })),
  );
  protected readonly words = computed(() => {
    const [thin, middle, thick] = [0.2, 0.3, 0.4].map((diameter) =>
      this.units.small(this.gap(diameter, this.level())),
    );
    return `Leaves ${thin} under 0.20 mm line, ${middle} under 0.30 mm, ${thick} under 0.40 mm.`;
  });
  protected readonly fixed = computed(() => {
    const of = (reel: 'spincast' | 'trolling'): string =>
      this.units.small(gapAdvice(0.3, reel, PLAIN, { level: this.level() }).gap);
    return [
      { what: 'Bevelled rim', gap: 'to the bottom of the bevel, whatever the house holds' },
      { what: 'Spincast', gap: `${of('spincast')}: the cover sits close` },
      { what: 'Trolling, big game', gap: `${of('trolling')}: not cast` },
    ];
  });

  private readonly gap = (diameter: number, level: HouseRules['level']): number =>
    gapAdvice(diameter, 'fixed-spool', PLAIN, { level }).gap;
}
