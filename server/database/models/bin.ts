import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { StoredDocument } from './json'
import { json } from './json'

/** A class or paper that was deleted, as it was: it can be brought back for a while. */
export class Binned extends Model<InferAttributes<Binned>, InferCreationAttributes<Binned>> {
  declare id: CreationOptional<number>
  declare entity: 'class' | 'paper'
  declare entityKey: string
  declare title: string
  declare document: StoredDocument
  declare deletedAt: Date
}

export function defineBin(sequelize: Sequelize): void {
  Binned.init({
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    entity: { type: DataTypes.STRING(10), allowNull: false },
    entityKey: { type: DataTypes.STRING(80), allowNull: false },
    title: { type: DataTypes.STRING(120), allowNull: false },
    document: json('document'),
    deletedAt: { type: DataTypes.DATE, allowNull: false },
  }, { sequelize, tableName: 'bin', timestamps: false })
}
