import mysql2 from 'mysql2'
import { DatabaseError, Sequelize } from 'sequelize'

/** Milliseconds: to open a line, to wait for a free one; seconds that a query of the application may take. */
const DEADLINES = { connect: 3_000, wait: 5_000, query: 5 }

/**
 * Opens the studio's database. The driver is handed over, so that a bundle carries it along.
 * @param options `hurried`: somebody waits for every answer, and no query may take long
 */
export const connect = (url: string, { hurried = false } = {}): Sequelize =>
  new Sequelize(url, {
    dialect: 'mysql',
    dialectModule: mysql2,
    dialectOptions: { connectTimeout: DEADLINES.connect },
    logging: false,
    define: { underscored: true, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
    pool: { max: 10, acquire: hurried ? DEADLINES.wait : 60_000 },
    hooks: hurried
      ? {
          afterConnect: line =>
            new Promise<void>((resolve, reject) => {
              const { query } = line as { query: (sql: string, done: (error: Error | null) => void) => void }
              query.call(line, `SET SESSION max_statement_time = ${DEADLINES.query}`, error => (error ? reject(error) : resolve()))
            }),
        }
      : {},
  })

/** The driver's name for what went wrong with a query; empty where something else did. */
export const codeOf = (error: unknown): string =>
  error instanceof DatabaseError && 'code' in error.parent ? String(error.parent.code) : ''
