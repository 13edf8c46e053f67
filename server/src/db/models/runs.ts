import type { Fill, FillLayer, Run, RunRules } from '@yard-spool/contract';
import type { RecordedMatch, LaidBelow, Lesson, Observation, RunEvent } from '@yard-spool/core';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface RunRow extends Model<InferAttributes<RunRow>, InferCreationAttributes<RunRow>> {
  id: CreationOptional<number>;
  jobId: number;
  benchId: number;
  state: CreationOptional<Run['state']>;
  openedAt: Date;
  closedAt: CreationOptional<Date | null>;
  madeUnder: RunRules;
}

export interface RunEventRow extends Model<
  InferAttributes<RunEventRow>,
  InferCreationAttributes<RunEventRow>
> {
  id: string;
  runId: number;
  seq: number;
  kind: RunEvent['kind'];
  at: Date;
  byId: number;
  /** Who sent it, where that is somebody else than whom it happened under. */
  sentById: CreationOptional<number | null>;
  payload: RunEvent['payload'];
}

export interface FillRow extends Model<InferAttributes<FillRow>, InferCreationAttributes<FillRow>> {
  id: CreationOptional<number>;
  runId: number;
  spoolId: number;
  closedAt: Date;
  byId: number;
  gapRead: string | null;
  gapByCount: number;
  spool: Fill['spool'];
  /** What the fill left behind of its spool: depths read, packs used up. */
  depths: Observation[];
  /** What it taught of packing and bulk; null where it could not be told. */
  lesson: CreationOptional<Lesson | null>;
  /** What lies under its line; null for a fill from before that was kept. */
  laid: CreationOptional<LaidBelow | null>;
  /** How its counter was set up; null where it has none, or was never walked. */
  counter: CreationOptional<RecordedMatch | null>;
  /** Since when its line lies there, where that is longer than the fill. */
  lineSince: CreationOptional<Date | null>;
  takenBackAt: CreationOptional<Date | null>;
}

export interface FillLayerRow extends Model<
  InferAttributes<FillLayerRow>,
  InferCreationAttributes<FillLayerRow>
> {
  id: CreationOptional<number>;
  fillId: number;
  position: number;
  layer: string;
  role: FillLayer['role'];
  line: FillLayer['line'];
  lineName: string;
  tint: string;
  pieceId: number | null;
  productId: CreationOptional<number | null>;
  lengthMm: number;
  likelyLowMm: CreationOptional<number | null>;
  likelyHighMm: CreationOptional<number | null>;
  restsOn: CreationOptional<FillLayer['restsOn'] | null>;
  handleTurns: number;
  innerRadius: number;
  outerRadius: number;
}

export const defineRuns = (sequelize: Sequelize) =>
  sequelize.define<RunRow>(
    'run',
    {
      id,
      jobId: DataTypes.INTEGER,
      benchId: DataTypes.INTEGER,
      state: { type: DataTypes.STRING, defaultValue: 'open' },
      openedAt: DataTypes.DATE(3),
      closedAt: DataTypes.DATE(3),
      madeUnder: DataTypes.JSON,
    },
    { tableName: 'runs' },
  );

export const defineRunEvents = (sequelize: Sequelize) =>
  sequelize.define<RunEventRow>(
    'runEvent',
    {
      runId: { type: DataTypes.INTEGER, primaryKey: true },
      seq: { type: DataTypes.INTEGER, primaryKey: true },
      id: DataTypes.STRING,
      kind: DataTypes.STRING,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      sentById: DataTypes.INTEGER,
      payload: DataTypes.JSON,
    },
    { tableName: 'run_events' },
  );

export const defineFills = (sequelize: Sequelize) =>
  sequelize.define<FillRow>(
    'fill',
    {
      id,
      runId: DataTypes.INTEGER,
      spoolId: DataTypes.INTEGER,
      closedAt: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      gapRead: DataTypes.DECIMAL(6, 3),
      gapByCount: DataTypes.DOUBLE,
      spool: DataTypes.JSON,
      depths: DataTypes.JSON,
      lesson: DataTypes.JSON,
      laid: DataTypes.JSON,
      counter: DataTypes.JSON,
      lineSince: DataTypes.DATE(3),
      takenBackAt: DataTypes.DATE(3),
    },
    { tableName: 'fills' },
  );

export const defineFillLayers = (sequelize: Sequelize) =>
  sequelize.define<FillLayerRow>(
    'fillLayer',
    {
      id,
      fillId: DataTypes.INTEGER,
      position: DataTypes.INTEGER,
      layer: DataTypes.STRING,
      role: DataTypes.STRING,
      line: DataTypes.JSON,
      lineName: DataTypes.STRING,
      tint: DataTypes.STRING,
      pieceId: DataTypes.INTEGER,
      productId: DataTypes.INTEGER,
      lengthMm: DataTypes.BIGINT,
      likelyLowMm: DataTypes.BIGINT,
      likelyHighMm: DataTypes.BIGINT,
      restsOn: DataTypes.JSON,
      handleTurns: DataTypes.DOUBLE,
      innerRadius: DataTypes.DOUBLE,
      outerRadius: DataTypes.DOUBLE,
    },
    { tableName: 'fill_layers' },
  );
