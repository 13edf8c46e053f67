import type { Observable } from 'rxjs';

/** Sends a passcode, to be compared. */
export type SendProof = (passcode: string) => Observable<unknown>;
