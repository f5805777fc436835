import { cpus, totalmem } from 'node:os'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { installMariaDb } from './lib/install'
import { ROOT } from './lib/root'
import { buildApplication } from './lib/sources'
import { given } from './lib/arguments'
import { Stop, main, say } from './lib/talk'
import { load } from './torture/load'
import { badRequests, lists } from './torture/requests'
import { work } from './torture/work'
import { backups, migrations, saving, starts } from './torture/kills'
import type { Options, Row } from './torture/parts'
import { probing } from './torture/probing'
import { recount } from './torture/recount'

const PARTS: Record<string, (options: Options) => Promise<Row[]>> = {
  starts, migrations, saving, backups, requests: badRequests, work, lists, load, recount, probing,
}
const HELP = `npm run torture [-- options]

  --only PART     one of: ${Object.keys(PARTS).join(', ')}; may be given several times
  --kills N       kills for each part that kills, 40 unless told
  --requests N    bad requests, 10000 unless told
  --minutes N     length of the load, 3 unless told
  --classes N     classes that are counted a second time, 20000 unless told
  --cards N       dressed cards that are looked at in space, 20000 unless told
  --seed N        another course of events
  --write         put the table into docs/torture.md`

main(async () => {
  const { values } = given({
    options: {
      only: { type: 'string', multiple: true },
      kills: { type: 'string', default: '40' },
      requests: { type: 'string', default: '10000' },
      minutes: { type: 'string', default: '3' },
      classes: { type: 'string', default: '20000' },
      cards: { type: 'string', default: '20000' },
      seed: { type: 'string', default: '1' },
      write: { type: 'boolean' },
      help: { type: 'boolean' },
    },
  }, HELP)
  if (values.help) return console.log(HELP)
  const wrong = (values.only ?? []).find(part => !(part in PARTS))
  if (wrong) throw new Stop(`There is no part “${wrong}”.\n\n${HELP}`)
  const seed = Number(values.seed)
  const options = {
    kills: Number(values.kills), requests: Number(values.requests), minutes: Number(values.minutes),
    classes: Number(values.classes), cards: Number(values.cards), seed,
  }
  if (Object.values(options).some(number => !(number > 0))) throw new Stop(HELP)
  await installMariaDb()
  await buildApplication()

  const rows: Row[] = []
  for (const [name, part] of Object.entries(PARTS)) {
    if (values.only && !values.only.includes(name)) continue
    say(`${name} …`)
    const done = await part({ ...options, random: seeded(seed) })
    for (const row of done) console.log(`  ${row.good ? 'good' : 'NOT GOOD'}: ${row.what}: ${row.done}: ${row.seen}`)
    rows.push(...done)
  }
  const table = [
    '| what | done | seen | good |',
    '|---|---|---|---|',
    ...rows.map(row => `| ${row.what} | ${row.done} | ${row.seen} | ${row.good ? 'yes' : '**no**'} |`),
  ].join('\n')
  console.log(`\n${table}\n`)
  if (values.write) writeFileSync(join(ROOT, 'docs/torture.md'), page(table))
  return rows.every(({ good }) => good) ? 0 : 1
})

const page = (table: string) => `# What it takes

\`npm run torture -- --write\` wrote this page: on ${machine()}.
What is killed is killed by \`kill -9\` unless the row says otherwise, at moments drawn by lot from a seed.

${table}
`

/** A course of numbers from 0 to 1 that is the same for the same seed. */
function seeded(seed: number) {
  let state = seed
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32
    return state / 2 ** 32
  }
}

const machine = () =>
  `${cpus().length} cores (${cpus()[0]?.model.trim()}), ${Math.round(totalmem() / 2 ** 30)} GB, `
  + `Node.js ${process.versions.node}`
