import { inject, Injectable, signal } from '@angular/core';
import { api } from '@yard-spool/contract';
import { catchError, EMPTY, exhaustMap, take, timer } from 'rxjs';
import { ApiService } from './api.service';

/** How often it is asked whether the server is back, ms. */
const AGAIN_MS = 2000;
/** A page that does not open this often, one time after the other, is opened by a press only. */
const MOST = 3;
const KEY = 'yard-spool-opened-again';

/**
 * A page that could not be opened: the server went away while its screen was on the way here, or has another version of it
 * by now. It is opened again as soon as the server answers; what was counted is kept meanwhile.
 */
@Injectable({ providedIn: 'root' })
export class OpenAgain {
  private readonly api = inject(ApiService);
  private readonly to = signal('');

  /** Where it leads to; empty where every page opened. */
  readonly failed = this.to.asReadonly();

  /** A page could not be opened. */
  noted(url: string): void {
    this.to.set(url);
    const times = Number(sessionStorage.getItem(KEY) ?? 0) + 1;
    if (times > MOST) return;
    timer(AGAIN_MS, AGAIN_MS)
      .pipe(
        exhaustMap(() => this.api.call(api.health).pipe(catchError(() => EMPTY))),
        take(1),
      )
      .subscribe(() => {
        sessionStorage.setItem(KEY, String(times));
        this.open();
      });
  }

  /** A page opened. */
  opened(): void {
    this.to.set('');
    sessionStorage.removeItem(KEY);
  }

  /** Loads the whole page: a screen that failed to arrive is not asked for again otherwise. */
  open(): void {
    location.assign(this.to());
  }
}
