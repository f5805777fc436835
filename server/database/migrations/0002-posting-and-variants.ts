import { DataTypes } from 'sequelize'
import type { Migration } from './migration'

/** Makers keep variants of folds. */
export const up: Migration = async ({ context: tables }) => {
  await tables.createTable('variants', {
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    name: { type: DataTypes.STRING(120), allowNull: false },
    fold: { type: DataTypes.STRING(80), allowNull: false },
    units: { type: DataTypes.STRING(10), allowNull: false },
    parameters: { type: DataTypes.JSON, allowNull: false },
    created_at: { type: DataTypes.DATE, allowNull: false },
    updated_at: { type: DataTypes.DATE, allowNull: false },
  })
}

export const down: Migration = async ({ context: tables }) => {
  await tables.dropTable('variants')
}
