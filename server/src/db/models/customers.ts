import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import type { ReelType } from '@yard-spool/contract';
import { id } from './columns';

export interface CustomerRow extends Model<
  InferAttributes<CustomerRow>,
  InferCreationAttributes<CustomerRow>
> {
  id: CreationOptional<number>;
  name: string;
  contact: string;
}

export interface ReelTableRow extends Model<
  InferAttributes<ReelTableRow>,
  InferCreationAttributes<ReelTableRow>
> {
  id: CreationOptional<number>;
  tag: string;
  customerId: number;
  type: ReelType;
  label: string;
  seatReversed: CreationOptional<boolean>;
}

export interface SpoolRow extends Model<InferAttributes<SpoolRow>, InferCreationAttributes<SpoolRow>> {
  id: CreationOptional<number>;
  reelId: number;
  name: CreationOptional<string>;
}

export const defineCustomers = (sequelize: Sequelize) =>
  sequelize.define<CustomerRow>(
    'customer',
    { id, name: DataTypes.STRING, contact: DataTypes.STRING },
    { tableName: 'customers' },
  );

export const defineReels = (sequelize: Sequelize) =>
  sequelize.define<ReelTableRow>(
    'reel',
    {
      id,
      tag: DataTypes.STRING,
      customerId: DataTypes.INTEGER,
      type: DataTypes.STRING,
      label: DataTypes.STRING,
      seatReversed: { type: DataTypes.BOOLEAN, defaultValue: false },
    },
    { tableName: 'reels' },
  );

export const defineSpools = (sequelize: Sequelize) =>
  sequelize.define<SpoolRow>(
    'spool',
    { id, reelId: DataTypes.INTEGER, name: { type: DataTypes.STRING, defaultValue: 'own' } },
    { tableName: 'spools' },
  );
