import type { CutFigures } from '@yard-spool/contract';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface CutPinRow extends Model<InferAttributes<CutPinRow>, InferCreationAttributes<CutPinRow>> {
  jobId: number;
  layer: string;
  pieceId: number;
  at: Date;
  byId: number;
}

export interface CutPlanRow extends Model<InferAttributes<CutPlanRow>, InferCreationAttributes<CutPlanRow>> {
  id: CreationOptional<number>;
  at: Date;
  byId: number;
  /** Layers that were cut from another piece by it. */
  moved: number;
  beforeFigures: CutFigures;
  afterFigures: CutFigures;
}

export interface LineOrderRow extends Model<
  InferAttributes<LineOrderRow>,
  InferCreationAttributes<LineOrderRow>
> {
  id: CreationOptional<number>;
  productId: number;
  /** On one pack, and how many of it. */
  lengthMm: number;
  count: number;
  /** What one costs; null where nobody said. */
  minor: number | null;
  expectedAt: Date;
  at: Date;
  byId: number;
  state: CreationOptional<'open' | 'come' | 'cancelled'>;
  doneAt: CreationOptional<Date | null>;
}

export const defineLineOrders = (sequelize: Sequelize) =>
  sequelize.define<LineOrderRow>(
    'lineOrder',
    {
      id,
      productId: DataTypes.INTEGER,
      lengthMm: DataTypes.BIGINT,
      count: DataTypes.INTEGER,
      minor: DataTypes.INTEGER,
      expectedAt: DataTypes.DATE(3),
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      state: { type: DataTypes.STRING, defaultValue: 'open' },
      doneAt: DataTypes.DATE(3),
    },
    { tableName: 'line_orders' },
  );

export const defineCutPins = (sequelize: Sequelize) =>
  sequelize.define<CutPinRow>(
    'cutPin',
    {
      jobId: { type: DataTypes.INTEGER, primaryKey: true },
      layer: { type: DataTypes.STRING, primaryKey: true },
      pieceId: DataTypes.INTEGER,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'cut_pins' },
  );

export const defineCutPlans = (sequelize: Sequelize) =>
  sequelize.define<CutPlanRow>(
    'cutPlan',
    {
      id,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      moved: DataTypes.INTEGER,
      beforeFigures: DataTypes.JSON,
      afterFigures: DataTypes.JSON,
    },
    { tableName: 'cut_plans' },
  );
