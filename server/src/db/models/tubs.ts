import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface TubRow extends Model<InferAttributes<TubRow>, InferCreationAttributes<TubRow>> {
  id: CreationOptional<number>;
  name: string;
  removed: CreationOptional<boolean>;
}

export interface SoakRow extends Model<InferAttributes<SoakRow>, InferCreationAttributes<SoakRow>> {
  id: CreationOptional<number>;
  tubId: number;
  pieceId: number;
  inAt: Date;
  byId: number;
  readyAt: Date;
  tooLongAt: Date;
  advice: string;
  why: string;
  outAt: CreationOptional<Date | null>;
  outById: CreationOptional<number | null>;
}

export const defineTubs = (sequelize: Sequelize) =>
  sequelize.define<TubRow>(
    'tub',
    { id, name: DataTypes.STRING, removed: { type: DataTypes.BOOLEAN, defaultValue: false } },
    { tableName: 'tubs' },
  );

export const defineSoaks = (sequelize: Sequelize) =>
  sequelize.define<SoakRow>(
    'soak',
    {
      id,
      tubId: DataTypes.INTEGER,
      pieceId: DataTypes.INTEGER,
      inAt: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      readyAt: DataTypes.DATE(3),
      tooLongAt: DataTypes.DATE(3),
      advice: DataTypes.STRING,
      why: DataTypes.STRING,
      outAt: DataTypes.DATE(3),
      outById: DataTypes.INTEGER,
    },
    { tableName: 'soaks' },
  );
