import type { NewRecycling } from '@yard-spool/contract';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface RecyclingRow extends Model<
  InferAttributes<RecyclingRow>,
  InferCreationAttributes<RecyclingRow>
> {
  id: CreationOptional<number>;
  stream: NewRecycling['stream'];
  /** DECIMAL, so a string when read. */
  grams: string;
  estimated: boolean;
  tubes: number;
  lengthMm: number | null;
  pieceId: number | null;
  runId: CreationOptional<number | null>;
  why: string;
  at: Date;
  byId: number;
}

export const defineRecyclings = (sequelize: Sequelize) =>
  sequelize.define<RecyclingRow>(
    'recycling',
    {
      id,
      stream: DataTypes.STRING,
      grams: DataTypes.DECIMAL(8, 1),
      estimated: DataTypes.BOOLEAN,
      tubes: DataTypes.INTEGER,
      lengthMm: DataTypes.BIGINT,
      pieceId: DataTypes.INTEGER,
      runId: DataTypes.INTEGER,
      why: DataTypes.STRING,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'recyclings' },
  );
