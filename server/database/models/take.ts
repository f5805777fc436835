import type { InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { Take } from '../../../core/reserved'
import { json } from './json'

/** What a class takes from the shelf, as it was last worked out. */
export class Takes extends Model<InferAttributes<Takes>, InferCreationAttributes<Takes>> {
  declare classId: number
  declare takes: Take[]
  /** Keys of papers that not everything can be cut from. */
  declare missing: string[]
  /** Whether all of it was planned to the end. */
  declare planned: boolean
}

/** That an answer would make more exact what a class takes, were it kept. */
export class Awaited extends Model<InferAttributes<Awaited>, InferCreationAttributes<Awaited>> {
  declare keptId: string
  declare classId: number
}

export function defineTakes(sequelize: Sequelize): void {
  Takes.init({
    classId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true },
    takes: json('takes'),
    missing: json('missing'),
    planned: { type: DataTypes.BOOLEAN, allowNull: false },
  }, { sequelize, tableName: 'takes', timestamps: false })
  Awaited.init({
    keptId: { type: DataTypes.CHAR(43), primaryKey: true },
    classId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true },
  }, { sequelize, tableName: 'awaited', timestamps: false })
}
