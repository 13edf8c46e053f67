import type { ReelKind } from '@yard-spool/contract';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface ReelKindRow extends Model<
  InferAttributes<ReelKindRow>,
  InferCreationAttributes<ReelKindRow>
> {
  id: CreationOptional<number>;
  type: ReelKind['type'];
  label: string;
  observations: ReelKind['observations'];
  gear: number;
  met: CreationOptional<number>;
  version: CreationOptional<number>;
}

export const defineReelKinds = (sequelize: Sequelize) =>
  sequelize.define<ReelKindRow>(
    'reelKind',
    {
      id,
      type: DataTypes.STRING,
      label: DataTypes.STRING,
      observations: DataTypes.JSON,
      gear: DataTypes.DOUBLE,
      met: { type: DataTypes.INTEGER, defaultValue: 0 },
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'reel_kinds' },
  );
