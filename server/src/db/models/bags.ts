import type { Job } from '@yard-spool/contract';
import type { Takes } from '@yard-spool/core';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface BagTableRow extends Model<
  InferAttributes<BagTableRow>,
  InferCreationAttributes<BagTableRow>
> {
  id: CreationOptional<number>;
  bookingKey: string;
  /** What the booking was sent with, as a hash; null in older ones. */
  bookingHash: CreationOptional<string | null>;
  customerId: number;
  promisedAt: Date;
  notes: string;
  bookedAt: Date;
  bookedById: number;
  version: CreationOptional<number>;
}

export interface JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  id: CreationOptional<number>;
  bagId: number;
  spoolId: number;
  position: number;
  state: CreationOptional<Job['state']>;
  planInput: Job['planInput'];
  plan: Job['plan'];
  wants: Job['wants'];
}

export interface BagChangeRow extends Model<
  InferAttributes<BagChangeRow>,
  InferCreationAttributes<BagChangeRow>
> {
  id: CreationOptional<number>;
  bagId: number;
  at: Date;
  byId: number;
  what: string;
}

export interface CutRow extends Model<InferAttributes<CutRow>, InferCreationAttributes<CutRow>> {
  id: CreationOptional<number>;
  jobId: number;
  layer: string;
  /** Its place among those of its layer: backing that is joined from two pieces has two. */
  nth: CreationOptional<number>;
  /** Null while its line has yet to come. */
  pieceId: number | null;
  productId: number;
  lengthMm: number;
  tailMm: number;
  takes: Takes | null;
}

export const defineBags = (sequelize: Sequelize) =>
  sequelize.define<BagTableRow>(
    'bag',
    {
      id,
      bookingKey: DataTypes.STRING,
      bookingHash: DataTypes.STRING,
      customerId: DataTypes.INTEGER,
      promisedAt: DataTypes.DATE(3),
      notes: DataTypes.STRING,
      bookedAt: DataTypes.DATE(3),
      bookedById: DataTypes.INTEGER,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'bags' },
  );

export const defineJobs = (sequelize: Sequelize) =>
  sequelize.define<JobRow>(
    'job',
    {
      id,
      bagId: DataTypes.INTEGER,
      spoolId: DataTypes.INTEGER,
      position: DataTypes.INTEGER,
      state: { type: DataTypes.STRING, defaultValue: 'booked' },
      planInput: DataTypes.JSON,
      plan: DataTypes.JSON,
      wants: DataTypes.JSON,
    },
    { tableName: 'jobs' },
  );

export const defineCuts = (sequelize: Sequelize) =>
  sequelize.define<CutRow>(
    'cut',
    {
      id,
      jobId: DataTypes.INTEGER,
      layer: DataTypes.STRING,
      nth: { type: DataTypes.TINYINT, defaultValue: 0 },
      pieceId: DataTypes.INTEGER,
      productId: DataTypes.INTEGER,
      lengthMm: DataTypes.BIGINT,
      tailMm: DataTypes.BIGINT,
      takes: DataTypes.JSON,
    },
    { tableName: 'cuts' },
  );

export const defineBagChanges = (sequelize: Sequelize) =>
  sequelize.define<BagChangeRow>(
    'bagChange',
    {
      id,
      bagId: DataTypes.INTEGER,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      what: DataTypes.STRING,
    },
    { tableName: 'bag_changes' },
  );
