import { Injectable, signal } from '@angular/core';
import type { RunEvent } from '@yard-spool/core';
import { openDB, type DBSchema, type IDBPDatabase, type OpenDBCallbacks } from 'idb';
import { auditTime, Subject } from 'rxjs';
import { notedElsewhere, pressNotes } from './press-notes';
import type { Waiting } from './waiting';

interface OutboxSchema extends DBSchema {
  readonly events: { key: string; value: RunEvent };
  readonly waiting: { key: string; value: Waiting };
}

/** What could not be written is tried again after so long, ms. */
const AGAIN_MS = 2000;
/** A page sends what it noted within this time, as a rule, ms. */
const ITS_OWN_MS = 500;

/**
 * What waits, in the browser's own database: through a reload, a restart and a dead battery. However fast it comes, one
 * transaction takes all there is, relaxed: written to the system, which brings it to the disk within seconds.
 */
@Injectable({ providedIn: 'root' })
export class OutboxStore {
  private readonly keeping = signal(true);
  private readonly there = signal<ReadonlySet<string>>(new Set());
  private readonly lost = new Subject<void>();
  private readonly unwritten = new Map<string, Waiting>();
  /** Writing and removing, one after another. */
  private line: Promise<void> = Promise.resolve();
  private again: ReturnType<typeof setTimeout> | undefined;
  private db: Promise<IDBPDatabase<OutboxSchema> | null> = this.open();

  /** Whether what waits is kept: not in a browser that keeps nothing, or has no room. Then it waits as long as the page stands. */
  readonly keeps = this.keeping.asReadonly();
  /** What is written, by the ids of its events. */
  readonly written = this.there.asReadonly();
  /** What was kept is gone, cleared while the page stands; what the page still has is put again. */
  readonly lost$ = this.lost.asObservable();
  /** Another page of this browser may have left something behind. */
  readonly elsewhere$ = notedElsewhere().pipe(auditTime(ITS_OWN_MS));

  /** What waits of all pages of this browser, in its order. */
  async all(): Promise<Waiting[]> {
    await this.line;
    const kept = (await this.tried(async (db) => db.getAll('waiting'))) ?? [];
    this.there.set(new Set(kept.map(({ event }) => event.id)));
    const noted = pressNotes.all().filter(({ event }) => !this.there().has(event.id));
    return [...kept, ...noted].sort((a, b) => a.place - b.place);
  }

  /** Settles once it was tried to be written; what could not be is tried again until it is. */
  put(waiting: readonly Waiting[]): Promise<void> {
    for (const one of waiting) this.unwritten.set(one.event.id, one);
    pressNotes.add(waiting);
    return this.inLine(() => this.write());
  }

  remove(ids: readonly string[]): Promise<void> {
    for (const id of ids) this.unwritten.delete(id);
    return this.inLine(async () => {
      await this.tried(async (db) => {
        const removing = db.transaction('waiting', 'readwrite', RELAXED);
        await Promise.all([...ids.map((id) => removing.store.delete(id)), removing.done]);
      });
      pressNotes.drop(ids);
      this.there.update((before) => without(before, ids));
    });
  }

  private inLine(work: () => Promise<void>): Promise<void> {
    this.line = this.line.then(work);
    return this.line;
  }

  /** Writes all that is not written yet, in one transaction. */
  private async write(): Promise<void> {
    const batch = [...this.unwritten.values()];
    if (batch.length === 0) {
      if (!this.keeping())
        this.keeping.set((await this.tried(async (db) => db.count('waiting'))) !== undefined);
      return;
    }
    const done = await this.tried(async (db) => {
      const writing = db.transaction('waiting', 'readwrite', RELAXED);
      await Promise.all([...batch.map((one) => writing.store.put(one)), writing.done]);
      return true;
    });
    if (done !== true) {
      clearTimeout(this.again);
      this.again = setTimeout(() => void this.inLine(() => this.write()), AGAIN_MS);
      return;
    }
    const ids = batch.map(({ event }) => event.id);
    for (const one of batch)
      if (this.unwritten.get(one.event.id) === one) this.unwritten.delete(one.event.id);
    pressNotes.drop(ids.filter((id) => !this.unwritten.has(id)));
    this.there.update((before) => new Set([...before, ...ids]));
    // It is said that nothing is kept until all of it is again.
    this.keeping.set(this.unwritten.size === 0);
  }

  /** Whatever comes of it, nothing that is counted stops for it. */
  private async tried<T>(work: (db: IDBPDatabase<OutboxSchema>) => Promise<T>): Promise<T | undefined> {
    try {
      const db = await this.db;
      if (db) return await work(db);
    } catch (error) {
      // Its connection is gone, and nobody was told.
      if (error instanceof DOMException && error.name === 'InvalidStateError') this.db = this.open();
    }
    this.keeping.set(false);
    return undefined;
  }

  private async open(): Promise<IDBPDatabase<OutboxSchema> | null> {
    try {
      return await openDB<OutboxSchema>('yard-spool', 2, {
        upgrade: (db, old, _new, transaction) => takeOver(db, old, transaction),
        terminated: () => this.beginAgain(),
        // Cleared by somebody else: it is let go, and begun again.
        blocking: (_now, _wanted, event) => {
          (event.target as IDBDatabase).close();
          this.beginAgain();
        },
      });
    } catch {
      this.keeping.set(false);
      return null;
    }
  }

  private beginAgain(): void {
    this.keeping.set(false);
    this.there.set(new Set());
    this.db = this.open();
    this.lost.next();
  }
}

const RELAXED = { durability: 'relaxed' } as const;

const without = (all: ReadonlySet<string>, ids: readonly string[]): ReadonlySet<string> => {
  const gone = new Set(ids);
  return new Set([...all].filter((id) => !gone.has(id)));
};

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
