import type { HouseRules } from '@yard-spool/core';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface HouseRulesRow extends Model<
  InferAttributes<HouseRulesRow>,
  InferCreationAttributes<HouseRulesRow>
> {
  id: CreationOptional<number>;
  rules: HouseRules;
  money: CreationOptional<string>;
  version: CreationOptional<number>;
}

/** Until the shop says otherwise. */
export const USUAL_MONEY = '€';

export const defineHouseRules = (sequelize: Sequelize) =>
  sequelize.define<HouseRulesRow>(
    'houseRules',
    {
      id,
      rules: DataTypes.JSON,
      money: { type: DataTypes.STRING, defaultValue: USUAL_MONEY },
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'house_rules' },
  );
