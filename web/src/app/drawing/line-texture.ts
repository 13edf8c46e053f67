import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { tileOf, type LineStyle } from '@yard-spool/core';

/**
 * The pattern a line is filled with: nylon dots, fluorocarbon plain with a thin edge line, braid a diagonal weave,
 * hollow braid an open weave, salvage wide diagonals. Goes into a `<defs>`.
 */
@Component({
  // eslint-disable-next-line @angular-eslint/component-selector -- an SVG pattern can only be an SVG pattern
  selector: 'pattern[ysLineTexture]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    patternUnits: 'userSpaceOnUse',
    '[attr.width]': 'tile().side',
    '[attr.height]': 'tile().side',
    '[attr.patternTransform]': 'tile().turned ? "rotate(45)" : null',
  },
  template: `
    <svg:rect [attr.width]="tile().side" [attr.height]="tile().side" [attr.fill]="tile().ground" />
    @switch (lineStyle().texture) {
      @case ('nylon') {
        <svg:circle cx="3" cy="3" r="1.25" [attr.fill]="tile().stroke" />
      }
      @case ('fluorocarbon') {
        <svg:rect width="24" height="0.9" [attr.fill]="tile().stroke" />
      }
      @case ('braid') {
        <svg:path d="M0 0h3v3H0zM3 3h3v3H3z" [attr.fill]="tile().stroke" fill-opacity="0.55" />
      }
      @case ('hollow-braid') {
        <svg:path d="M0 0H12M0 0V12" [attr.stroke]="tile().stroke" stroke-width="2.6" fill="none" />
      }
      @case ('salvage') {
        <svg:rect width="4" height="14" [attr.fill]="tile().stroke" fill-opacity="0.6" />
      }
    }
  `,
})
export class LineTexture {
  readonly lineStyle = input.required<LineStyle>({ alias: 'ysLineTexture' });

  protected readonly tile = computed(() => tileOf(this.lineStyle()));
}
