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
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale } from 'chart.js';
import { inkOf } from './line-chart';

Chart.register(BarController, BarElement, CategoryScale, Legend, LinearScale);

/** One part of each bar, in a colour of the look. */
export interface BarPart {
  readonly name: string;
  readonly color: string;
  readonly values: readonly number[];
}

/** Counts one above the other, bar by bar. What it says has to be told in words beside it as well. */
@Component({
  selector: 'ys-bar-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="relative h-full w-full">
    <canvas #canvas role="img" [attr.aria-label]="words()"></canvas>
  </div>`,
  host: { class: 'block min-h-0' },
})
export class BarChart {
  readonly bars = input.required<readonly string[]>();
  readonly parts = input.required<readonly BarPart[]>();
  /** What the chart shows, for whoever does not see it. */
  readonly words = input.required<string>();

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: Chart<'bar', number[]> | null = null;

  constructor() {
    afterRenderEffect(() => {
      this.draw();
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }

  private draw(): void {
    const labels = [...this.bars()];
    const datasets = this.parts().map(({ name, color, values }) => ({
      label: name,
      data: [...values],
      backgroundColor: inkOf(color),
      borderColor: inkOf('ink'),
      borderWidth: 1,
    }));
    this.chart?.destroy();
    // No drawing surface, as in a component test: the words beside the chart stand alone.
    if (!this.canvas().nativeElement.getContext('2d')) return;
    Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
    const ticks = { color: inkOf('mute'), font: { size: 12 } };
    this.chart = new Chart(this.canvas().nativeElement, {
      type: 'bar',
      data: { labels, datasets },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        events: [],
        plugins: {
          legend: { position: 'right', labels: { color: inkOf('ink'), boxWidth: 14, font: { size: 13 } } },
        },
        scales: {
          x: { stacked: true, ticks, grid: { display: false } },
          y: {
            stacked: true,
            beginAtZero: true,
            ticks: { ...ticks, precision: 0 },
            grid: { color: inkOf('groove') },
          },
        },
      },
    });
  }
}
