import type { InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'

/**
 * The answer to a problem that always has the same one: plans of a paper, a sharing. Whatever is lost here is found
 * again.
 */
export class Kept extends Model<InferAttributes<Kept>, InferCreationAttributes<Kept>> {
  /** Hash of the problem and of the version of what found it. */
  declare id: string
  declare text: string
  /** Characters of it. */
  declare size: number
  /** Day on which it was last asked for. */
  declare used: string
}

export function defineKept(sequelize: Sequelize): void {
  Kept.init({
    id: { type: DataTypes.CHAR(43), primaryKey: true },
    text: { type: DataTypes.TEXT('long'), allowNull: false },
    size: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    used: { type: DataTypes.DATEONLY, allowNull: false },
  }, { sequelize, tableName: 'kept', timestamps: false })
}
