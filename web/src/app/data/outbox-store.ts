import { Injectable } from '@angular/core';
import type { RunEvent } from '@yard-spool/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

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
  private readonly db: Promise<IDBPDatabase<OutboxSchema> | null> = openDB<OutboxSchema>('yard-spool', 2, {
    upgrade: (db, old, _new, transaction) => {
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
    },
    // A browser that keeps nothing (a private window) still counts, as long as the page stands.
  }).catch(() => null);

  async all(): Promise<Waiting[]> {
    const waiting = (await (await this.db)?.getAll('waiting')) ?? [];
    return waiting.sort((a, b) => a.place - b.place);
  }

  async put(waiting: readonly Waiting[]): Promise<void> {
    const writing = (await this.db)?.transaction('waiting', 'readwrite');
    if (writing) await Promise.all([...waiting.map((one) => writing.store.put(one)), writing.done]);
  }

  async remove(ids: readonly string[]): Promise<void> {
    const writing = (await this.db)?.transaction('waiting', 'readwrite');
    if (writing) await Promise.all([...ids.map((id) => writing.store.delete(id)), writing.done]);
  }
}
