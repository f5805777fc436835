import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { StoredDocument } from './json'
import { json } from './json'

/** A class of the studio. Its document is the truth, in the version it was saved in; `position` is that of its last change. */
export class StudioClass extends Model<InferAttributes<StudioClass>, InferCreationAttributes<StudioClass>> {
  declare id: CreationOptional<number>
  declare document: StoredDocument
  declare position: number
  declare updatedAt: CreationOptional<Date>
}

export function defineStudioClass(sequelize: Sequelize): void {
  StudioClass.init({
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    document: json('document'),
    position: { type: DataTypes.BIGINT.UNSIGNED, allowNull: false },
    updatedAt: DataTypes.DATE,
  }, { sequelize, tableName: 'classes' })
}
