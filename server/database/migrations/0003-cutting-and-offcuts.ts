import type { Migration } from './migration'

/** Papers learn their grain and keep offcuts. */
export const up: Migration = async ({ context: tables }) => {
  await tables.sequelize.query(
    'ALTER TABLE papers ADD COLUMN IF NOT EXISTS grain VARCHAR(10) NOT NULL DEFAULT \'any\', ADD COLUMN IF NOT EXISTS offcuts JSON NULL',
  )
  await tables.sequelize.query('UPDATE papers SET offcuts = \'[]\' WHERE offcuts IS NULL')
}

export const down: Migration = async ({ context: tables }) => {
  await tables.sequelize.query('ALTER TABLE papers DROP COLUMN IF EXISTS offcuts, DROP COLUMN IF EXISTS grain')
}
