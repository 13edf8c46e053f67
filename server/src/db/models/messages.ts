import type { MessageKind, MessageState } from '@yard-spool/contract';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

/** Something to tell a customer. It is sent by hand, or dropped; it is never removed. */
export interface MessageRow extends Model<InferAttributes<MessageRow>, InferCreationAttributes<MessageRow>> {
  id: CreationOptional<number>;
  kind: MessageKind;
  customerId: number;
  bagId: CreationOptional<number | null>;
  fillId: CreationOptional<number | null>;
  text: string;
  state: CreationOptional<MessageState>;
  at: Date;
  byId: number;
  doneAt: CreationOptional<Date | null>;
  doneById: CreationOptional<number | null>;
  version: CreationOptional<number>;
}

/** The calendar's secret address, as a hash. There is one or none. */
export interface CalendarRow extends Model<
  InferAttributes<CalendarRow>,
  InferCreationAttributes<CalendarRow>
> {
  id: number;
  hash: string;
  at: Date;
  byId: number;
}

export const defineMessages = (sequelize: Sequelize) =>
  sequelize.define<MessageRow>(
    'message',
    {
      id,
      kind: DataTypes.STRING,
      customerId: DataTypes.INTEGER,
      bagId: DataTypes.INTEGER,
      fillId: DataTypes.INTEGER,
      text: DataTypes.STRING(3000),
      state: { type: DataTypes.STRING, defaultValue: 'waiting' },
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      doneAt: DataTypes.DATE(3),
      doneById: DataTypes.INTEGER,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'messages' },
  );

export const defineCalendars = (sequelize: Sequelize) =>
  sequelize.define<CalendarRow>(
    'calendar',
    {
      id: { type: DataTypes.INTEGER, primaryKey: true },
      hash: DataTypes.STRING,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
    },
    { tableName: 'calendars' },
  );
