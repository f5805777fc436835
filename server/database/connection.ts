import mysql2 from 'mysql2'
import { DatabaseError, Sequelize } from 'sequelize'

/** Opens the studio's database. The driver is handed over, so that a bundle carries it along. */
export const connect = (url: string): Sequelize =>
  new Sequelize(url, {
    dialect: 'mysql',
    dialectModule: mysql2,
    logging: false,
    define: { underscored: true, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
    pool: { max: 5 },
  })

/** The driver's name for what went wrong with a query; empty where something else did. */
export const codeOf = (error: unknown): string =>
  error instanceof DatabaseError && 'code' in error.parent ? String(error.parent.code) : ''
