import { existsSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { BACKUPS, backupName, keep, mustFit, runningDatabase } from './lib/backups'
import { startMariaDb } from './lib/database'
import { installMariaDb } from './lib/install'
import { begun } from './lib/lifeline'
import { endOrphans } from './lib/running'
import { DATA, holdFolder } from './lib/serve'
import { given } from './lib/arguments'
import { Stop, main } from './lib/talk'

const HELP = `npm run backup [-- FILE]

Writes everything in the studio to one file, also while Wakaru runs. Without FILE it goes to .data/backups.
DATABASE_URL names a MariaDB server of your own.`

main(async () => {
  const { values, positionals } = given({ allowPositionals: true, options: { help: { type: 'boolean' } } }, HELP)
  if (values.help || positionals.length > 1) return console.log(HELP)
  const [name] = positionals
  const file
    = name === undefined
      ? join(BACKUPS, backupName(''))
      : isFolder(name)
        ? join(resolve(name), backupName(''))
        : resolve(name)
  if (existsSync(file)) throw new Stop(`${file} is there already. Give another name.`)
  if (!process.env.DATABASE_URL) mustFit(file, DATA)
  const said = await keep('write', file, process.env.DATABASE_URL || (await ownDatabase()))
  await keep('check', file)
  console.log(
    `${file}\n${said}, ${Math.ceil(statSync(file).size / 1000)} kB, checked. npm run restore FILE brings it back.`,
  )
})

function isFolder(name: string) {
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
