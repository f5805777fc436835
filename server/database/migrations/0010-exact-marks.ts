import { REQUESTS } from '../requests'
import type { Migration } from './migration'

/**
 * Marks of changes are told apart letter by letter, and each keeps what it stood for. Figures of lists are worked out
 * by whichever instance takes them on, one at a time. What is asked for is counted where every instance sees it.
 */
export const up: Migration = async ({ context: tables }) => {
  const run = (sql: string) => tables.sequelize.query(sql)
  await run(`ALTER TABLE edits
    MODIFY COLUMN token VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    ADD COLUMN IF NOT EXISTS digest CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NULL`)
  await run('ALTER TABLE classes ADD COLUMN IF NOT EXISTS taken_on DATETIME(3) NULL')
  // As the limiter wants it.
  await run(`CREATE TABLE IF NOT EXISTS ${REQUESTS} (
    \`key\` VARCHAR(255) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    points INT NOT NULL DEFAULT 0,
    expire BIGINT UNSIGNED NULL
  )`)
}

export const down: Migration = async () => {
  throw new Error('Go back by restoring the backup that was made before.')
}
