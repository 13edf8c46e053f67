import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

/** A measured length that was weighed. DECIMAL columns are strings when read. */
export interface MassSampleRow extends Model<
  InferAttributes<MassSampleRow>,
  InferCreationAttributes<MassSampleRow>
> {
  id: CreationOptional<number>;
  productId: number;
  lengthMm: number;
  grams: string;
  at: Date;
  byId: number;
}

/** A piece on the scale, kept with the range its metres had. */
export interface WeighingRow extends Model<
  InferAttributes<WeighingRow>,
  InferCreationAttributes<WeighingRow>
> {
  id: CreationOptional<number>;
  pieceId: number;
  grossG: string;
  tareG: string;
  source: 'typed' | 'scale';
  lowMm: number;
  lengthMm: number;
  highMm: number;
  at: Date;
  byId: number;
}

export const defineMassSamples = (sequelize: Sequelize) =>
  sequelize.define<MassSampleRow>(
    'massSample',
    {
      id,
      productId: DataTypes.INTEGER,
      lengthMm: DataTypes.BIGINT,
      grams: DataTypes.DECIMAL(9, 2),
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'mass_samples' },
  );

export const defineWeighings = (sequelize: Sequelize) =>
  sequelize.define<WeighingRow>(
    'weighing',
    {
      id,
      pieceId: DataTypes.INTEGER,
      grossG: DataTypes.DECIMAL(8, 1),
      tareG: DataTypes.DECIMAL(8, 1),
      source: DataTypes.STRING,
      lowMm: DataTypes.BIGINT,
      lengthMm: DataTypes.BIGINT,
      highMm: DataTypes.BIGINT,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'weighings' },
  );
