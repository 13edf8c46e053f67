import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';

export interface DayWishRow extends Model<InferAttributes<DayWishRow>, InferCreationAttributes<DayWishRow>> {
  /** What it is asked of, by the name the day's order has for it. */
  operation: string;
  benchId: CreationOptional<number | null>;
  personId: CreationOptional<number | null>;
  earliest: CreationOptional<Date | null>;
  at: CreationOptional<Date | null>;
  /** Of a set: its reels are filled each by itself. */
  apart: CreationOptional<boolean>;
  madeAt: Date;
  byId: number;
}

export interface DayAwayRow extends Model<InferAttributes<DayAwayRow>, InferCreationAttributes<DayAwayRow>> {
  personId: number;
  until: Date;
}

export const defineDayWishes = (sequelize: Sequelize) =>
  sequelize.define<DayWishRow>(
    'dayWish',
    {
      operation: { type: DataTypes.STRING, primaryKey: true },
      benchId: DataTypes.INTEGER,
      personId: DataTypes.INTEGER,
      earliest: DataTypes.DATE(3),
      at: DataTypes.DATE(3),
      apart: { type: DataTypes.BOOLEAN, defaultValue: false },
      madeAt: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'day_wishes' },
  );

export const defineDayAways = (sequelize: Sequelize) =>
  sequelize.define<DayAwayRow>(
    'dayAway',
    { personId: { type: DataTypes.INTEGER, primaryKey: true }, until: DataTypes.DATE(3) },
    { tableName: 'day_aways' },
  );
