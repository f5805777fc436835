import type { InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { StoredDocument } from './json'
import { json } from './json'

/** The settings of the studio: one row, missing until somebody has changed them. */
export class Settings extends Model<InferAttributes<Settings>, InferCreationAttributes<Settings>> {
  declare id: number
  declare document: StoredDocument
  /** How often they have been changed. */
  declare position: number
}

export function defineSettings(sequelize: Sequelize): void {
  Settings.init({
    id: { type: DataTypes.TINYINT.UNSIGNED, primaryKey: true },
    document: json('document'),
    position: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
  }, { sequelize, tableName: 'settings', timestamps: false })
}
