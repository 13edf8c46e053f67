import { inject, Injectable, InjectionToken, Injector, signal } from '@angular/core';
import { finalize, from, share, switchMap, type Observable } from 'rxjs';
import type { AskedPasscode } from './send-proof';

/** Asks for a passcode on the screen, and says whether it was typed and was right. */
export type AskPasscode = (injector: Injector, asked: AskedPasscode) => Observable<boolean>;

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
  /** Who is signed in by what this screen knows; empty for nobody. */
  readonly who = signal('');
  private asking: Observable<boolean> | null = null;

  /** Whether it was typed, and was right. Several who ask at once are answered by one question. */
  ask(asked: AskedPasscode): Observable<boolean> {
    // Read once it is needed: few screens ever ask.
    this.asking ??= from(this.read()).pipe(
      switchMap((ask) => ask(this.injector, asked)),
      finalize(() => (this.asking = null)),
      share(),
    );
    return this.asking;
  }
}
