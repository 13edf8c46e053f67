import { Injectable } from '@angular/core';

/** The line whose spool came on to the rack last at this screen: a delivery brings several of one. */
@Injectable({ providedIn: 'root' })
export class LastLine {
  productId: number | null = null;
}
