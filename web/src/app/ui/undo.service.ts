import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { of, Subject, tap, type Observable } from 'rxjs';
import { Sending } from './sending';
import { SessionService } from '../data/session.service';

/** Something that was taken away, in words, and how it comes back. */
export interface Undoable {
  readonly words: string;
  readonly back: () => Observable<unknown>;
}

/** The last thing that was taken away: told until something else is, it is undone, or somebody hides it. */
@Injectable({ providedIn: 'root' })
export class Undo {
  private readonly session = inject(SessionService);
  private readonly last = signal<(Undoable & { readonly by: number | undefined }) | null>(null);
  readonly sending = new Sending();
  private readonly undone = new Subject<void>();

  /** Null where it was somebody else who was signed in here. */
  readonly told = (): Undoable | null => {
    const last = this.last();
    return last?.by === this.session.person()?.id ? last : null;
  };

  /** A page looks again once something is back. Must be called where `inject` works. */
  whenUndone(look: () => void): void {
    this.undone.pipe(takeUntilDestroyed()).subscribe(look);
  }

  tell(what: Undoable): void {
    this.sending.clear();
    this.last.set({ ...what, by: this.session.person()?.id });
  }

  /** Of what was taken away on this page alone. */
  tellHere(words: string, restore: () => void): void {
    this.tell({ words, back: () => of(null).pipe(tap(restore)) });
  }

  take(): void {
    const what = this.told();
    if (!what) return;
    this.sending.send(what.back(), () => {
      this.last.set(null);
      this.undone.next();
    });
  }

  hide(): void {
    this.last.set(null);
  }
}
