import type { Bench, SavedHouseRules } from '@yard-spool/contract';
import type { ExceptionScope, Heard, HouseQuestion, HouseRules } from '@yard-spool/core';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface HouseRulesRow extends Model<
  InferAttributes<HouseRulesRow>,
  InferCreationAttributes<HouseRulesRow>
> {
  id: CreationOptional<number>;
  rules: HouseRules;
  money: CreationOptional<string>;
  tailMm: CreationOptional<number>;
  units: CreationOptional<SavedHouseRules['units']>;
  dayOrder: CreationOptional<SavedHouseRules['dayOrder']>;
  weekBegins: CreationOptional<number>;
  paper: CreationOptional<SavedHouseRules['paper']>;
  zone: CreationOptional<string>;
  /** Minutes without use after which somebody is signed out; 0 for never. */
  idleMinutes: CreationOptional<number>;
  hours: CreationOptional<SavedHouseRules['hours'] | null>;
  shopName: CreationOptional<string>;
  printer: CreationOptional<string>;
  wordings: CreationOptional<SavedHouseRules['wordings'] | null>;
  bins: CreationOptional<SavedHouseRules['bins'] | null>;
  cautions: CreationOptional<SavedHouseRules['cautions'] | null>;
  version: CreationOptional<number>;
}

/** Until the shop says otherwise. */
export const USUAL_MONEY = '€';

export const defineHouseRules = (sequelize: Sequelize) =>
  sequelize.define<HouseRulesRow>(
    'houseRules',
    {
      id,
      rules: DataTypes.JSON,
      money: { type: DataTypes.STRING, defaultValue: USUAL_MONEY },
      tailMm: { type: DataTypes.INTEGER, defaultValue: 2000 },
      units: { type: DataTypes.STRING, defaultValue: 'metric' },
      dayOrder: { type: DataTypes.STRING, defaultValue: 'day-first' },
      weekBegins: { type: DataTypes.INTEGER, defaultValue: 1 },
      paper: { type: DataTypes.STRING, defaultValue: 'A4' },
      zone: { type: DataTypes.STRING, defaultValue: '' },
      idleMinutes: { type: DataTypes.INTEGER, defaultValue: 240 },
      hours: DataTypes.JSON,
      shopName: { type: DataTypes.STRING, defaultValue: '' },
      printer: { type: DataTypes.STRING, defaultValue: '' },
      wordings: DataTypes.JSON,
      bins: DataTypes.JSON,
      cautions: DataTypes.JSON,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'house_rules' },
  );

export interface RuleExceptionRow extends Model<
  InferAttributes<RuleExceptionRow>,
  InferCreationAttributes<RuleExceptionRow>
> {
  id: CreationOptional<number>;
  scope: ExceptionScope;
  /** The sort of reel it is for, as `sortKey` has it. */
  sort: string | null;
  productId: number | null;
  customerId: number | null;
  reelId: number | null;
  question: HouseQuestion;
  school: string;
  why: string;
  at: Date;
  byId: number;
}

export interface HouseChangeRow extends Model<
  InferAttributes<HouseChangeRow>,
  InferCreationAttributes<HouseChangeRow>
> {
  id: CreationOptional<number>;
  at: Date;
  byId: number;
  about: string;
  was: string;
  isNow: string;
}

export interface BenchRow extends Model<InferAttributes<BenchRow>, InferCreationAttributes<BenchRow>> {
  id: CreationOptional<number>;
  name: string;
  spanMm: number;
  hand: Bench['hand'];
  pedal: CreationOptional<string>;
  devices: Bench['devices'];
  /** Taken away; runs made at it keep its name. */
  removed: CreationOptional<boolean>;
  /** The run that stands at it: the one somebody did something to here last. Its counter counts for it. */
  runId: CreationOptional<number | null>;
  version: CreationOptional<number>;
}

/** Which run a bench's counter was credited to last. */
export interface CounterRow extends Model<InferAttributes<CounterRow>, InferCreationAttributes<CounterRow>> {
  benchId: number;
  name: string;
  runId: number | null;
  heard: Heard | null;
}

export const defineRuleExceptions = (sequelize: Sequelize) =>
  sequelize.define<RuleExceptionRow>(
    'ruleException',
    {
      id,
      scope: DataTypes.STRING,
      sort: DataTypes.STRING,
      productId: DataTypes.INTEGER,
      customerId: DataTypes.INTEGER,
      reelId: DataTypes.INTEGER,
      question: DataTypes.STRING,
      school: DataTypes.STRING,
      why: DataTypes.STRING,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'rule_exceptions' },
  );

export const defineHouseChanges = (sequelize: Sequelize) =>
  sequelize.define<HouseChangeRow>(
    'houseChange',
    {
      id,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      about: DataTypes.STRING,
      was: DataTypes.STRING,
      isNow: DataTypes.STRING,
    },
    { tableName: 'house_changes' },
  );

export const defineBenches = (sequelize: Sequelize) =>
  sequelize.define<BenchRow>(
    'bench',
    {
      id,
      name: DataTypes.STRING,
      spanMm: DataTypes.INTEGER,
      hand: DataTypes.STRING,
      pedal: { type: DataTypes.STRING, defaultValue: '' },
      devices: DataTypes.JSON,
      removed: { type: DataTypes.BOOLEAN, defaultValue: false },
      runId: DataTypes.INTEGER,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'benches' },
  );

export const defineCounters = (sequelize: Sequelize) =>
  sequelize.define<CounterRow>(
    'counter',
    {
      benchId: { type: DataTypes.INTEGER, primaryKey: true },
      name: { type: DataTypes.STRING, primaryKey: true },
      runId: DataTypes.INTEGER,
      heard: DataTypes.JSON,
    },
    { tableName: 'counters' },
  );
