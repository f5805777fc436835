import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { PaperEntry } from '../../../core/batch'
import { json } from './json'

/** A paper on the shelf. */
export class StudioPaper extends Model<InferAttributes<StudioPaper>, InferCreationAttributes<StudioPaper>> implements PaperEntry {
  declare key: string
  declare name: string
  declare kind: PaperEntry['kind']
  declare weight: number
  declare colour: string
  declare motif: PaperEntry['motif']
  declare upright: boolean
  declare stocks: PaperEntry['stocks']
  declare revision: CreationOptional<number>

  /** The paper as classes and files know it. */
  entry(): PaperEntry {
    const { key, name, kind, weight, colour, motif, upright, stocks } = this
    return { key, name, kind, weight, colour, motif, upright: Boolean(upright), stocks }
  }
}

export function defineStudioPaper(sequelize: Sequelize): void {
  StudioPaper.init({
    key: { type: DataTypes.STRING(80), primaryKey: true },
    name: { type: DataTypes.STRING(120), allowNull: false },
    kind: { type: DataTypes.STRING(20), allowNull: false },
    weight: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    colour: { type: DataTypes.STRING(7), allowNull: false },
    motif: { type: DataTypes.STRING(20), allowNull: false },
    upright: { type: DataTypes.BOOLEAN, allowNull: false },
    stocks: json('stocks'),
    revision: DataTypes.INTEGER,
  }, { sequelize, tableName: 'papers', version: 'revision' })
}
