import { PALETTE } from '@yard-spool/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartDataset,
  type Plugin,
} from 'chart.js';

Chart.register(Filler, LinearScale, LineController, LineElement, PointElement);

/** One line of a chart. Colours are names of the look; a band is filled between this line and the one before it. */
export interface ChartLine {
  readonly name: string;
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly color?: string;
  readonly width?: number;
  readonly dash?: readonly number[];
  readonly stepped?: boolean;
  readonly band?: boolean;
}

/** An axis: what is along it, its unit, and where it ends. */
export interface ChartAxis {
  readonly title: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** Counted downwards, as a depth is. */
  readonly down?: boolean;
}

/** An upright mark in a chart, with its name. */
export interface ChartMark {
  readonly x: number;
  readonly name: string;
  readonly held: boolean;
}

/** A point in a chart, with its name. */
export interface ChartDot {
  readonly x: number;
  readonly y: number;
  readonly name: string;
}

/** A colour of the look by its name. */
export const inkOf = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--color-${name}`).trim() || PALETTE.ink;

/** Lines over two plain axes, drawn once per change. What they say has to be told in words beside it as well. */
@Component({
  selector: 'ys-line-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="relative h-full w-full">
    <canvas #canvas role="img" [attr.aria-label]="words()"></canvas>
  </div>`,
  host: { class: 'block min-h-0' },
})
export class LineChart {
  readonly lines = input.required<readonly ChartLine[]>();
  readonly x = input.required<ChartAxis>();
  readonly y = input.required<ChartAxis>();
  readonly marks = input<readonly ChartMark[]>([]);
  readonly dots = input<readonly ChartDot[]>([]);
  /** What the chart shows, for whoever does not see it. */
  readonly words = input.required<string>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: Chart<'line', { x: number; y: number }[]> | null = null;

  constructor() {
    afterRenderEffect(() => {
      this.draw();
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }

  private draw(): void {
    const x = this.x();
    const y = this.y();
    const axis = ({ title, min, max, step, down = false }: ChartAxis) => ({
      type: 'linear' as const,
      min,
      max,
      reverse: down,
      title: { display: true, text: title, color: inkOf('ink'), font: { size: 13, weight: 600 as const } },
      ticks: { stepSize: step, color: inkOf('mute'), font: { size: 12 } },
      grid: { color: inkOf('groove') },
    });
    const datasets = this.lines().map(toDataset);
    this.chart?.destroy();
    // No drawing surface, as in a component test: the words beside the chart stand alone.
    if (!this.canvas().nativeElement.getContext('2d')) return;
    Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
    this.chart = new Chart(this.canvas().nativeElement, {
      type: 'line',
      data: { datasets },
      plugins: [marksOf(this.marks()), dotsOf(this.dots())],
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        layout: { padding: { top: this.marks().length > 0 ? 18 : 4, right: 96 } },
        clip: 8,
        scales: { x: axis(x), y: axis(y) },
        events: [],
      },
    });
  }
}

const toDataset = ({
  name,
  points,
  color = 'ink',
  width = 1.5,
  dash = [],
  stepped = false,
  band = false,
}: ChartLine): ChartDataset<'line', { x: number; y: number }[]> => ({
  label: name,
  data: points.map(([x, y]) => ({ x, y })),
  borderColor: color.startsWith('#') ? color : inkOf(color),
  borderWidth: width,
  borderDash: [...dash],
  pointRadius: 0,
  stepped: stepped ? 'before' : false,
  // A band lies below every line, wherever it stands among them.
  order: band || name === '' ? 1 : 0,
  fill: band ? '-1' : false,
  backgroundColor: inkOf('look'),
});

/** Draws the points, each with its name on the side where there is room. */
const dotsOf = (dots: readonly ChartDot[]): Plugin<'line'> => ({
  id: 'dots',
  afterDatasetsDraw: ({ ctx, chartArea, scales: { x, y } }) => {
    if (!x || !y) return;
    ctx.save();
    ctx.font = `700 13px ${getComputedStyle(document.body).fontFamily}`;
    ctx.textBaseline = 'middle';
    const taken: number[] = [];
    for (const dot of dots) {
      const across = x.getPixelForValue(dot.x);
      const up = y.getPixelForValue(dot.y);
      ctx.beginPath();
      ctx.arc(across, up, 6, 0, 2 * Math.PI);
      ctx.fillStyle = inkOf('oil');
      ctx.strokeStyle = inkOf('ink');
      ctx.lineWidth = 2.5;
      ctx.fill();
      ctx.stroke();
      const left = across - chartArea.left > 90;
      let at = up;
      while (taken.some((other) => Math.abs(other - at) < 15)) at -= 15;
      taken.push(at);
      ctx.fillStyle = inkOf('ink');
      ctx.textAlign = left ? 'right' : 'left';
      ctx.fillText(dot.name, across + (left ? -12 : 12), at);
    }
    ctx.restore();
  },
});

/** Writes the upright marks and, at each line's end, its name. */
const marksOf = (marks: readonly ChartMark[]): Plugin<'line'> => ({
  id: 'marks',
  afterDatasetsDraw: (chart) => {
    const { ctx, chartArea, scales } = chart;
    const { x } = scales;
    if (!x) return;
    ctx.save();
    ctx.font = `600 12px ${getComputedStyle(document.body).fontFamily}`;
    for (const mark of marks) {
      const at = x.getPixelForValue(mark.x);
      ctx.strokeStyle = inkOf(mark.held ? 'ink' : 'edge');
      ctx.lineWidth = mark.held ? 2 : 1;
      ctx.setLineDash(mark.held ? [] : [3, 3]);
      ctx.beginPath();
      ctx.moveTo(at, chartArea.top);
      ctx.lineTo(at, chartArea.bottom);
      ctx.stroke();
      ctx.fillStyle = inkOf(mark.held ? 'ink' : 'mute');
      ctx.textAlign = 'center';
      ctx.fillText(mark.name, at, chartArea.top - 6);
    }
    ctx.textAlign = 'left';
    ctx.textBaseline = 'middle';
    const taken: number[] = [];
    chart.data.datasets.forEach(({ label }, i) => {
      const end = chart.getDatasetMeta(i).data.at(-1);
      if (!end || !label) return;
      let at = end.y;
      while (taken.some((other) => Math.abs(other - at) < 14)) at += 14;
      taken.push(at);
      ctx.fillStyle = inkOf('ink');
      ctx.fillText(label, chartArea.right + 6, at);
    });
    ctx.restore();
  },
});
