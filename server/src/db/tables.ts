import type { Sequelize } from 'sequelize';
import { defineBags, defineCuts, defineJobs } from './models/bags';
import { defineCustomers, defineReels, defineSpools } from './models/customers';
import { definePeople, defineSessions } from './models/people';
import { defineMoves, definePieces, defineProducts } from './models/rack';
import { defineFillLayers, defineFills, defineRunEvents, defineRuns } from './models/runs';

/** Every table of the house on one connection, with the links that are read across. */
export function defineTables(sequelize: Sequelize) {
  const tables = {
    people: definePeople(sequelize),
    sessions: defineSessions(sequelize),
    customers: defineCustomers(sequelize),
    reels: defineReels(sequelize),
    spools: defineSpools(sequelize),
    products: defineProducts(sequelize),
    pieces: definePieces(sequelize),
    moves: defineMoves(sequelize),
    bags: defineBags(sequelize),
    jobs: defineJobs(sequelize),
    cuts: defineCuts(sequelize),
    runs: defineRuns(sequelize),
    runEvents: defineRunEvents(sequelize),
    fills: defineFills(sequelize),
    fillLayers: defineFillLayers(sequelize),
  };
  return tables;
}

export type Tables = ReturnType<typeof defineTables>;
