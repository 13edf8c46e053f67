import type { Sequelize } from 'sequelize';
import { defineBagChanges, defineBags, defineCuts, defineJobs } from './models/bags';
import { defineCustomers, defineReels, defineSpools } from './models/customers';
import {
  defineBenches,
  defineHouseChanges,
  defineHouseRules,
  defineRuleOverrides,
} from './models/house-rules';
import { defineLearned } from './models/learned';
import { definePeople, defineSessions } from './models/people';
import { defineMoves, definePieces, defineProducts } from './models/rack';
import { defineReelKinds } from './models/reel-kinds';
import { defineRecyclings } from './models/recycling';
import { defineFillLayers, defineFills, defineRunEvents, defineRuns } from './models/runs';
import { defineSoaks, defineTubs } from './models/tubs';
import { defineMassSamples, defineWeighings } from './models/weighing';

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
    massSamples: defineMassSamples(sequelize),
    weighings: defineWeighings(sequelize),
    tubs: defineTubs(sequelize),
    soaks: defineSoaks(sequelize),
    recyclings: defineRecyclings(sequelize),
    houseRules: defineHouseRules(sequelize),
    ruleOverrides: defineRuleOverrides(sequelize),
    houseChanges: defineHouseChanges(sequelize),
    benches: defineBenches(sequelize),
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
  };
  return tables;
}

export type Tables = ReturnType<typeof defineTables>;
