import type { Observable } from 'rxjs';

/** A passcode that is asked for, and where it goes to be compared. */
export interface AskedPasscode {
  readonly send: (passcode: string) => Observable<unknown>;
  /** Who was signed out meanwhile and signs in with it; empty where it is asked for before a manager's act. */
  readonly signedOut: string;
}
