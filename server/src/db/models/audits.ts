import type { AuditKind } from '@yard-spool/contract';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

/** Something about access that a manager may want to look up. Never edited, never removed. */
export interface AuditRow extends Model<InferAttributes<AuditRow>, InferCreationAttributes<AuditRow>> {
  id: CreationOptional<number>;
  at: Date;
  kind: AuditKind;
  /** Who it was, as they were called then; empty where nobody was signed in. */
  name: string;
  place: string;
  what: string;
}

export const defineAudits = (sequelize: Sequelize) =>
  sequelize.define<AuditRow>(
    'audit',
    {
      id,
      at: DataTypes.DATE(3),
      kind: DataTypes.STRING,
      name: DataTypes.STRING,
      place: DataTypes.STRING,
      what: DataTypes.STRING,
    },
    { tableName: 'audits' },
  );
