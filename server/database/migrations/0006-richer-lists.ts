import type { Migration } from './migration'

/**
 * The list of classes shows more than it did: the figures of every class are worked out anew when somebody asks for
 * them.
 */
export const up: Migration = async ({ context: tables }) => {
  await tables.sequelize.query('UPDATE classes SET stale = position, summary = NULL')
}

export const down: Migration = async () => {
  throw new Error('Go back by restoring the backup that was made before.')
}
