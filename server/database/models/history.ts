import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize'
import { DataTypes, Model } from 'sequelize'
import type { Patch } from '../../../core/document'
import { json } from './json'

/** The one row that every change locks: changes happen one after the other, and each has a position. */
export class Studio extends Model<InferAttributes<Studio>, InferCreationAttributes<Studio>> {
  declare id: number
  declare position: number
  /** Whether its beginning is done: with the demo, or empty. */
  declare begun: boolean
}

/** One change that somebody made: what it was called, and the sender's own mark of it. */
export class Edit extends Model<InferAttributes<Edit>, InferCreationAttributes<Edit>> {
  declare position: number
  declare token: string
  declare label: string
  /** Of what was changed; none of changes that were made before it was kept, and of those that nobody sends twice. */
  declare digest: CreationOptional<string | null>
}

/** What one edit changed in one class or paper. */
export class Change extends Model<InferAttributes<Change>, InferCreationAttributes<Change>> {
  declare position: number
  declare entity: 'class' | 'paper'
  declare entityKey: string
  declare patches: Patch[]
}

export function defineHistory(sequelize: Sequelize): void {
  const position = { type: DataTypes.BIGINT.UNSIGNED, primaryKey: true }
  Studio.init({
    id: { type: DataTypes.TINYINT.UNSIGNED, primaryKey: true },
    position: { type: DataTypes.BIGINT.UNSIGNED, allowNull: false },
    begun: { type: DataTypes.BOOLEAN, allowNull: false },
  }, { sequelize, tableName: 'studio', timestamps: false })
  Edit.init({
    position, token: DataTypes.STRING(64), label: DataTypes.STRING(200), digest: DataTypes.CHAR(64),
  }, { sequelize, tableName: 'edits', updatedAt: false })
  Change.init({
    position,
    entity: { type: DataTypes.STRING(10), primaryKey: true },
    entityKey: { type: DataTypes.STRING(80), primaryKey: true },
    patches: json('patches'),
  }, { sequelize, tableName: 'changes', timestamps: false })
}
