import { Injectable } from '@angular/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface RepliesSchema extends DBSchema {
  readonly replies: { key: string; value: unknown };
}

/** What the server last said to a few questions, so that a bench can go on with it away. Nothing else relies on it. */
@Injectable({ providedIn: 'root' })
export class SavedReplies {
  private readonly db = opened();

  async keep(address: string, reply: unknown): Promise<void> {
    await (await this.db)?.put('replies', reply, address).catch(() => undefined);
  }

  async find(address: string): Promise<unknown> {
    return (await this.db)?.get('replies', address).catch(() => undefined);
  }

  /** Forgets everything: somebody signed out. */
  async clear(): Promise<void> {
    await (await this.db)?.clear('replies').catch(() => undefined);
  }
}

/** A browser that keeps nothing goes without. */
async function opened(): Promise<IDBPDatabase<RepliesSchema> | null> {
  try {
    return await openDB<RepliesSchema>('yard-spool-replies', 1, {
      upgrade: (db) => db.createObjectStore('replies'),
    });
  } catch {
    return null;
  }
}
