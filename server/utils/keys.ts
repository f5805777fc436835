import type { Sequelize } from 'sequelize'
import { Op, literal } from 'sequelize'

/** So many keys are listed in a statement; more of them are handed over as one text. */
const LISTED = 50

/** One of some keys, however many there are: a statement with thousands of them one by one takes long to be written. */
export const oneOf = (sequelize: Sequelize | undefined, keys: readonly string[]) =>
  keys.length <= LISTED || !sequelize
    ? { [Op.in]: [...keys] }
    : { [Op.in]: literal(
        `(SELECT id FROM JSON_TABLE(${sequelize.escape(JSON.stringify(keys))}, '$[*]' COLUMNS (id VARCHAR(80) PATH '$')) AS wanted)`,
      ) }
