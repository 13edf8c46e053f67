import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import type { ReelType } from '@yard-spool/core';
import { id } from './columns';

export interface CustomerRow extends Model<
  InferAttributes<CustomerRow>,
  InferCreationAttributes<CustomerRow>
> {
  id: CreationOptional<number>;
  name: string;
  contact: string;
  version: CreationOptional<number>;
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
  /** What tells it from others like it; empty where nobody said. */
  looks: CreationOptional<string>;
  seatReversed: CreationOptional<boolean>;
  /** Its gear as a fill showed it, and the run that did; null where its booking's stands. */
  gearFound: CreationOptional<number | null>;
  gearRunId: CreationOptional<number | null>;
  version: CreationOptional<number>;
}

export interface SpoolRow extends Model<InferAttributes<SpoolRow>, InferCreationAttributes<SpoolRow>> {
  id: CreationOptional<number>;
  reelId: number;
  name: CreationOptional<string>;
  /** What lies on it now; null where nothing of ours does. */
  fillId: CreationOptional<number | null>;
  /** mm that are gone off the top of that fill since. */
  offMm: CreationOptional<number>;
  /** When that is due by months alone, by trips alone (null until so many were told), and by whichever comes first. */
  ripeAt: CreationOptional<Date | null>;
  wornAt: CreationOptional<Date | null>;
  dueAt: CreationOptional<Date | null>;
  /** Since when too little is left on it to fish; null where enough is. */
  shortAt: CreationOptional<Date | null>;
  /** When its customer was told. */
  toldAt: CreationOptional<Date | null>;
  trips: CreationOptional<number | null>;
  reversedAt: CreationOptional<Date | null>;
}

export const defineCustomers = (sequelize: Sequelize) =>
  sequelize.define<CustomerRow>(
    'customer',
    {
      id,
      name: DataTypes.STRING,
      contact: DataTypes.STRING,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
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
      looks: { type: DataTypes.STRING, defaultValue: '' },
      seatReversed: { type: DataTypes.BOOLEAN, defaultValue: false },
      gearFound: DataTypes.DOUBLE,
      gearRunId: DataTypes.INTEGER,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'reels' },
  );

export const defineSpools = (sequelize: Sequelize) =>
  sequelize.define<SpoolRow>(
    'spool',
    {
      id,
      reelId: DataTypes.INTEGER,
      name: { type: DataTypes.STRING, defaultValue: 'own' },
      fillId: DataTypes.INTEGER,
      offMm: { type: DataTypes.INTEGER, defaultValue: 0 },
      ripeAt: DataTypes.DATE(3),
      wornAt: DataTypes.DATE(3),
      dueAt: DataTypes.DATE(3),
      shortAt: DataTypes.DATE(3),
      toldAt: DataTypes.DATE(3),
      trips: DataTypes.INTEGER,
      reversedAt: DataTypes.DATE(3),
    },
    { tableName: 'spools' },
  );
