import { inject, Injectable, InjectionToken, Injector } from '@angular/core';
import { finalize, from, share, switchMap, type Observable } from 'rxjs';
import type { SendProof } from './send-proof';

/** Asks for a passcode on the screen, and says whether it was typed and was right. */
export type AskPasscode = (injector: Injector, send: SendProof) => Observable<boolean>;

/** Reads what asks for a passcode: named where the screens are put together, since it is one of them. */
export const ASK_PASSCODE = new InjectionToken<() => Promise<AskPasscode>>('asks for a passcode', {
  providedIn: 'root',
  factory: () => () => Promise.reject(new Error('Nobody was named who asks for a passcode.')),
});

/** Asks whoever is signed in for their passcode again, before a manager's act. */
@Injectable({ providedIn: 'root' })
export class Proof {
  private readonly injector = inject(Injector);
  private readonly read = inject(ASK_PASSCODE);
  private asking: Observable<boolean> | null = null;

  /** Whether it was typed, and was right. Several who ask at once are answered by one question. */
  ask(send: SendProof): Observable<boolean> {
    // Read once it is needed: few screens ever ask.
    this.asking ??= from(this.read()).pipe(
      switchMap((ask) => ask(this.injector, send)),
      finalize(() => (this.asking = null)),
      share(),
    );
    return this.asking;
  }
}
