import type { ParameterInputs } from '../../../core/document'
import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { Units } from '../../../core/lengths'
import { json } from './json'

/** A fold with the maker's own parameters and dressing, or a free piece by itself without a fold, kept under a name. */
export class Variant extends Model<InferAttributes<Variant>, InferCreationAttributes<Variant>> {
  declare id: CreationOptional<number>
  declare name: string
  declare fold: string
  declare units: Units
  declare parameters: ParameterInputs
  /** What is put on it, as it was kept; the document room opens it. */
  declare dressing: object
}

export function defineVariant(sequelize: Sequelize): void {
  Variant.init({
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    name: { type: DataTypes.STRING(120), allowNull: false },
    fold: { type: DataTypes.STRING(80), allowNull: false },
    units: { type: DataTypes.STRING(10), allowNull: false },
    parameters: json('parameters'),
    dressing: json('dressing'),
  }, { sequelize, tableName: 'variants' })
}
