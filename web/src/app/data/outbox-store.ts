import { Injectable, signal } from '@angular/core';
import type { RunEvent } from '@yard-spool/core';
import { openDB, type DBSchema, type IDBPDatabase, type OpenDBCallbacks } from 'idb';
import { Subject } from 'rxjs';

/** An event the server has not confirmed. */
export interface Waiting {
  readonly event: RunEvent;
  /** Its order among all that wait on this machine. */
  readonly place: number;
  /** Why the server does not take it, in its words; empty while it may. */
  readonly refused: string;
}

interface OutboxSchema extends DBSchema {
  readonly events: { key: string; value: RunEvent };
  readonly waiting: { key: string; value: Waiting };
}

/** What waits, in the browser's own database: through a reload, a restart and a dead battery. */
@Injectable({ providedIn: 'root' })
export class OutboxStore {
  private readonly keeping = signal(true);
  private readonly lost = new Subject<void>();
  private db: Promise<IDBPDatabase<OutboxSchema> | null> = this.open();

  /** Whether what waits is kept: not in a browser that keeps nothing, or has no room. Then it waits as long as the page stands. */
  readonly keeps = this.keeping.asReadonly();
  /** What was kept is gone, cleared while the page stands; what the page still has is put again. */
  readonly lost$ = this.lost.asObservable();

  async all(): Promise<Waiting[]> {
    const waiting = await this.tried(async (db) => db.getAll('waiting'));
    return (waiting ?? []).sort((a, b) => a.place - b.place);
  }

  async put(waiting: readonly Waiting[]): Promise<void> {
    await this.tried(async (db) => {
      const writing = db.transaction('waiting', 'readwrite');
      await Promise.all([...waiting.map((one) => writing.store.put(one)), writing.done]);
    });
  }

  async remove(ids: readonly string[]): Promise<void> {
    await this.tried(async (db) => {
      const writing = db.transaction('waiting', 'readwrite');
      await Promise.all([...ids.map((id) => writing.store.delete(id)), writing.done]);
    });
  }

  /** Whatever comes of it, nothing that is counted stops for it. */
  private async tried<T>(work: (db: IDBPDatabase<OutboxSchema>) => Promise<T>): Promise<T | undefined> {
    try {
      const db = await this.db;
      if (!db) return undefined;
      const done = await work(db);
      this.keeping.set(true);
      return done;
    } catch {
      this.keeping.set(false);
      return undefined;
    }
  }

  private async open(): Promise<IDBPDatabase<OutboxSchema> | null> {
    try {
      return await openDB<OutboxSchema>('yard-spool', 2, {
        upgrade: (db, old, _new, transaction) => takeOver(db, old, transaction),
        terminated: () => this.again(),
        // Cleared by somebody else: it is let go, and begun again.
        blocking: (_now, _wanted, event) => {
          (event.target as IDBDatabase).close();
          this.again();
        },
      });
    } catch {
      this.keeping.set(false);
      return null;
    }
  }

  private again(): void {
    this.keeping.set(false);
    this.db = this.open();
    this.lost.next();
  }
}

type Upgrade = Parameters<NonNullable<OpenDBCallbacks<OutboxSchema>['upgrade']>>;

function takeOver(db: Upgrade[0], old: Upgrade[1], transaction: Upgrade[3]): void {
  const waiting = db.createObjectStore('waiting', { keyPath: 'event.id' });
  if (old < 1) return;
  // What the page's earlier kind of outbox kept is taken over before anything else is done with it.
  void transaction
    .objectStore('events')
    .getAll()
    .then((events) =>
      Promise.all(events.map((event) => waiting.put({ event, place: event.seq, refused: '' }))),
    )
    .then(() => transaction.objectStore('events').clear());
}
