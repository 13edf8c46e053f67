import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  id: CreationOptional<number>;
  name: string;
  role: 'technician' | 'manager';
  passcodeHash: string;
  createdAt: Date;
  leftAt: CreationOptional<Date | null>;
  version: CreationOptional<number>;
  /** What their authenticator makes codes from; null where signing in has no second step. */
  stepSecret: CreationOptional<string | null>;
  /** The same while no code of it was typed yet. */
  stepBegun: CreationOptional<string | null>;
  /** The half-minute of the last code that let somebody in: none is taken twice. */
  stepLast: CreationOptional<number | null>;
}

/** Of somebody who signs in by passcode alone. */
export const NO_SECOND_STEP = { stepSecret: null, stepBegun: null, stepLast: null } as const;

export interface SessionRow extends Model<InferAttributes<SessionRow>, InferCreationAttributes<SessionRow>> {
  tokenHash: string;
  personId: number;
  createdAt: Date;
  expiresAt: Date;
  /** When it was used last, to the minute. */
  seenAt: CreationOptional<Date | null>;
  /** When its person last typed their passcode; null for when it was made. */
  provedAt: CreationOptional<Date | null>;
  /** The device it was made at, and from where. */
  place: CreationOptional<string>;
}

export const definePeople = (sequelize: Sequelize) =>
  sequelize.define<PersonRow>(
    'person',
    {
      id,
      name: DataTypes.STRING,
      role: DataTypes.STRING,
      passcodeHash: DataTypes.STRING,
      createdAt: DataTypes.DATE(3),
      leftAt: DataTypes.DATE(3),
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
      stepSecret: DataTypes.STRING,
      stepBegun: DataTypes.STRING,
      stepLast: DataTypes.INTEGER,
    },
    { tableName: 'people' },
  );

export const defineSessions = (sequelize: Sequelize) =>
  sequelize.define<SessionRow>(
    'session',
    {
      tokenHash: { type: DataTypes.STRING, primaryKey: true },
      personId: DataTypes.INTEGER,
      createdAt: DataTypes.DATE(3),
      expiresAt: DataTypes.DATE(3),
      seenAt: DataTypes.DATE(3),
      provedAt: DataTypes.DATE(3),
      place: { type: DataTypes.STRING, defaultValue: '' },
    },
    { tableName: 'sessions' },
  );
