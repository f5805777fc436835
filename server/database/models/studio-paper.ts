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
  declare grain: PaperEntry['grain']
  declare stocks: PaperEntry['stocks']
  declare offcuts: PaperEntry['offcuts']
  declare revision: CreationOptional<number>

  /** The paper as classes and files know it. */
  entry(): PaperEntry {
    const { key, name, kind, weight, colour, motif, upright, grain, stocks, offcuts } = this
    return { key, name, kind, weight, colour, motif, upright: Boolean(upright), grain, stocks, offcuts }
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
    grain: { type: DataTypes.STRING(10), allowNull: false },
    stocks: json('stocks'),
    offcuts: json('offcuts'),
    revision: DataTypes.INTEGER,
  }, { sequelize, tableName: 'papers', version: 'revision' })
}
