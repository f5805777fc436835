import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { finishRestore, keep, restoreInto } from './lib/backups'
import { installMariaDb } from './lib/install'
import { endOrphans } from './lib/running'
import { DATA, holdFolder } from './lib/serve'
import { given } from './lib/arguments'
import { Stop, main } from './lib/talk'

const HELP = `npm run restore FILE [-- --yes]

Puts a backup in the place of everything in the studio. The backup is checked and read first; what was there before
stays in .data/studio under another name. DATABASE_URL names an empty database of your own to restore into.

  --yes   do not ask`

main(async () => {
  const { values, positionals } = given({
    allowPositionals: true, options: { yes: { type: 'boolean' }, help: { type: 'boolean' } },
  }, HELP)
  const [name] = positionals
  if (values.help || name === undefined || positionals.length > 1) {
    console.log(HELP)
    return values.help ? 0 : 2
  }
  const file = resolve(name)
  if (!existsSync(file)) throw new Stop(`There is no file ${file}.`)
  console.log(`The backup is whole: ${await keep('check', file)}.`)
  const elsewhere = process.env.DATABASE_URL
  if (elsewhere) return console.log(`Restored: ${await keep('restore', file, elsewhere)}.`)

  await installMariaDb()
  await holdFolder(DATA)
  await endOrphans(DATA)
  finishRestore(DATA)
  if (existsSync(join(DATA, 'data'))) await mustMeanIt(values.yes)
  const { said, old } = await restoreInto(DATA, file)
  console.log(`Restored: ${said}.${old ? ` What was there before is in ${old}.` : ''}\nStart Wakaru with npm start.`)
})

async function mustMeanIt(yes: boolean | undefined) {
  if (yes) return
  if (!process.stdin.isTTY)
    throw new Stop('There is a studio here already. Add -- --yes to put the backup in its place.')
  const terminal = createInterface({ input: process.stdin, output: process.stdout })
  const answer = await terminal.question('Put the backup in the place of everything in this studio? Type yes: ')
  terminal.close()
  if (answer.trim().toLowerCase() !== 'yes') throw new Stop('Nothing was changed.')
}
