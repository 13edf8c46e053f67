import { DataTypes } from 'sequelize';

/** The key every table but the keyed ones has. */
export const id = { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true } as const;
