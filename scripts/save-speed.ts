import { rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Connection } from 'mysql2/promise'
import { createConnection } from 'mysql2/promise'
import { ROOT } from './lib/root'
import { serve } from './lib/serve'
import { buildApplication } from './lib/sources'
import { main } from './lib/talk'
import { fillSeats, list, manyPapers, takenOff } from './torture/heavy'
import { edit, person } from './torture/people'
import { DEMO, pause } from './torture/studio'

/*
 * How long a save keeps all others waiting. Somebody else asks for the studio's row again and again, as every save
 * does; what they wait for it at most is what the save holds it, beside what they wait where nobody saves.
 */

const FOLDER = join(ROOT, '.data/save-speed')
const RUNS = 7
const median = (values: number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

/** Asks for the studio's row until told to end; answers the longest wait in milliseconds. */
function asking(connection: Connection) {
  let isOver = false
  const longest = (async () => {
    let most = 0
    while (!isOver) {
      await connection.beginTransaction()
      const begin = performance.now()
      await connection.query('SELECT position FROM studio WHERE id = 1 FOR UPDATE')
      most = Math.max(most, performance.now() - begin)
      await connection.commit()
      // Whoever saves is let in between.
      await pause(1)
    }
    return most
  })()
  return async () => {
    isOver = true
    return await longest
  }
}

main(async () => {
  await buildApplication()
  rmSync(FOLDER, { recursive: true, force: true })
  process.env.WAKARU_RATE = '1000000000'
  const { address, ownerUrl, stop } = await serve({ folder: FOLDER, port: 4316, backups: `${FOLDER}-backups` })
  const connection = await createConnection(ownerUrl)
  const one = person(address, 0)
  const file = JSON.parse(DEMO)
  const large = structuredClone(file)
  fillSeats(large)
  const imported = (content: object) =>
    one.ask('/api/import', { method: 'POST', body: JSON.stringify(content), patience: 300_000 })
  const added = async (content: object) => (await imported(content))?.data.id as string
  const [small, big] = [await added(file), await added(large)]
  const papers = manyPapers(file)
  const saves = (id: string | null, patches: object[]) =>
    one.ask('/api/edits', { ...edit(id, patches), patience: 300_000 })
  const seats = (at: number) => ({ op: 'set', path: ['class', 'seats'], value: 20 + (at % 400) })
  const kinds: [what: string, save: (run: number) => Promise<{ status: number } | undefined>][] = [
    ['nothing', async () => (await pause(20), { status: 200 })],
    ['one figure of a class of 26 kB', at => saves(small, [seats(at)])],
    ['one figure of a class of 0.8 MB', at => saves(big, [seats(400 + at)])],
    ['5,000 changes of one field', () => saves(small, list(5000, seats))],
    ['2,000 papers put on the shelf', () => saves(null, papers)],
    ['2,000 papers taken off it', () => saves(null, takenOff(papers))],
    ['a class of 0.8 MB imported', () => imported(large)],
  ]
  const seen = kinds.map(([what, save]) => ({
    what, save, held: [] as number[], took: [] as number[], statuses: new Set<number | undefined>(),
  }))
  for (let run = 0; run < RUNS; run++) {
    for (const { save, held, took, statuses } of seen) {
      // What is worked out afterwards of what was saved before is over.
      await pause(run === 0 ? 3000 : 500)
      const over = asking(connection)
      const begin = performance.now()
      const answer = await save(run)
      took.push(performance.now() - begin)
      held.push(await over())
      statuses.add(answer?.status)
    }
  }
  let least: number | undefined
  console.log('| what is saved | answered | after | the row is held for |\n|---|---|---|---|')
  for (const { what, held, took, statuses } of seen) {
    const own = Math.max(0, median(held) - (least ?? 0))
    console.log(`| ${what} | ${[...statuses].join(', ')} | ${median(took).toFixed(0)} ms | ${own.toFixed(1)} ms |`)
    least ??= median(held)
  }
  one.leave()
  await connection.end()
  await stop()
  rmSync(FOLDER, { recursive: true, force: true })
})
