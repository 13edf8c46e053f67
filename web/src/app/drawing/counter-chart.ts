import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { metresPer, type CounterUnit, type TableRow } from '@yard-spool/core';
import { LineChart, type ChartLine } from '../ui/line-chart';

/** A walk as the chart marks it: lengths in m, readings in the counter's unit. */
export interface ChartWalk {
  readonly tape: number;
  readonly reading: number;
}

/** Rows up to twice the match. */
const NEAR = 7;

/** What a counter shows against the tape, with its likely band and each walk; the tape itself as a broken line. */
@Component({
  selector: 'ys-counter-chart',
  imports: [LineChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="pb-1 text-[15px] font-bold max-xl:pt-3">Counter against tape, {{ unit() }}</p>
    <ys-line-chart
      class="min-h-0 grow"
      [lines]="lines()"
      [dots]="dots()"
      [x]="{ title: 'tape', min: 0, max: most(), step: step() }"
      [y]="{ title: 'counter', min: 0, max: highest(), step: step() }"
      [words]="words()"
    />
  `,
  host: { class: 'flex min-h-56 flex-col' },
})
export class CounterChart {
  readonly table = input.required<readonly TableRow[]>();
  readonly unit = input.required<CounterUnit>();
  readonly walks = input<readonly ChartWalk[]>([]);

  /** The table's nearer rows: past them the lines only part further. */
  private readonly near = computed(() => this.table().slice(0, NEAR));
  protected readonly most = computed(() => Math.max(1, ...this.near().map(({ length }) => length)));
  protected readonly step = computed(() => niceStep(this.most()));
  protected readonly highest = computed(() => {
    const highest = Math.max(...this.near().map(({ reading }) => reading.high), this.most());
    return this.step() * Math.ceil(highest / this.step());
  });
  protected readonly lines = computed((): ChartLine[] => {
    const at = (of: (row: TableRow) => number) => [
      [0, 0] as const,
      ...this.near().map((row) => [row.length, of(row)] as const),
    ];
    return [
      { name: '', points: at(({ reading }) => reading.low), width: 0 },
      { name: '', points: at(({ reading }) => reading.high), width: 0, band: true },
      {
        name: 'tape',
        points: [
          [0, 0],
          [this.most(), this.most()],
        ],
        color: 'mute',
        dash: [6, 5],
      },
      { name: 'counter', points: at(({ reading }) => reading.value), width: 3 },
    ];
  });
  protected readonly dots = computed(() =>
    this.walks().map(({ tape, reading }, i) => ({
      x: tape / metresPer(this.unit()),
      y: reading,
      name: `walk ${String(i + 1)}`,
    })),
  );
  protected readonly words = computed(() =>
    this.table()
      .map(({ length, reading }) => `${length.toFixed(0)} ${this.unit()} shows ${reading.value.toFixed(0)}`)
      .join(', '),
  );
}

/** A step that parts an axis into about eight. */
function niceStep(most: number): number {
  const rough = most / 8;
  const ten = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 2.5, 5, 10].find((by) => by * ten >= rough) ?? 10) * ten;
}
