import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Drawing } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { LineTexture } from './line-texture';

const BOX = { width: 64, height: 44, flange: 3, above: 4, stub: 8 } as const;
let drawn = 0;

/**
 * A spool cut open, small: layers to true scale below the dashed lip. A spool wider than there is room for is broken off at
 * the rear, so that its depth fills the drawing. What it says is read out.
 */
@Component({
  selector: 'ys-small-section',
  imports: [LineTexture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg width="64" height="44" viewBox="0 0 64 44" role="img" [attr.aria-label]="words()">
      @let l = lay();
      <defs>
        @for (layer of drawing().layers; track $index) {
          <svg:pattern [attr.id]="id + '-' + $index" [ysLineTexture]="layer" />
        }
      </defs>
      <rect
        class="fill-arbor"
        [attr.x]="l.left"
        [attr.y]="l.arbor"
        [attr.width]="l.across"
        [attr.height]="44 - l.arbor"
      />
      @for (row of l.layers; track $index) {
        <rect
          [attr.x]="l.left"
          [attr.y]="row.y"
          [attr.width]="l.across"
          [attr.height]="row.height"
          [attr.fill]="'url(#' + id + '-' + $index + ')'"
        />
        <line
          class="stroke-ink"
          [attr.x1]="l.left"
          [attr.x2]="l.left + l.across"
          [attr.y1]="row.y"
          [attr.y2]="row.y"
        />
      }
      @for (x of l.broken ? [l.left + l.across] : [l.left - 3, l.left + l.across]; track $index) {
        <rect class="fill-metal" width="3" [attr.x]="x" [attr.y]="4" [attr.height]="40" />
      }
      <line
        class="stroke-ink"
        stroke-dasharray="1.5 2"
        [attr.x1]="l.left - 6"
        [attr.x2]="l.left + l.across + 6"
        y1="4"
        y2="4"
      />
    </svg>
  `,
  host: { class: 'block h-11 w-16 shrink-0' },
})
export class SmallSection {
  private readonly units = inject(UnitsService);

  readonly drawing = input.required<Drawing>();
  protected readonly id = `small-${String((drawn += 1))}`;

  protected readonly lay = computed(() => {
    const { lip, arbor, width, layers } = this.drawing();
    const room = { across: BOX.width - 2 * BOX.flange - 12, down: BOX.height - BOX.above - BOX.stub };
    const scale = room.down / Math.max(lip - arbor, 0.5);
    const broken = width * scale > room.across;
    const across = broken ? room.across + BOX.flange : width * scale;
    const yOf = (radius: number): number => BOX.above + (lip - radius) * scale;
    return {
      across,
      left: broken ? 3 : (BOX.width - across) / 2,
      broken,
      arbor: yOf(arbor),
      layers: layers.map(({ inner, outer }) => ({
        y: yOf(outer),
        height: Math.max(0, (outer - inner) * scale),
      })),
    };
  });
  protected readonly words = computed(() => {
    const layers = this.drawing().layers.filter(({ lengthMm }) => lengthMm > 0);
    if (layers.length === 0) return 'an empty spool';
    return layers
      .map(({ lengthMm, role }) => `${this.units.length(lengthMm / 1000)} ${role.replace('-', ' ')}`)
      .join(', ');
  });
}
