import { HttpErrorResponse } from '@angular/common/http';
import { Injectable } from '@angular/core';
import { makesOnce, ONCE_HEADER, type Route } from '@yard-spool/contract';
import { defer, tap, type Observable } from 'rxjs';

/** What a request is known by while its key is kept. */
type Same = readonly [address: string, query: unknown, body: unknown];

/**
 * The keys of requests that make something. The same request sent again while its first answer has not come, or did not
 * come at all, goes with the same key: the server answers it as it did the first one, and makes nothing twice.
 */
@Injectable({ providedIn: 'root' })
export class OnceKeys {
  private readonly keys = new Map<string, string>();

  /** @param send sends the request with these headers, once for each who waits for it */
  ask<T>(
    route: Pick<Route, 'method' | 'path'>,
    same: Same,
    send: (headers: Record<string, string>) => Observable<T>,
  ): Observable<T> {
    if (!makesOnce(route)) return send({});
    return defer(() => {
      const name = JSON.stringify(same);
      const key = this.keys.get(name) ?? crypto.randomUUID();
      this.keys.set(name, key);
      return send({ [ONCE_HEADER]: key }).pipe(
        tap({
          // What is asked behind an answer is meant: one more trip, the same once more.
          next: () => this.forget(name, key),
          error: (error: unknown) => {
            if (isAnswer(error)) this.forget(name, key);
          },
        }),
      );
    });
  }

  private forget(name: string, key: string): void {
    if (this.keys.get(name) === key) this.keys.delete(name);
  }
}

/** Whether the server said no. Where it did not answer, or something went wrong there, it may have been done. */
const isAnswer = (error: unknown): boolean =>
  error instanceof HttpErrorResponse && error.status > 0 && error.status < 500;
