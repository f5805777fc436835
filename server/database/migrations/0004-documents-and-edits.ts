import type { Migration } from './migration'

/**
 * Papers become documents like classes, so that what they hold can change without a
 * change of tables. Every change of the studio has a position, and is kept as patches.
 * Each statement can be run again.
 */
export const up: Migration = async ({ context: tables }) => {
  const run = (sql: string) => tables.sequelize.query(sql)
  await run(`CREATE TABLE IF NOT EXISTS studio (
    id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
    position BIGINT UNSIGNED NOT NULL,
    begun BOOLEAN NOT NULL DEFAULT FALSE
  )`)
  await run('INSERT IGNORE INTO studio (id, position) VALUES (1, 0)')
  await run(`CREATE TABLE IF NOT EXISTS edits (
    position BIGINT UNSIGNED NOT NULL PRIMARY KEY,
    token VARCHAR(64) NOT NULL UNIQUE,
    label VARCHAR(200) NOT NULL,
    created_at DATETIME NOT NULL
  )`)
  await run(`CREATE TABLE IF NOT EXISTS changes (
    position BIGINT UNSIGNED NOT NULL,
    entity VARCHAR(10) NOT NULL,
    entity_key VARCHAR(80) NOT NULL,
    patches JSON NOT NULL,
    PRIMARY KEY (entity, entity_key, position),
    KEY by_position (position)
  )`)
  await run(
    'ALTER TABLE classes ADD COLUMN IF NOT EXISTS position BIGINT UNSIGNED NOT NULL DEFAULT 0, DROP COLUMN IF EXISTS revision',
  )
  await run(
    'ALTER TABLE papers ADD COLUMN IF NOT EXISTS position BIGINT UNSIGNED NOT NULL DEFAULT 0, ADD COLUMN IF NOT EXISTS document JSON NULL',
  )
  const columns = await tables.describeTable('papers')
  if (!('weight' in columns)) return
  await run(`UPDATE papers SET document = JSON_OBJECT(
    'version', 1, 'key', \`key\`, 'name', name, 'kind', kind, 'weight', weight, 'colour', colour, 'motif', motif,
    'upright', JSON_EXTRACT(IF(upright, 'true', 'false'), '$'), 'grain', grain,
    'stocks', JSON_EXTRACT(stocks, '$'), 'offcuts', JSON_EXTRACT(COALESCE(offcuts, '[]'), '$')
  ) WHERE document IS NULL`)
  await run(`ALTER TABLE papers MODIFY COLUMN document JSON NOT NULL, DROP COLUMN weight, DROP COLUMN colour,
  DROP COLUMN motif,
    DROP COLUMN upright, DROP COLUMN grain, DROP COLUMN stocks, DROP COLUMN offcuts, DROP COLUMN revision`)
}

export const down: Migration = async () => {
  throw new Error('Papers are documents from here on; go back by restoring a copy of the database.')
}
