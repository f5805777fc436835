import type { Sequelize } from 'sequelize'
import { connect } from './connection'
import { defineModels, StudioClass, StudioPaper } from './models'
import { migrations } from './migrations'
import { demoBatches } from '../../demo'
import { importBatch } from '../utils/import'

/**
 * Run by the start command before the server: brings the tables up to date and
 * loads the demo studio into an empty database. Needs DATABASE_URL of a user
 * who may create tables.
 */
async function prepare(sequelize: Sequelize) {
  defineModels(sequelize)
  const done = await migrations(sequelize).up()
  console.log(done.length > 0 ? `Tables brought up to date (${done.map(({ name }) => name).join(', ')}).` : 'Tables are up to date.')
  const empty = await StudioClass.count() === 0 && await StudioPaper.count() === 0
  if (empty && process.env.WAKARU_DEMO !== 'none') {
    for (const batch of demoBatches(new Date())) await importBatch(sequelize, batch)
    console.log('Demo studio loaded: the Ferry Lane Paper Room.')
  }
}

const sequelize = connect(process.env.DATABASE_URL ?? '')
void prepare(sequelize)
  .catch((error: Error) => {
    console.error(`The database could not be prepared: ${error.message}`)
    process.exitCode = 1
  })
  .finally(() => sequelize.close())
