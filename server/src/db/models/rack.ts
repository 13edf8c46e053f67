import type { Move, Piece, Product } from '@yard-spool/contract';
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type Sequelize,
} from 'sequelize';
import { id } from './columns';

export interface ProductRow extends Model<InferAttributes<ProductRow>, InferCreationAttributes<ProductRow>> {
  id: CreationOptional<number>;
  code: string;
  name: string;
  material: Product['material'];
  /** DECIMAL, so a string when read. */
  diameter: string;
  strengthKg: string | null;
  tint: string;
  /** What its maker says; null where nobody wrote it down. */
  maker: CreationOptional<Product['maker'] | null>;
}

export interface PieceRow extends Model<InferAttributes<PieceRow>, InferCreationAttributes<PieceRow>> {
  id: CreationOptional<number>;
  code: string;
  productId: number;
  kind: Piece['kind'];
  place: string;
  receivedMm: number;
  lengthMm: number;
  opened: CreationOptional<boolean>;
  lot: CreationOptional<string>;
  priceMinor: CreationOptional<number | null>;
  /** DECIMAL, so strings when read. */
  tareG: CreationOptional<string | null>;
  flangeMm: CreationOptional<string | null>;
  coreMm: CreationOptional<string | null>;
  wound: CreationOptional<Piece['wound']>;
  leaves: CreationOptional<Piece['leaves']>;
  newOn: CreationOptional<string | null>;
  writtenOff: CreationOptional<boolean>;
  /** What its maker's bar code says, where it was scanned. */
  packCode: CreationOptional<string | null>;
  /** The bag a customer's own line was brought with. */
  broughtWith: CreationOptional<number | null>;
  version: CreationOptional<number>;
}

export interface MoveRow extends Model<InferAttributes<MoveRow>, InferCreationAttributes<MoveRow>> {
  id: CreationOptional<number>;
  pieceId: number;
  kind: Move['kind'];
  lengthMm: number;
  at: Date;
  byId: number;
  why: string;
  runId: number | null;
}

export const defineProducts = (sequelize: Sequelize) =>
  sequelize.define<ProductRow>(
    'product',
    {
      id,
      code: DataTypes.STRING,
      name: DataTypes.STRING,
      material: DataTypes.STRING,
      diameter: DataTypes.DECIMAL(6, 4),
      strengthKg: DataTypes.DECIMAL(7, 3),
      tint: DataTypes.STRING,
      maker: DataTypes.JSON,
    },
    { tableName: 'products' },
  );

export const definePieces = (sequelize: Sequelize) =>
  sequelize.define<PieceRow>(
    'piece',
    {
      id,
      code: DataTypes.STRING,
      productId: DataTypes.INTEGER,
      kind: DataTypes.STRING,
      place: DataTypes.STRING,
      receivedMm: DataTypes.BIGINT,
      lengthMm: DataTypes.BIGINT,
      opened: { type: DataTypes.BOOLEAN, defaultValue: false },
      lot: { type: DataTypes.STRING, defaultValue: '' },
      priceMinor: DataTypes.INTEGER,
      tareG: DataTypes.DECIMAL(8, 1),
      flangeMm: DataTypes.DECIMAL(6, 1),
      coreMm: DataTypes.DECIMAL(6, 1),
      wound: { type: DataTypes.STRING, defaultValue: 'unknown' },
      leaves: { type: DataTypes.STRING, defaultValue: 'unknown' },
      newOn: DataTypes.DATEONLY,
      writtenOff: { type: DataTypes.BOOLEAN, defaultValue: false },
      packCode: DataTypes.STRING,
      broughtWith: DataTypes.INTEGER,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { tableName: 'pieces' },
  );

export const defineMoves = (sequelize: Sequelize) =>
  sequelize.define<MoveRow>(
    'move',
    {
      id,
      pieceId: DataTypes.INTEGER,
      kind: DataTypes.STRING,
      lengthMm: DataTypes.BIGINT,
      at: DataTypes.DATE(3),
      byId: DataTypes.INTEGER,
      why: DataTypes.STRING,
      runId: DataTypes.INTEGER,
    },
    { tableName: 'moves' },
  );
