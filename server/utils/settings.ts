import type { Transaction } from 'sequelize'
import type { SettingsChange, StudioSettings } from '../../core/document'
import { DEFAULT_SETTINGS } from '../../core/document'
import { openSettings } from '../../core/document/open'
import { Settings, Studio } from '../database/models'
import { refusal } from './door'

/** The settings of the studio and how often they have been changed. What cannot be read any more gives way to the defaults. */
export async function readSettings(transaction?: Transaction): Promise<{ position: number, settings: StudioSettings }> {
  const row = await Settings.findByPk(1, { transaction })
  if (!row) return { position: 0, settings: DEFAULT_SETTINGS }
  const read = openSettings(row.document)
  return { position: Number(row.position), settings: read.ok ? read.value : DEFAULT_SETTINGS }
}

/** Keeps settings, unless somebody else has changed them since; answers their position. */
export async function keepSettings({ since, settings }: SettingsChange, transaction: Transaction): Promise<number> {
  // One after the other.
  await Studio.findByPk(1, { transaction, lock: transaction.LOCK.UPDATE })
  const now = await readSettings(transaction)
  if (now.position !== since)
    throw refusal(409, 'The settings have been changed in another window. They are shown here now; change them again.')
  await Settings.upsert({ id: 1, document: settings, position: since + 1 }, { transaction })
  return since + 1
}
