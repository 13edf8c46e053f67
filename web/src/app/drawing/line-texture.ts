import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { darken, lighten, type LineLook } from './line-look';

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
    '[attr.width]': 'size()',
    '[attr.height]': 'size()',
    '[attr.patternTransform]': 'turned() ? "rotate(45)" : null',
  },
  template: `
    <svg:rect [attr.width]="size()" [attr.height]="size()" [attr.fill]="ground()" />
    @switch (look().texture) {
      @case ('nylon') {
        <svg:circle cx="3" cy="3" r="1.25" [attr.fill]="stroke()" />
      }
      @case ('fluorocarbon') {
        <svg:rect width="24" height="0.9" [attr.fill]="stroke()" />
      }
      @case ('braid') {
        <svg:path d="M0 0h3v3H0zM3 3h3v3H3z" [attr.fill]="stroke()" fill-opacity="0.55" />
      }
      @case ('hollow-braid') {
        <svg:path d="M0 0H12M0 0V12" [attr.stroke]="stroke()" stroke-width="2.6" fill="none" />
      }
      @case ('salvage') {
        <svg:rect width="4" height="14" [attr.fill]="stroke()" fill-opacity="0.6" />
      }
    }
  `,
})
export class LineTexture {
  readonly look = input.required<LineLook>({ alias: 'ysLineTexture' });

  protected readonly size = computed(
    () =>
      ({ nylon: 6, fluorocarbon: 24, braid: 6, 'hollow-braid': 12, salvage: 14, tail: 8, gone: 8 })[
        this.look().texture
      ],
  );
  protected readonly turned = computed(() =>
    ['braid', 'hollow-braid', 'salvage'].includes(this.look().texture),
  );
  protected readonly ground = computed(() =>
    this.look().texture === 'hollow-braid' ? lighten(this.look().tint, 0.45) : this.look().tint,
  );
  protected readonly stroke = computed(() => darken(this.look().tint, 0.42));
}
