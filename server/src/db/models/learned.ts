import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';

/** One thing learned from closed fills, by what it is about. */
export interface LearnedRow extends Model<InferAttributes<LearnedRow>, InferCreationAttributes<LearnedRow>> {
  scope: 'kind' | 'line' | 'hand' | 'print';
  name: string;
  median: number;
  sd: number;
  fills: number;
  learnedAt: Date;
}

export const defineLearned = (sequelize: Sequelize) =>
  sequelize.define<LearnedRow>(
    'learned',
    {
      scope: { type: DataTypes.STRING, primaryKey: true },
      name: { type: DataTypes.STRING, primaryKey: true },
      median: DataTypes.DOUBLE,
      sd: DataTypes.DOUBLE,
      fills: DataTypes.INTEGER,
      learnedAt: DataTypes.DATE(3),
    },
    { tableName: 'learned' },
  );
