import { Injectable } from '@angular/core';
import type { RunEvent } from '@yard-spool/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface OutboxSchema extends DBSchema {
  readonly events: { key: string; value: RunEvent; indexes: { run: string } };
}

/** Events of runs that the server has not confirmed yet. Kept in the browser's own database, through a reload. */
@Injectable({ providedIn: 'root' })
export class EventOutbox {
  private readonly db: Promise<IDBPDatabase<OutboxSchema>> = openDB<OutboxSchema>('yard-spool', 1, {
    upgrade: (db) => {
      db.createObjectStore('events', { keyPath: 'id' }).createIndex('run', 'run');
    },
  });

  async put(events: readonly RunEvent[]): Promise<void> {
    const writing = (await this.db).transaction('events', 'readwrite');
    await Promise.all([...events.map((event) => writing.store.put(event)), writing.done]);
  }

  async remove(events: readonly RunEvent[]): Promise<void> {
    const writing = (await this.db).transaction('events', 'readwrite');
    await Promise.all([...events.map(({ id }) => writing.store.delete(id)), writing.done]);
  }

  /** What waits for one run, in order. */
  async waiting(run: string): Promise<RunEvent[]> {
    const events = await (await this.db).getAllFromIndex('events', 'run', run);
    return events.sort((a, b) => a.seq - b.seq);
  }
}
