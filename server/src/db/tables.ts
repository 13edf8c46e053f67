import type { Model, ModelStatic, Sequelize, Transaction } from 'sequelize';
import { defineAnsweredRequests } from './models/answered-requests';
import { defineAudits } from './models/audits';
import { defineBagChanges, defineBags, defineCuts, defineJobs } from './models/bags';
import { defineCustomers, defineReels, defineSpools } from './models/customers';
import {
  defineBenches,
  defineCounters,
  defineHouseChanges,
  defineHouseRules,
  defineRuleExceptions,
} from './models/house-rules';
import { defineCutPins, defineCutPlans, defineLineOrders } from './models/cut-plans';
import { defineDayAways, defineDayWishes } from './models/day';
import { defineLearned } from './models/learned';
import { defineCalendars, defineMessages } from './models/messages';
import { definePeople, defineSessions } from './models/people';
import { defineMoves, definePieces, defineProducts } from './models/rack';
import {
  defineComebacks,
  defineFillMarks,
  defineFillVersions,
  defineReelChanges,
  defineReelTags,
  defineSearchWords,
} from './models/record';
import { defineReelKinds } from './models/reel-kinds';
import { defineRecyclings } from './models/recycling';
import { defineFillLayers, defineFills, defineRunEvents, defineRuns } from './models/runs';
import { defineSoaks, defineTubs } from './models/tubs';
import { defineMassSamples, defineWeighings } from './models/weighing';
import { ReadTable, Table } from './table';

/** Every table on one connection. */
export function defineModels(sequelize: Sequelize) {
  return {
    people: definePeople(sequelize),
    sessions: defineSessions(sequelize),
    answeredRequests: defineAnsweredRequests(sequelize),
    audits: defineAudits(sequelize),
    customers: defineCustomers(sequelize),
    reels: defineReels(sequelize),
    spools: defineSpools(sequelize),
    products: defineProducts(sequelize),
    pieces: definePieces(sequelize),
    moves: defineMoves(sequelize),
    massSamples: defineMassSamples(sequelize),
    weighings: defineWeighings(sequelize),
    tubs: defineTubs(sequelize),
    soaks: defineSoaks(sequelize),
    recyclings: defineRecyclings(sequelize),
    houseRules: defineHouseRules(sequelize),
    ruleExceptions: defineRuleExceptions(sequelize),
    houseChanges: defineHouseChanges(sequelize),
    benches: defineBenches(sequelize),
    counters: defineCounters(sequelize),
    dayWishes: defineDayWishes(sequelize),
    dayAways: defineDayAways(sequelize),
    cutPins: defineCutPins(sequelize),
    cutPlans: defineCutPlans(sequelize),
    lineOrders: defineLineOrders(sequelize),
    bags: defineBags(sequelize),
    bagChanges: defineBagChanges(sequelize),
    reelKinds: defineReelKinds(sequelize),
    jobs: defineJobs(sequelize),
    cuts: defineCuts(sequelize),
    runs: defineRuns(sequelize),
    runEvents: defineRunEvents(sequelize),
    fills: defineFills(sequelize),
    fillLayers: defineFillLayers(sequelize),
    learned: defineLearned(sequelize),
    reelTags: defineReelTags(sequelize),
    reelChanges: defineReelChanges(sequelize),
    fillVersions: defineFillVersions(sequelize),
    fillMarks: defineFillMarks(sequelize),
    comebacks: defineComebacks(sequelize),
    searchWords: defineSearchWords(sequelize),
    messages: defineMessages(sequelize),
    calendars: defineCalendars(sequelize),
  };
}

export type Models = ReturnType<typeof defineModels>;
export type TableName = keyof Models;

type RowOf<M> = M extends ModelStatic<infer Row extends Model> ? Row : never;

/** The tables as they are read. */
export type ReadTables = { readonly [K in keyof Models]: ReadTable<RowOf<Models[K]>> };
/** The tables inside a change. */
export type Tables = { readonly [K in keyof Models]: Table<RowOf<Models[K]>> };

const eachModel = (models: Models, make: (model: ModelStatic<Model>, name: TableName) => unknown): object =>
  Object.fromEntries(
    Object.entries(models).map(([name, model]) => [
      name,
      make(model as unknown as ModelStatic<Model>, name as TableName),
    ]),
  );

/** Tables that read what is committed. */
export const readTables = (models: Models): ReadTables =>
  eachModel(models, (model) => new ReadTable(model, null)) as ReadTables;

/**
 * Tables that read and write inside one transaction.
 *
 * @param wrote told of each table that is written
 */
export const boundTables = (
  models: Models,
  transaction: Transaction,
  wrote: (table: TableName) => void,
): Tables => eachModel(models, (model, name) => new Table(model, transaction, () => wrote(name))) as Tables;
