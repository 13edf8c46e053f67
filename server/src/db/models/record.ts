import type { Comeback, Fill, FillMark } from '@yard-spool/contract';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

/** A tag a reel had before: it still leads to it. */
export interface ReelTagRow extends Model<InferAttributes<ReelTagRow>, InferCreationAttributes<ReelTagRow>> {
  tag: string;
  reelId: number;
}

/** Something that was done to a reel's entry. Never edited, never removed. */
export interface ReelChangeRow extends Model<
  InferAttributes<ReelChangeRow>,
  InferCreationAttributes<ReelChangeRow>
> {
  id: CreationOptional<number>;
  reelId: number;
  at: Date;
  byId: number;
  what: string;
}

/** A fill as it was before it was put right. Never edited, never removed. */
export interface FillVersionRow extends Model<
  InferAttributes<FillVersionRow>,
  InferCreationAttributes<FillVersionRow>
> {
  id: CreationOptional<number>;
  fillId: number;
  at: Date;
  byId: number;
  why: string;
  was: Fill;
}

export interface FillMarkRow extends Model<
  InferAttributes<FillMarkRow>,
  InferCreationAttributes<FillMarkRow>
> {
  id: CreationOptional<number>;
  fillId: number;
  kind: FillMark['kind'];
  trips: CreationOptional<number | null>;
  /** mm gone off the top since it was filled, in all. */
  offMm: CreationOptional<number | null>;
  why: CreationOptional<string>;
  at: Date;
  byId: number;
}

export interface ComebackRow extends Model<
  InferAttributes<ComebackRow>,
  InferCreationAttributes<ComebackRow>
> {
  id: CreationOptional<number>;
  fillId: number;
  at: Date;
  byId: number;
  complaint: Comeback['complaint'];
  saw: string;
  cause: CreationOptional<Comeback['cause']>;
  found: CreationOptional<string>;
  did: CreationOptional<string>;
  fault: CreationOptional<Comeback['fault']>;
  second: CreationOptional<Comeback['second']>;
  looks: CreationOptional<Comeback['looks']>;
  worked: CreationOptional<boolean | null>;
  version: CreationOptional<number>;
}

/** What words can be searched for. */
export const WORD_KINDS = ['reel', 'customer', 'line', 'piece', 'bag', 'note'] as const;
export type WordKind = (typeof WORD_KINDS)[number];

export interface SearchWordRow extends Model<
  InferAttributes<SearchWordRow>,
  InferCreationAttributes<SearchWordRow>
> {
  kind: WordKind;
  word: string;
  ref: number;
}

export const defineReelTags = (sequelize: Sequelize) =>
  sequelize.define<ReelTagRow>(
    'reelTag',
    { tag: { type: DataTypes.STRING, primaryKey: true }, reelId: DataTypes.INTEGER },
    { tableName: 'reel_tags' },
  );

export const defineReelChanges = (sequelize: Sequelize) =>
  sequelize.define<ReelChangeRow>(
    'reelChange',
    {
      id,
      reelId: DataTypes.INTEGER,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      what: DataTypes.STRING,
    },
    { tableName: 'reel_changes' },
  );

export const defineFillVersions = (sequelize: Sequelize) =>
  sequelize.define<FillVersionRow>(
    'fillVersion',
    {
      id,
      fillId: DataTypes.INTEGER,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      why: DataTypes.STRING,
      was: DataTypes.JSON,
    },
    { tableName: 'fill_versions' },
  );

export const defineFillMarks = (sequelize: Sequelize) =>
  sequelize.define<FillMarkRow>(
    'fillMark',
    {
      id,
      fillId: DataTypes.INTEGER,
      kind: DataTypes.STRING,
      trips: DataTypes.INTEGER,
      offMm: DataTypes.INTEGER,
      why: { type: DataTypes.STRING, defaultValue: '' },
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'fill_marks' },
  );

export const defineComebacks = (sequelize: Sequelize) =>
  sequelize.define<ComebackRow>(
    'comeback',
    {
      id,
      fillId: DataTypes.INTEGER,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      complaint: DataTypes.STRING,
      saw: DataTypes.STRING,
      cause: DataTypes.STRING,
      found: { type: DataTypes.STRING, defaultValue: '' },
      did: { type: DataTypes.STRING, defaultValue: '' },
      fault: DataTypes.STRING,
      second: DataTypes.STRING,
      looks: { type: DataTypes.JSON, defaultValue: [] },
      worked: DataTypes.BOOLEAN,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'comebacks' },
  );

export const defineSearchWords = (sequelize: Sequelize) =>
  sequelize.define<SearchWordRow>(
    'searchWord',
    {
      kind: { type: DataTypes.STRING, primaryKey: true },
      word: { type: DataTypes.STRING, primaryKey: true },
      ref: { type: DataTypes.INTEGER, primaryKey: true },
    },
    { tableName: 'search_words' },
  );
