import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import type { Sequelize } from 'sequelize'
import { demoBatches } from '../../demo'
import { emptyBin } from '../utils/bin'
import { newMark, recorded } from '../utils/recorded'
import { addBatch } from '../utils/import'
import type { Recorded } from '../workers/saving'
import { writeBackup } from './backup'
import { connect } from './connection'
import { migrations } from './migrations'
import { Studio, defineModels } from './models'

/** Seconds that one start waits for another one to bring the tables up to date. */
const PATIENCE = 600

/**
 * Run by the start command before the server: brings the tables up to date and
 * loads the demo studio into a new database. Needs DATABASE_URL of a user
 * who may create tables. Of two that run at once, the second waits and finds everything done.
 */
async function bringUp(sequelize: Sequelize, url: string) {
  defineModels(sequelize)
  // The connection of the transaction holds the lock; the server lets go of it when the connection ends, however it
  // does.
  await sequelize.transaction(async (transaction) => {
    const [[lock]] = (await sequelize.query('SELECT GET_LOCK(\'wakaru-tables\', ?) AS held', {
      replacements: [PATIENCE],
      transaction,
    })) as unknown as [[{ held: number | null }]]
    if (lock.held !== 1) throw new Error('another start has been bringing the tables up to date for too long.')
    const isNew = await isFirstStart(sequelize)
    const steps = migrations(sequelize)
    const pending = await steps.pending()
    if (!isNew && pending[0]) await backUpBefore(pending[0].name, url)
    for (const [index, { name }] of pending.entries()) {
      console.log(`· Tables: ${name} (${index + 1} of ${pending.length}) …`)
      await steps.up({ to: name })
    }
    await begin(sequelize, isNew)
    await sequelize.query(`DROP TABLE IF EXISTS ${FIRST_START}`)
    await emptyBin()
    await sequelize.query('SELECT RELEASE_LOCK(\'wakaru-tables\')', { transaction })
  })
}

/** Stands in the database from the beginning of its first start to the end of it, however often that is broken off. */
const FIRST_START = 'first_start'

async function isFirstStart(sequelize: Sequelize): Promise<boolean> {
  const tables = (await sequelize.getQueryInterface().showAllTables()).map(table => String(table))
  if (tables.length > 0) return tables.includes(FIRST_START)
  await sequelize.query(`CREATE TABLE ${FIRST_START} (made DATETIME NOT NULL)`)
  return true
}

/** Keeps everything as it was; a start that was broken off has done so already. */
async function backUpBefore(migration: string, url: string) {
  const folder = process.env.WAKARU_BACKUPS
  if (!folder) return
  const ending = `-before-${migration}.backup`
  if (existsSync(folder) && readdirSync(folder).some(name => name.endsWith(ending))) return
  const file = join(folder, `wakaru-${new Date().toISOString().slice(0, 10)}${ending}`)
  console.log(`· Backup before the tables change: ${file}`)
  await writeBackup(url, file)
}

/** A new studio gets the demo, or begins empty where that was asked for; either is decided once and for all. */
async function begin(sequelize: Sequelize, isNew: boolean) {
  const studio = await Studio.findByPk(1)
  if (!studio || studio.begun) return
  const demo = isNew && process.env.WAKARU_DEMO !== 'none'
  await recorded(sequelize, 'begin the studio', { token: newMark() }, async (transaction, position) => {
    const changes: Recorded[] = []
    for (const batch of demo ? demoBatches(new Date()) : []) {
      for (const change of (await addBatch(batch, transaction, position)).changes) {
        if (!changes.some(({ entity, entityKey }) => entity === change.entity && entityKey === change.entityKey))
          changes.push(change)
      }
    }
    await Studio.update({ begun: true }, { where: { id: 1 }, transaction })
    return { changes, answer: undefined }
  })
  if (demo) console.log('· Demo studio loaded: the Ferry Lane Paper Room.')
}

const url = process.env.DATABASE_URL ?? ''
const sequelize = connect(url)
void bringUp(sequelize, url)
  .catch((error: Error) => {
    console.error(`The database could not be prepared: ${error.message}`)
    process.exitCode = 1
  })
  .finally(() => sequelize.close())
