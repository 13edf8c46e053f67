import { HttpResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { UNREAD_HEADER } from '@yard-spool/contract';
import { tap } from 'rxjs';

/** How many entries of what is shown could not be read and were left out. */
@Injectable({ providedIn: 'root' })
export class UnreadRows {
  readonly count = signal(0);
}

/** Hears it from each answer that leaves something out. */
export const hearUnreadRows: HttpInterceptorFn = (request, next) => {
  const unread = inject(UnreadRows);
  return next(request).pipe(
    tap((event) => {
      const told = event instanceof HttpResponse ? event.headers.get(UNREAD_HEADER) : null;
      if (told !== null) unread.count.set(Number(told) || 0);
    }),
  );
};
