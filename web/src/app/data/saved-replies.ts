import { Injectable } from '@angular/core';
import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface RepliesSchema extends DBSchema {
  readonly replies: { key: string; value: unknown };
  /** What came to the log of a reply since it was kept, by its address and place. */
  readonly since: { key: [address: string, seq: number]; value: Numbered };
}

/** An entry of a log, with its place in it. */
export interface Numbered {
  readonly seq: number;
}

/** A reply that a log comes with. */
interface WithLog {
  readonly events: readonly Numbered[];
}

const NAME = 'yard-spool-kept';
/** What earlier versions kept, as one piece each. */
const NAME_BEFORE = 'yard-spool-replies';

/** What the server last said to a few questions, so that a bench can go on with it away. Nothing else relies on it. */
@Injectable({ providedIn: 'root' })
export class SavedReplies {
  private readonly db = opened();

  /** Keeps a reply in place of the one before, and of what came to its log since. */
  keep(address: string, reply: unknown): Promise<void> {
    return this.quietly(async (db) => {
      const change = db.transaction(['replies', 'since'], 'readwrite');
      await Promise.all([
        change.objectStore('since').delete(ofAddress(address)),
        change.objectStore('replies').put(reply, address),
        change.done,
      ]);
    });
  }

  /** Keeps what came to the log of a reply that is kept: what is there already is not written again, however long it is. */
  keepSince(address: string, events: readonly Numbered[]): Promise<void> {
    return this.quietly(async (db) => {
      const change = db.transaction('since', 'readwrite');
      await Promise.all([
        ...events.map((event) => change.store.put(event, [address, event.seq])),
        change.done,
      ]);
    });
  }

  /** A reply with all that came to its log, as far as nothing of it is missing. */
  find(address: string): Promise<unknown> {
    return this.quietly(async (db) => {
      const both = db.transaction(['replies', 'since']);
      const reply: unknown = await both.objectStore('replies').get(address);
      return hasLog(reply)
        ? withMore(reply, await both.objectStore('since').getAll(ofAddress(address)))
        : reply;
    });
  }

  /** Forgets everything: somebody signed out. */
  clear(): Promise<void> {
    return this.quietly(async (db) => {
      const change = db.transaction(['replies', 'since'], 'readwrite');
      await Promise.all([
        change.objectStore('replies').clear(),
        change.objectStore('since').clear(),
        change.done,
      ]);
    });
  }

  /** A browser that keeps nothing, or has no room, goes without. */
  private async quietly<T>(work: (db: IDBPDatabase<RepliesSchema>) => Promise<T>): Promise<T | undefined> {
    const db = await this.db;
    return db ? work(db).catch(() => undefined) : undefined;
  }
}

/** Everything kept beside the reply of an address. */
const ofAddress = (address: string): IDBKeyRange => IDBKeyRange.bound([address, 0], [address, Infinity]);

const hasLog = (reply: unknown): reply is WithLog =>
  typeof reply === 'object' && reply !== null && Array.isArray((reply as Partial<WithLog>).events);

/** Two pages of one run may have kept different parts of it: it ends before the first that is missing. */
function withMore(reply: WithLog, since: readonly Numbered[]): WithLog {
  const events = [...reply.events];
  for (const event of since) if (event.seq === (events.at(-1)?.seq ?? 0) + 1) events.push(event);
  return { ...reply, events };
}

async function opened(): Promise<IDBPDatabase<RepliesSchema> | null> {
  try {
    void deleteDB(NAME_BEFORE).catch(() => undefined);
    return await openDB<RepliesSchema>(NAME, 1, {
      upgrade: (db) => {
        db.createObjectStore('replies');
        db.createObjectStore('since');
      },
    });
  } catch {
    return null;
  }
}
