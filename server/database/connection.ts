import mysql2 from 'mysql2'
import { Sequelize } from 'sequelize'

/** Opens the studio's database. The driver is handed over, so that a bundle carries it along. */
export const connect = (url: string): Sequelize => new Sequelize(url, {
  dialect: 'mysql',
  dialectModule: mysql2,
  logging: false,
  define: { underscored: true, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
  pool: { max: 5 },
})
