import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { ClassDocument } from '../../../core/batch'
import { json } from './json'

/** A class of the studio. Its document is the truth; `revision` counts the savings of it. */
export class StudioClass extends Model<InferAttributes<StudioClass>, InferCreationAttributes<StudioClass>> {
  declare id: CreationOptional<number>
  declare document: ClassDocument
  declare revision: CreationOptional<number>
  declare updatedAt: CreationOptional<Date>
}

export function defineStudioClass(sequelize: Sequelize): void {
  StudioClass.init({
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    document: json('document'),
    revision: DataTypes.INTEGER,
    updatedAt: DataTypes.DATE,
  }, { sequelize, tableName: 'classes', version: 'revision' })
}
