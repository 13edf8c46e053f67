import type { TableName } from '../db/tables';
import type { Query } from './query';

/** Something a room holds in memory of the database: how it begins, and how it is given up so that it is read again. */
export interface Held<T> {
  readonly make: (query: Query) => T;
  readonly forget: (held: T) => void;
  /** The tables it was read of: once one of them is written it is given up. */
  readonly follows?: readonly TableName[];
}

/** Everything the rooms hold in memory of one database; each of it is made when it is first asked for. */
export class HeldInMemory {
  private readonly made = new Map<Held<unknown>, unknown>();

  /** @param query asks what is committed */
  constructor(private readonly query: Query) {}

  of<T>(what: Held<T>): T {
    const key = what as Held<unknown>;
    if (!this.made.has(key)) this.made.set(key, what.make(this.query));
    return this.made.get(key) as T;
  }

  /** What was read of these tables is read again when it is next asked for. */
  changed(tables: ReadonlySet<TableName>): void {
    for (const [what, held] of this.made) if (what.follows?.some((one) => tables.has(one))) what.forget(held);
  }

  /** Everything is read again when it is next asked for. */
  forget(): void {
    for (const [what, held] of this.made) what.forget(held);
  }
}
