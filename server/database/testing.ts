import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Sequelize } from 'sequelize'
import { afterAll, beforeAll } from 'vitest'
import { startMariaDb } from '../../scripts/lib/database'
import { connect } from './connection'
import { defineModels } from './models'

interface TestDatabase {
  pid: number
  /** Of its owner. */
  url: string
  sequelize: Sequelize
  clear: () => Promise<void>
  stop: () => Promise<void>
}

/** The database of the tests of one file: there from before the first of them until after the last. */
export function databaseOfFile(): TestDatabase {
  const held = {} as TestDatabase
  beforeAll(async () => void Object.assign(held, await testDatabase()), 60_000)
  afterAll(() => held.stop())
  return held
}

/** A MariaDB of its own for the tests of one file, with nothing in it. */
async function testDatabase(): Promise<TestDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'wakaru-test-'))
  const database = await startMariaDb(folder)
  const sequelize = connect(database.ownerUrl)
  defineModels(sequelize)
  return {
    pid: database.pid,
    url: database.ownerUrl,
    sequelize,
    async clear() {
      for (const table of await sequelize.getQueryInterface().showAllTables()) {
        await sequelize.query(
          `DROP TABLE \`${typeof table === 'string' ? table : (table as { tableName: string }).tableName}\``,
        )
      }
    },
    async stop() {
      await sequelize.close()
      await database.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
