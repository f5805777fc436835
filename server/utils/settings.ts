import type { Transaction } from 'sequelize'
import type { SettingsChange, StudioSettings } from '../../core/document'
import { DEFAULT_SETTINGS, VERSION } from '../../core/document'
import { openSettings } from '../../core/document/open'
import { Settings, Studio } from '../database/models'
import { refusal } from './door'

/**
 * The settings of the studio, how often they have been changed, and what is wrong with what is kept where it cannot be
 * read.
 */
export interface KeptSettings {
  position: number
  /** The usual ones where what is kept cannot be read. */
  settings: StudioSettings
  unreadable?: string
}

export async function readSettings(transaction?: Transaction): Promise<KeptSettings> {
  const row = await Settings.findByPk(1, { transaction })
  if (!row) return { position: 0, settings: DEFAULT_SETTINGS }
  const read = openSettings(row.document)
  const position = Number(row.position)
  if (read.ok) return { position, settings: read.value }
  return {
    position, settings: DEFAULT_SETTINGS,
    unreadable: read.problems.map(({ path, problem }) => `${path}: ${problem}`).join('; '),
  }
}

/**
 * Keeps settings, unless somebody else has changed them since; answers their position. What cannot be read is not
 * written over by the way: who wants to begin anew says so, and even then it is set aside.
 */
export async function keepSettings(
  { since, settings, anew }: SettingsChange, transaction: Transaction,
): Promise<number> {
  // One after the other.
  await Studio.findByPk(1, { transaction, lock: transaction.LOCK.UPDATE })
  const now = await readSettings(transaction)
  if (now.position !== since)
    throw refusal(409, 'The settings have been changed in another window. They are shown here now; change them again.')
  if (now.unreadable !== undefined) {
    if (!anew)
      throw refusal(
        422, `The settings that are kept cannot be read (${now.unreadable}). Begin with the usual ones first.`,
      )
    const row = await Settings.findByPk(1, { transaction })
    // Behind the row that counts stand those that could not be read, so that nothing is lost.
    const id = await Settings.count({ transaction }) + 1
    if (row) await Settings.create({ id, document: row.document, position: since }, { transaction })
  }
  await Settings.upsert({ id: 1, document: { version: VERSION, ...settings }, position: since + 1 }, { transaction })
  return since + 1
}
