import { inject, Injectable, signal } from '@angular/core';
import { api, type Person } from '@yard-spool/contract';
import { catchError, defer, map, of, tap, type Observable } from 'rxjs';
import { addressOf, ApiService } from './api.service';
import { Proof } from './proof.service';
import { SavedReplies } from './saved-replies';

/** Who is signed in at this screen. */
@Injectable({ providedIn: 'root' })
export class SessionService {
  private readonly api = inject(ApiService);
  private readonly kept = inject(SavedReplies);
  private readonly proof = inject(Proof);
  private readonly current = signal<Person | null>(null);

  /** The person signed in, or null. */
  readonly person = this.current.asReadonly();

  /** The person signed in, asking the server once where it is not known yet. */
  readonly known$: Observable<Person | null> = defer(() => {
    const person = this.current();
    if (person) return of(person);
    // With the server away it is whoever was signed in last: the server asks again before it takes anything.
    return this.api.callSaved(api.whoAmI).pipe(
      tap((found) => this.isHere(found)),
      map((found): Person | null => found),
      catchError(() => of(null)),
    );
  });

  /** @param code what an authenticator shows, for whoever has a second step */
  signIn(name: string, passcode: string, code?: string): Observable<Person> {
    const body = { name, passcode, ...(code === undefined ? {} : { code }) };
    return this.api.call(api.signIn, { body }).pipe(tap((person) => this.has(person)));
  }

  signOut(): Observable<unknown> {
    return this.api.call(api.signOut).pipe(tap(() => this.forget()));
  }

  /** Forgets the person, after the server said they are not signed in any more. */
  forget(): void {
    this.isHere(null);
    void this.kept.clear();
  }

  private isHere(person: Person | null): void {
    this.current.set(person);
    this.proof.who.set(person?.name ?? '');
  }

  private has(person: Person): void {
    this.isHere(person);
    // What somebody else was told is not shown to this one.
    void this.kept.clear().then(() => this.kept.keep(addressOf(api.whoAmI), person));
  }
}
