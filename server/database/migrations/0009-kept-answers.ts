import type { Migration } from './migration'

/** Answers that always come out the same, under a hash of their problem. */
export const up: Migration = async ({ context: tables }) => {
  await tables.sequelize.query(`CREATE TABLE IF NOT EXISTS kept (
    id CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    text LONGTEXT NOT NULL,
    size INT UNSIGNED NOT NULL,
    used DATE NOT NULL,
    KEY kept_used (used, size)
  )`)
}

export const down: Migration = async () => {
  throw new Error('Go back by restoring the backup that was made before.')
}
