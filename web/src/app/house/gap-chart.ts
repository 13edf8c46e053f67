import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { gapAdvice, HOUSE_QUESTIONS, MM_PER_INCH, type HouseRules } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { LineChart, type ChartLine } from '../ui/line-chart';

const PLAIN = { kind: 'plain' } as const;
const [FROM, TO, STEP] = [0.1, 0.6, 0.005] as const;
const MOST_GAP = 6;
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
      <ys-line-chart class="h-60 pt-1" [lines]="lines()" [x]="axes().x" [y]="axes().y" [words]="words()" />
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

  /** mm in one of the reader's units. */
  private readonly per = computed(() => (this.units.system() === 'metric' ? 1 : MM_PER_INCH));
  protected readonly axes = computed(() => {
    const [line, gap] = this.units.system() === 'metric' ? [0.1, 1] : [0.005, 0.0625];
    const of = (most: number, step: number): number => step * Math.ceil(most / this.per() / step - 1e-9);
    const unit = this.units.like('mm', 'in');
    return {
      x: {
        title: `diameter of the line on top, ${unit}`,
        step: line,
        min: of(FROM, line),
        max: of(TO, line),
      },
      y: { title: `gap, ${unit}`, min: 0, max: of(MOST_GAP, gap), step: gap, down: true },
    };
  });
  protected readonly lines = computed((): ChartLine[] =>
    HOUSE_QUESTIONS.level.schools.map(({ id }) => ({
      name: NAMES[id],
      points: Array.from({ length: Math.round((TO - FROM) / STEP) + 1 }, (_, i): [number, number] => {
        const diameter = FROM + i * STEP;
        return [diameter / this.per(), this.gap(diameter, id) / this.per()];
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
    return `Leaves ${thin} under ${this.units.diameter(0.2)} line, ${middle} under ${this.units.diameter(0.3)}, ${thick} under ${this.units.diameter(0.4)}.`;
  });
  protected readonly fixed = computed(() => {
    const of = (reel: 'spincast' | 'trolling'): string =>
      this.units.small(gapAdvice(0.3, reel, PLAIN, { level: this.level() }).gap);
    return [
      { what: 'Bevelled rim', gap: 'to the bottom of the bevel, whatever the shop holds' },
      { what: 'Spincast', gap: `${of('spincast')}: the cover sits close` },
      { what: 'Trolling, big game', gap: `${of('trolling')}: not cast` },
    ];
  });

  private readonly gap = (diameter: number, level: HouseRules['level']): number =>
    gapAdvice(diameter, 'fixed-spool', PLAIN, { level }).gap;
}
