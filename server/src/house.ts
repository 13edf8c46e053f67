import type { Sequelize } from 'sequelize';
import type { Clock } from './clock';
import { systemClock } from './clock';
import { EventEmitter } from 'node:events';
import { defineTables, type Tables } from './db/tables';

/** What every service is given: the database, its tables, and the time. Services know nothing of HTTP. */
export interface House {
  readonly sequelize: Sequelize;
  readonly tables: Tables;
  readonly clock: Clock;
  /** Rings `run:ID` whenever something was added to a run's log. */
  readonly bell: EventEmitter;
  /** Where the bench scale sends its readings from, where there is one. */
  readonly scaleAddress?: { readonly host: string; readonly port: number } | undefined;
}

export const openHouse = (
  sequelize: Sequelize,
  clock: Clock = systemClock,
  scaleAddress?: House['scaleAddress'],
): House => ({
  sequelize,
  tables: defineTables(sequelize),
  clock,
  bell: new EventEmitter().setMaxListeners(0),
  scaleAddress,
});
