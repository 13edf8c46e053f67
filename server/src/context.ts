import { PROOF_MINUTES } from '@yard-spool/contract';
import { TODAYS_COST, type ScryptCost } from './people/passcode';
import { EventEmitter } from 'node:events';
import { QueryTypes, type Sequelize } from 'sequelize';
import { systemClock, type Clock } from './clock';
import type { KeptState } from './bench/kept-state';
import { defineModels, readTables, type Models, type ReadTables } from './db/tables';
import type { HeldHouse } from './house-rules/held-house';
import { KeptWords } from './search/kept-words';

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
  /** Open runs as they were folded last, by their numbers. */
  readonly states: Map<number, KeptState>;
  /** What the shop has settled, as it was read last. */
  readonly house: HeldHouse;
  /** The words everything is searched by. */
  readonly words: KeptWords;
  /** Told of what stands in the books and cannot be read. */
  readonly tellUnread: (found: Unread) => void;
  /** Rows of a query that spans tables; values stand in it by their names, `:name`. */
  readonly query: <T extends object>(sql: string, values?: Readonly<Record<string, unknown>>) => Promise<T[]>;
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
  }: Partial<
    Pick<
      ServerContext,
      'scaleAddress' | 'inboxFolder' | 'passcodeCost' | 'proofMinutes' | 'tellUnread' | 'tellFailed'
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
    states: new Map(),
    house: { settled: null },
    words: new KeptWords(query),
    notifier: new EventEmitter().setMaxListeners(0),
    scaleAddress,
    inboxFolder,
    passcodeCost,
    proofMinutes,
    tellUnread,
    tellFailed,
  };
}
