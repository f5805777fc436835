import type { Migration } from './migration'

/**
 * What is deleted rests in a bin; lists are searched, sorted and paged by columns that are kept beside the
 * documents; which class uses which paper is told without reading any. Each statement can be run again.
 */
export const up: Migration = async ({ context: tables }) => {
  const run = (sql: string) => tables.sequelize.query(sql)
  await run(`CREATE TABLE IF NOT EXISTS bin (
    id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    entity VARCHAR(10) NOT NULL,
    entity_key VARCHAR(80) NOT NULL,
    title VARCHAR(120) NOT NULL,
    document JSON NOT NULL,
    deleted_at DATETIME NOT NULL,
    KEY by_time (deleted_at),
    KEY by_entity (entity, entity_key)
  )`)
  await run(`CREATE TABLE IF NOT EXISTS uses (
    class_id INT UNSIGNED NOT NULL,
    paper VARCHAR(80) NOT NULL,
    PRIMARY KEY (class_id, paper),
    KEY by_paper (paper)
  )`)
  await run(`ALTER TABLE classes
    ADD COLUMN IF NOT EXISTS title VARCHAR(120) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS day CHAR(10) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS summary JSON NULL,
    ADD COLUMN IF NOT EXISTS stale BIGINT UNSIGNED NULL,
    ADD KEY IF NOT EXISTS by_day (day, id),
    ADD KEY IF NOT EXISTS by_stale (stale)`)
  await run(`UPDATE classes SET title = JSON_VALUE(document, '$.class.title'), day = JSON_VALUE(document,
  '$.class.date'),
    stale = position WHERE day = ''`)
  await run(`INSERT IGNORE INTO uses (class_id, paper)
    SELECT classes.id, named.paper FROM classes,
      JSON_TABLE(COALESCE(JSON_EXTRACT(document, '$.cards[*].papers.*'), '[]'),
      '$[*]' COLUMNS (paper VARCHAR(80) PATH '$')) AS named
    WHERE named.paper IS NOT NULL`)
  await run('ALTER TABLE papers ADD KEY IF NOT EXISTS by_kind (kind, name)')
  await run(`UPDATE variants JOIN (SELECT name, MIN(id) AS first FROM variants GROUP BY name) AS names
    ON names.name = variants.name AND names.first < variants.id
    SET variants.name = CONCAT(LEFT(variants.name, 108), ' (', variants.id, ')')`)
  await run('ALTER TABLE variants ADD UNIQUE KEY IF NOT EXISTS by_name (name)')
}

export const down: Migration = async () => {
  throw new Error('Go back by restoring the backup that was made before.')
}
