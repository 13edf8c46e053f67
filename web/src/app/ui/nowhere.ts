import { ChangeDetectionStrategy, Component } from '@angular/core';
import { Gone } from './gone';

/** An address that is none of this application. */
@Component({
  selector: 'ys-nowhere',
  imports: [Gone],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<ys-gone words="There is nothing at this address" />`,
})
export class Nowhere {}
