import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { StoredDocument } from './json'
import { json } from './json'

/** A paper on the shelf. Its document is the truth; name and kind stand beside it to sort by. */
export class StudioPaper extends Model<InferAttributes<StudioPaper>, InferCreationAttributes<StudioPaper>> {
  declare key: string
  declare name: string
  declare kind: string
  /** Everything that it is found by. */
  declare words: CreationOptional<string | null>
  declare document: StoredDocument
  declare position: number
}

export function defineStudioPaper(sequelize: Sequelize): void {
  StudioPaper.init({
    key: { type: DataTypes.STRING(80), primaryKey: true },
    name: { type: DataTypes.STRING(120), allowNull: false },
    kind: { type: DataTypes.STRING(20), allowNull: false },
    words: { type: DataTypes.TEXT, allowNull: true },
    document: json('document'),
    position: { type: DataTypes.BIGINT.UNSIGNED, allowNull: false },
  }, { sequelize, tableName: 'papers' })
}
