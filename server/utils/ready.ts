import mysql from 'mysql2'
import { DONE, MIGRATIONS } from '../database/migrations/names'

/** Milliseconds until a database that is silent counts as away. */
const DEADLINE = 1_000

/**
 * Whether the database answers and its tables are up to date. It is asked over a line of its own, so that neither
 * a database that is frozen nor a crowd at the others holds the answer.
 */
export function isReady(url: string): Promise<boolean> {
  const connection = mysql.createConnection({ uri: url, connectTimeout: DEADLINE })
  const ask = new Promise<boolean>((resolve) => {
    connection.on('error', () => resolve(false))
    connection.query(`SELECT name FROM ${DONE} ORDER BY name DESC LIMIT 1`, (error, rows) =>
      resolve(!error && (rows as { name: string }[])[0]?.name === MIGRATIONS.at(-1)))
  })
  const late = new Promise<boolean>(resolve => setTimeout(() => resolve(false), DEADLINE).unref())
  return Promise.race([ask, late]).finally(() => connection.destroy())
}
