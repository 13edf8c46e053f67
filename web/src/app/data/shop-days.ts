import { Injectable, signal } from '@angular/core';
import type { SavedHouseRules } from '@yard-spool/contract';

/** How the shop writes days: which number comes first, and what its weeks begin with. */
@Injectable({ providedIn: 'root' })
export class ShopDays {
  readonly order = signal<SavedHouseRules['dayOrder']>('day-first');
  /** 1 for Monday to 7 for Sunday. */
  readonly weekBegins = signal(1);
}
