import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { METRES_PER_YARD, type RuleStretch } from '@yard-spool/core';
import { scaleLinear } from 'd3-scale';
import { UnitsService } from '../data/units.service';
import { LineTexture } from './line-texture';
import { measuredSize } from './measured-size';

/** Drawn at this width, px, until the real one is known. */
const USUAL_WIDTH = 560;
/** Room for the last figure's unit, px. */
const END = 34;

let rules = 0;

/** Any length of line as one bar along a tape measure: what is on a reel, what is left on a piece, what will be cut. */
@Component({
  selector: 'ys-length-rule',
  imports: [LineTexture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './length-rule.html',
  host: { class: 'block' },
})
export class LengthRule {
  private readonly units = inject(UnitsService);

  readonly stretches = input.required<readonly RuleStretch[]>();
  /** Metres the whole tape stands for; the sum of the stretches unless given. */
  readonly span = input<number>();
  /** Height of the bar, px of the drawing. */
  readonly thickness = input(26);

  protected readonly id = `rule-${String((rules += 1))}`;
  private readonly size = measuredSize();
  protected readonly width = computed(() => Math.max(this.size()?.width ?? USUAL_WIDTH, 120));
  private readonly total = computed(() => this.stretches().reduce((sum, { metres }) => sum + metres, 0));
  private readonly scale = computed(() =>
    scaleLinear([0, Math.max(1, this.span() ?? this.total())], [0.5, this.width() - END]),
  );
  protected readonly bars = computed(() => {
    let from = 0;
    return this.stretches().map((stretch) => {
      const x = this.scale()(from);
      from += Math.max(0, stretch.metres);
      return { stretch, x, width: Math.max(0, this.scale()(from) - x) };
    });
  });
  protected readonly ticks = computed(() => {
    const factor = this.units.system() === 'metric' ? 1 : METRES_PER_YARD;
    const [, end = 1] = this.scale().domain();
    const shown = scaleLinear([0, end / factor], [0, 1]).ticks(Math.max(2, Math.round(this.width() / 90)));
    return shown.map((value, i) => ({
      x: this.scale()(value * factor),
      text: value.toLocaleString('en'),
      last: i === shown.length - 1,
    }));
  });
  protected readonly unit = computed(() => (this.units.system() === 'metric' ? 'm' : 'yd'));
  protected readonly summary = computed(() =>
    this.stretches()
      .map(({ label, metres }) => `${label} ${this.units.length(metres)}`)
      .join(', '),
  );
}
