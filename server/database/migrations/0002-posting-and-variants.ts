import { DataTypes, QueryTypes } from 'sequelize'
import type { Migration } from '.'
import { DEFAULT_POST } from '../../../core/batch'

/** Classes learn how they are posted; makers keep variants of folds. */
export const up: Migration = async ({ context: tables }) => {
  await tables.createTable('variants', {
    id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    name: { type: DataTypes.STRING(120), allowNull: false },
    fold: { type: DataTypes.STRING(80), allowNull: false },
    units: { type: DataTypes.STRING(10), allowNull: false },
    parameters: { type: DataTypes.JSON, allowNull: false },
    created_at: { type: DataTypes.DATE, allowNull: false },
    updated_at: { type: DataTypes.DATE, allowNull: false },
  })
  const classes = await tables.sequelize.query<{ id: number, document: string | object }>('SELECT id, document FROM classes', { type: QueryTypes.SELECT })
  for (const { id, document: stored } of classes) {
    const document = typeof stored === 'string' ? JSON.parse(stored) : stored
    const changed = { ...document, cards: document.cards.map((card: object) => ({ envelope: '', ...card })), post: document.post ?? DEFAULT_POST }
    await tables.sequelize.query('UPDATE classes SET document = ? WHERE id = ?', { replacements: [JSON.stringify(changed), id], type: QueryTypes.UPDATE })
  }
}

export const down: Migration = async ({ context: tables }) => {
  await tables.dropTable('variants')
}
