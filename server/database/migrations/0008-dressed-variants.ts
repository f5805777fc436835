import type { Migration } from './migration'

/** A variant keeps what is put on the card as well as its sizes. */
export const up: Migration = async ({ context: tables }) => {
  await tables.sequelize.query(
    `ALTER TABLE variants ADD COLUMN IF NOT EXISTS dressing JSON NOT NULL DEFAULT '{"faces":[],"free":[]}'`,
  )
}

export const down: Migration = async () => {
  throw new Error('Go back by restoring the backup that was made before.')
}
