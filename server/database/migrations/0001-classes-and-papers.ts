import { DataTypes } from 'sequelize'
import type { Migration } from './migration'

export const up: Migration = async ({ context: tables }) => {
  const stamps = {
    created_at: { type: DataTypes.DATE, allowNull: false },
    updated_at: { type: DataTypes.DATE, allowNull: false },
    revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
  }
  await tables.createTable('papers', {
    key: { type: DataTypes.STRING(80), primaryKey: true },
    name: { type: DataTypes.STRING(120), allowNull: false },
    kind: { type: DataTypes.STRING(20), allowNull: false },
    weight: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    colour: { type: DataTypes.STRING(7), allowNull: false },
    motif: { type: DataTypes.STRING(20), allowNull: false },
    upright: { type: DataTypes.BOOLEAN, allowNull: false },
    stocks: { type: DataTypes.JSON, allowNull: false },
    ...stamps,
  })
  await tables.createTable('classes', {
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    document: { type: DataTypes.JSON, allowNull: false },
    ...stamps,
  })
}

export const down: Migration = async ({ context: tables }) => {
  await tables.dropTable('classes')
  await tables.dropTable('papers')
}
