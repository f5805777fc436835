import type { Migration } from './migration'

/**
 * What each class takes from the shelf, which answers would make that more exact once they are kept, and which papers
 * lie in which pads, and the words that papers are found by. All of it is worked out anew from classes and papers.
 */
export const up: Migration = async ({ context: tables }) => {
  const run = (sql: string) => tables.sequelize.query(sql)
  await run(`CREATE TABLE IF NOT EXISTS takes (
    class_id INT UNSIGNED NOT NULL PRIMARY KEY,
    takes LONGTEXT NOT NULL,
    missing LONGTEXT NOT NULL,
    planned TINYINT(1) NOT NULL
  )`)
  await run(`CREATE TABLE IF NOT EXISTS awaited (
    kept_id CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    class_id INT UNSIGNED NOT NULL,
    PRIMARY KEY (kept_id, class_id),
    KEY awaited_class (class_id)
  )`)
  // A pad is bought with the papers in it: a class that names one of them looks for its pads.
  await run(`CREATE TABLE IF NOT EXISTS holds (
    pad VARCHAR(80) NOT NULL,
    paper VARCHAR(80) NOT NULL,
    PRIMARY KEY (paper, pad),
    KEY holds_pad (pad)
  )`)
  // Papers are found by whatever is known of them.
  await run('ALTER TABLE papers ADD COLUMN IF NOT EXISTS words TEXT NULL')
  await run('UPDATE papers SET words = name WHERE words IS NULL')
  await run('UPDATE classes SET stale = position WHERE stale IS NULL')
}

export const down: Migration = async () => {
  throw new Error('Go back by restoring the backup that was made before.')
}
