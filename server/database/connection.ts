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
    // Documents come as text: who needs what one says reads it, and many only hand it on.
    dialectOptions: { connectTimeout: DEADLINES.connect, jsonStrings: true },
    logging: false,
    define: { underscored: true, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
    pool: { max: 10, acquire: hurried ? DEADLINES.wait : 60_000 },
    hooks: hurried
      ? {
          afterConnect: line =>
            new Promise<void>((resolve, reject) => {
              const { query } = line as { query: (sql: string, done: (error: Error | null) => void) => void }
              query.call(line, `SET SESSION max_statement_time = ${DEADLINES.query}`, error =>
                error ? reject(error) : resolve(),
              )
            }),
        }
      : {},
  })

/**
 * What may go wrong with a query, by the numbers of MariaDB: the driver has names of another database, which has not
 * all of these.
 */
const FAULTS = {
  /** One of two that waited for each other was undone. */
  deadlock: [1213],
  /** Waited too long: for a lock, for the end of a statement, or for one of the lines that the database allows. */
  busy: [1205, 1969, 3024, 1040, 1203],
  /** No room left to write to. */
  full: [1004, 1021, 1026, 1114, 1878],
  /** It is ending, or has cut the line. */
  away: [1053, 1927, 2006, 2013],
} as const

/** Whether that is what went wrong with a query. */
export const isFault = (error: unknown, fault: keyof typeof FAULTS): boolean =>
  error instanceof DatabaseError
  && 'errno' in error.parent
  && (FAULTS[fault] as readonly number[]).includes(Number(error.parent.errno))

/** The driver's name for what happened to a line; empty where something else went wrong. */
export const codeOf = (error: unknown): string =>
  error instanceof DatabaseError && 'code' in error.parent ? String(error.parent.code) : ''
