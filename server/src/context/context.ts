import { PROOF_MINUTES, type Person } from '@yard-spool/contract';
import { EventEmitter } from 'node:events';
import { QueryTypes, type Attributes, type Model, type Sequelize, type WhereOptions } from 'sequelize';
import { systemClock, type Clock } from '../clock';
import type { Table } from '../db/table';
import { defineModels, readTables, type Models, type ReadTables, type Tables } from '../db/tables';
import { Behind } from './behind';
import { nobodyListens, type Happened } from './happened';
import { HeldInMemory } from './held';
import { TODAYS_COST, type ScryptCost } from './passcode-cost';
import type { Query } from './query';

/** A row with fields that do not fit their schema: never what stands in them. */
export interface Unread {
  readonly table: string;
  readonly key: string;
  readonly fields: readonly string[];
}

/** What a service that only reads is given. Outside a change it reads what is committed, inside one what stands there. */
export interface Reading {
  readonly tables: ReadTables;
  readonly clock: Clock;
  /** What the rooms hold in memory of the database. */
  readonly held: HeldInMemory;
  /** Told of what stands in the books and cannot be read. */
  readonly tellUnread: (found: Unread) => void;
  readonly query: Query;
}

/** What is said where a row is gone, and where somebody changed it since it was looked at. */
interface LockWords {
  readonly gone: string;
  readonly changed: string;
}

/** One change of the shop's books: its tables, who makes it, and when. All of it is kept, or none. */
export interface Unit extends Reading {
  readonly tables: Tables;
  /** Who makes the change. */
  readonly actor: Person;
  /** Rings once the change is kept. */
  readonly notifier: EventEmitter;
  /**
   * A row under its lock, on the version that was looked at.
   *
   * @throws `not-found` or `stale-version`, in the words given
   */
  readonly lockVersioned: <Row extends Model & { version: number }>(
    table: Table<Row>,
    which: number | WhereOptions<Attributes<Row>>,
    version: number,
    words: LockWords,
  ) => Promise<Row>;
  /** Does something once the change is kept, and not at all where it is not. */
  readonly afterCommit: (work: () => void) => void;
  /** Tells those who listen, in this change, of what it did. */
  readonly happened: Happened;
}

/** What the whole server shares: the database, the time, and what is told to those who listen. No HTTP in it. */
export interface ServerContext extends Reading {
  readonly sequelize: Sequelize;
  readonly models: Models;
  /** Sends `run:ID` whenever something was added to a run's log. */
  readonly notifier: EventEmitter;
  /** Where the bench scale sends its readings from, where there is one. */
  readonly scaleAddress?: { readonly host: string; readonly port: number } | undefined;
  /** Where files wait that somebody put there to be imported. */
  readonly inboxFolder?: string | undefined;
  /** What one passcode costs to try. */
  readonly passcodeCost: ScryptCost;
  /** How long a passcode that was typed stands for a manager's acts, minutes. */
  readonly proofMinutes: number;
  /** Told of what failed behind an answer and stopped nothing. */
  readonly tellFailed: (what: string, error: unknown) => void;
  /** What follows from changes and nobody waits for. */
  readonly behind: Behind;
  /** Who is told, inside a change, of what it did. */
  readonly listeners: (u: Unit) => Happened;
}

export function openContext(
  sequelize: Sequelize,
  clock: Clock = systemClock,
  {
    scaleAddress,
    inboxFolder,
    passcodeCost = TODAYS_COST,
    proofMinutes = PROOF_MINUTES,
    tellUnread = () => undefined,
    tellFailed = () => undefined,
    listeners = nobodyListens,
  }: Partial<
    Pick<
      ServerContext,
      | 'scaleAddress'
      | 'inboxFolder'
      | 'passcodeCost'
      | 'proofMinutes'
      | 'tellUnread'
      | 'tellFailed'
      | 'listeners'
    >
  > = {},
): ServerContext {
  const models = defineModels(sequelize);
  const query: ServerContext['query'] = (sql, values = {}) =>
    sequelize.query(sql, { type: QueryTypes.SELECT, replacements: { ...values } });
  return {
    sequelize,
    models,
    tables: readTables(models),
    clock,
    query,
    held: new HeldInMemory(query),
    notifier: new EventEmitter().setMaxListeners(0),
    scaleAddress,
    inboxFolder,
    passcodeCost,
    proofMinutes,
    tellUnread,
    tellFailed,
    behind: new Behind(tellFailed),
    listeners,
  };
}
