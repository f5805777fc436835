import type { ClassSummary } from '../../../core/kits'
import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { StoredDocument } from './json'
import { json } from './json'

/**
 * A class of the studio. Its document is the truth, in the version it was saved in; `position` is that of its last
 * change.
 */
export class StudioClass extends Model<InferAttributes<StudioClass>, InferCreationAttributes<StudioClass>> {
  declare id: CreationOptional<number>
  declare document: StoredDocument
  declare position: number
  /** What lists are sorted and searched by, as the document has it. */
  declare title: string
  declare day: string
  /** Key figures, once they were worked out. */
  declare summary: CreationOptional<ClassSummary | null>
  /** Position of a change since which the figures are not right; none where they are. */
  declare stale: CreationOptional<number | null>
  /** When an instance began to work the figures out; it may have ended since. */
  declare takenOn: CreationOptional<Date | null>
  declare updatedAt: CreationOptional<Date>
}

/** That a class uses a paper. */
export class PaperUse extends Model<InferAttributes<PaperUse>, InferCreationAttributes<PaperUse>> {
  declare classId: number
  declare paper: string
}

export function defineStudioClass(sequelize: Sequelize): void {
  StudioClass.init({
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    document: json('document'),
    position: { type: DataTypes.BIGINT.UNSIGNED, allowNull: false },
    title: { type: DataTypes.STRING(120), allowNull: false },
    day: { type: DataTypes.STRING(10), allowNull: false },
    summary: { ...json('summary'), allowNull: true },
    stale: { type: DataTypes.BIGINT.UNSIGNED, allowNull: true },
    takenOn: { type: DataTypes.DATE(3), allowNull: true },
    updatedAt: DataTypes.DATE,
  }, { sequelize, tableName: 'classes' })
  PaperUse.init({
    classId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true },
    paper: { type: DataTypes.STRING(80), primaryKey: true },
  }, { sequelize, tableName: 'uses', timestamps: false })
}
