import type { Sequelize } from 'sequelize'
import { connect } from '../database/connection'
import { defineModels } from '../database/models'

let opened: Sequelize | undefined

/** The studio's database, opened with the first request. */
export function useDatabase(): Sequelize {
  if (!opened) {
    opened = connect(useRuntimeConfig().databaseUrl, { hurried: true })
    defineModels(opened)
  }
  return opened
}
