import type { QueryInterface } from 'sequelize'

/**
 * Touches tables only, and can be run again after it was broken off; documents are brought up to date when they are
 * read.
 */
export type Migration = (parameters: { context: QueryInterface }) => Promise<void>
