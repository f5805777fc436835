import { existsSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { BACKUPS, backupName, keep, mustFit, runningDatabase } from './lib/backups.mjs'
import { startMariaDb } from './lib/database.mjs'
import { checkNode, installMariaDb, installPackages } from './lib/install.mjs'
import { begun } from './lib/lifeline.mjs'
import { endOrphans } from './lib/running.mjs'
import { DATA, holdFolder } from './lib/serve.mjs'
import { Stop, main } from './lib/talk.mjs'

const HELP = `npm run backup [-- FILE]

Writes everything in the studio to one file, also while Wakaru runs. Without FILE it goes to .data/backups.
DATABASE_URL names a MariaDB server of your own.`

main(async () => {
  let given
  try {
    given = parseArgs({ allowPositionals: true, options: { help: { type: 'boolean' } } })
  }
  catch (error) {
    throw new Stop(`${error.message}\n\n${HELP}`)
  }
  if (given.values.help || given.positionals.length > 1) return console.log(HELP)
  const [name] = given.positionals
  const file
    = name === undefined
      ? join(BACKUPS, backupName(''))
      : isFolder(name)
        ? join(resolve(name), backupName(''))
        : resolve(name)
  if (existsSync(file)) throw new Stop(`${file} is there already. Give another name.`)
  checkNode()
  if (!process.env.DATABASE_URL) mustFit(file, DATA)
  await installPackages()
  const said = await keep('write', file, process.env.DATABASE_URL || (await ownDatabase()))
  await keep('check', file)
  console.log(
    `${file}\n${said}, ${Math.ceil(statSync(file).size / 1000)} kB, checked. npm run restore FILE brings it back.`,
  )
})

function isFolder(name) {
  return existsSync(name) && statSync(name).isDirectory()
}

/** The database that runs, or one that is started for the time being. */
async function ownDatabase() {
  const running = runningDatabase(DATA)
  if (running) return running
  if (!existsSync(join(DATA, 'data'))) throw new Stop('There is nothing to back up yet: Wakaru was never started here.')
  await installMariaDb()
  await holdFolder(DATA)
  await endOrphans(DATA)
  return (await startMariaDb(DATA, { spawned: (_, end) => begun(end) })).url
}
