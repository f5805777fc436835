import { DataTypes, QueryTypes } from 'sequelize'
import type { Migration } from '.'
import { DEFAULT_PACE } from '../../../core/batch'

/** Papers learn their grain and keep offcuts; classes keep wishes and progress for the cutting of each paper. */
export const up: Migration = async ({ context: tables }) => {
  await tables.addColumn('papers', 'grain', { type: DataTypes.STRING(10), allowNull: false, defaultValue: 'any' })
  await tables.addColumn('papers', 'offcuts', { type: DataTypes.JSON, allowNull: true })
  await tables.sequelize.query('UPDATE papers SET offcuts = ?', { replacements: ['[]'], type: QueryTypes.UPDATE })
  const classes = await tables.sequelize.query<{ id: number, document: string | object }>('SELECT id, document FROM classes', { type: QueryTypes.SELECT })
  for (const { id, document: stored } of classes) {
    const document = typeof stored === 'string' ? JSON.parse(stored) : stored
    const changed = {
      ...document,
      tools: { kerf: '0 mm', pace: DEFAULT_PACE, ...document.tools },
      cutting: document.cutting ?? [],
      // What was called fewest sheets has always spent the least money first.
      wishes: { priority: document.wishes.priority === 'sheets' ? 'money' : document.wishes.priority },
    }
    await tables.sequelize.query('UPDATE classes SET document = ? WHERE id = ?', { replacements: [JSON.stringify(changed), id], type: QueryTypes.UPDATE })
  }
}

export const down: Migration = async ({ context: tables }) => {
  await tables.removeColumn('papers', 'offcuts')
  await tables.removeColumn('papers', 'grain')
}
