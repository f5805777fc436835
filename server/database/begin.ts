import type { Sequelize } from 'sequelize'
import { connect } from './connection'
import { Studio, defineModels } from './models'
import { migrations } from './migrations'
import { demoBatches } from '../../demo'
import type { Recorded } from '../utils/edits'
import { newToken, recorded } from '../utils/edits'
import { addBatch } from '../utils/import'

/**
 * Run by the start command before the server: brings the tables up to date and
 * loads the demo studio into a new database. Needs DATABASE_URL of a user
 * who may create tables.
 */
async function bringUp(sequelize: Sequelize) {
  defineModels(sequelize)
  const steps = migrations(sequelize)
  const before = await steps.executed()
  const done = await steps.up()
  console.log(done.length > 0 ? `Tables brought up to date (${done.map(({ name }) => name).join(', ')}).` : 'Tables are up to date.')
  await begin(sequelize, before.length > 0 && done.length > 0)
}

/** A new studio gets the demo, or begins empty where that was asked for; either is decided once and for all. */
async function begin(sequelize: Sequelize, isOlder: boolean) {
  const studio = await Studio.findByPk(1)
  if (!studio || studio.begun) return
  const demo = process.env.WAKARU_DEMO !== 'none' && !isOlder
  await recorded(sequelize, 'begin the studio', newToken(), async (transaction, position) => {
    const changes: Recorded[] = []
    for (const batch of demo ? demoBatches(new Date()) : []) {
      for (const change of (await addBatch(batch, transaction, position)).changes) {
        if (!changes.some(({ entity, entityKey }) => entity === change.entity && entityKey === change.entityKey)) changes.push(change)
      }
    }
    await Studio.update({ begun: true }, { where: { id: 1 }, transaction })
    return { changes, answer: undefined }
  })
  if (demo) console.log('Demo studio loaded: the Ferry Lane Paper Room.')
}

const sequelize = connect(process.env.DATABASE_URL ?? '')
void bringUp(sequelize)
  .catch((error: Error) => {
    console.error(`The database could not be prepared: ${error.message}`)
    process.exitCode = 1
  })
  .finally(() => sequelize.close())
