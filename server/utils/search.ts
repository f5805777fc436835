import type { WhereOptions } from 'sequelize'
import { Op, col, fn, where } from 'sequelize'

/** Rows with some words in a column, as they were typed: no letter of them means anything else. */
export const holding = (column: string, words: string): WhereOptions[] =>
  words.trim() === '' ? [] : [where(fn('LOCATE', words.trim(), col(column)), { [Op.gt]: 0 })]
