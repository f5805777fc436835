import type { Sequelize, Transaction } from 'sequelize'
import { Op, literal } from 'sequelize'

/** So many keys are listed in a statement; more of them are handed over as one text. */
const LISTED = 50

/** One of some keys, however many there are: a statement with thousands of them one by one takes long to be written. */
export const anyOf = (sequelize: Sequelize | undefined, keys: readonly string[]) =>
  keys.length <= LISTED || !sequelize
    ? { [Op.in]: [...keys] }
    : { [Op.in]: literal(
        `(SELECT id FROM JSON_TABLE(${sequelize.escape(JSON.stringify(keys))}, '$[*]' COLUMNS (id VARCHAR(80) PATH '$')) AS wanted)`,
      ),
      }

/**
 * Removes all rows that have one of these keys. They are joined, because a DELETE with `IN` would read the text with
 * the keys anew for every row.
 * @param where how a key is found, up to the key itself
 */
export async function removeAll(
  sequelize: Sequelize | undefined,
  table: 'papers' | 'bin',
  where: string,
  keys: readonly string[],
  transaction: Transaction,
): Promise<void> {
  await sequelize?.query(
    `DELETE ${table} FROM ${table} JOIN JSON_TABLE($1, '$[*]' COLUMNS (id VARCHAR(80) PATH '$')) AS gone ON ${where} = gone.id`,
    { bind: [JSON.stringify(keys)], transaction },
  )
}
