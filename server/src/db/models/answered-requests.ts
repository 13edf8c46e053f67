import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';

/** A request that made something, kept with what it made so that the same one sent again makes nothing. */
export interface AnsweredRequestRow extends Model<
  InferAttributes<AnsweredRequestRow>,
  InferCreationAttributes<AnsweredRequestRow>
> {
  /** Of its key and who sent it. */
  keyHash: string;
  /** Of its address and what it brought. */
  askedHash: string;
  at: Date;
  /** The answer as it was sent; null where the server ended before it was. */
  reply: CreationOptional<string | null>;
}

export const defineAnsweredRequests = (sequelize: Sequelize) =>
  sequelize.define<AnsweredRequestRow>(
    'answeredRequest',
    {
      keyHash: { type: DataTypes.STRING, primaryKey: true },
      askedHash: DataTypes.STRING,
      at: DataTypes.DATE(3),
      reply: DataTypes.TEXT('medium'),
    },
    { tableName: 'answered_requests' },
  );
