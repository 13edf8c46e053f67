import { inject, Injectable, Injector } from '@angular/core';
import { finalize, from, share, switchMap, type Observable } from 'rxjs';
import type { SendProof } from './send-proof';

/** Asks whoever is signed in for their passcode again, before a manager's act. */
@Injectable({ providedIn: 'root' })
export class Proof {
  private readonly injector = inject(Injector);
  private asking: Observable<boolean> | null = null;

  /** Whether it was typed, and was right. Several who ask at once are answered by one question. */
  ask(send: SendProof): Observable<boolean> {
    // Read once it is needed: few screens ever ask.
    this.asking ??= from(import('./passcode-again')).pipe(
      switchMap(({ askAgain }) => askAgain(this.injector, send)),
      finalize(() => (this.asking = null)),
      share(),
    );
    return this.asking;
  }
}
