import type { Migration } from './migration'

/** What every new class of the studio starts with. */
export const up: Migration = async ({ context: tables }) => {
  await tables.sequelize.query(`CREATE TABLE IF NOT EXISTS settings (
    id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
    document JSON NOT NULL,
    position INT UNSIGNED NOT NULL
  )`)
}

export const down: Migration = async () => {
  throw new Error('Go back by restoring the backup that was made before.')
}
