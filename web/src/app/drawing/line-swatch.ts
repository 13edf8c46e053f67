import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { LineStyle } from '@yard-spool/core';
import { LineTexture } from './line-texture';

let swatches = 0;

/** A line's texture and tint as a small upright block beside its name. */
@Component({
  selector: 'ys-line-swatch',
  imports: [LineTexture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg class="absolute inset-0 size-full rounded-[3px]" aria-hidden="true" preserveAspectRatio="none">
      <defs><svg:pattern [attr.id]="id" [ysLineTexture]="lineStyle()" /></defs>
      <rect width="100%" height="100%" [attr.fill]="'url(#' + id + ')'" />
    </svg>
  `,
  host: { class: 'relative block min-h-9 w-3.5' },
})
export class LineSwatch {
  readonly lineStyle = input.required<LineStyle>();
  protected readonly id = `swatch-${String((swatches += 1))}`;
}
