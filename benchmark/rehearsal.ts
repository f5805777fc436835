import Table from 'cli-table3'
import { demoBatches } from '../demo'
import { prepare } from '../core/batch'
import type { RehearsedStep } from '../core/rehearsal'
import { advise, rehearsalOf, rehearse } from '../core/rehearsal'
import { inOrder } from '../core/making'
import { time } from './measure'

/** What rehearsing 40 students with 60 steps each 500 times may take, and 200 steps put in order. Milliseconds. */
const REHEARSED = 1000
const ORDERED = 2
/** Each is measured so many times. */
const RUNS = 5

/** Every second step needs the one before, every sixth is at one of three machines, some dry. */
const STEPS = Array.from({ length: 60 }, (_, at): RehearsedStep => ({
  minutes: 2, waits: at % 7 === 0 ? 3 : 0, needs: at % 5 === 0 ? [] : [at - 1], ...(at % 6 === 1 && { tool: 0 }),
}))
const evening = (count: number) => ({
  makers: [{ count, stages: [STEPS] }], stages: [{ name: 'Card', showing: 3 }], tools: [{ name: 'Machine', count: 3 }],
  spread: 35, begins: 10, until: 170,
})

/** How long it takes to rehearse an evening, to look for what would help, and to bring steps into an order. */
export function rehearsals(): string {
  const table = new Table({ head: ['Rehearsed', 'ms', 'allowed', 'ratio'] })
  const row = (name: string, took: number, most: number) =>
    table.push([name, took.toFixed(1), String(most), (took / most).toFixed(2)])
  row('40 students × 60 steps × 500 evenings', time(() => void rehearse(evening(40), { runs: 500 }), RUNS), REHEARSED)
  row('500 students × 60 steps × 40 evenings', time(() => void rehearse(evening(500), { runs: 40 }), RUNS), REHEARSED)
  const given = Array.from({ length: 200 }, (_, at) => ({
    key: `s${at}`, rank: (at * 37) % 200, needs: [1, 7, 19, 50].flatMap(back => (at >= back ? [`s${at - back}`] : [])),
  }))
  row('200 steps with 4 needs each in order', time(() => void inOrder(given)), ORDERED)
  for (const batch of demoBatches(new Date(2030, 0, 1))) {
    const preparation = prepare(batch)
    row(`${batch.class.title}, rehearsed`, time(() => void rehearse(rehearsalOf(preparation)), RUNS), REHEARSED)
    row(`${batch.class.title}, with what would help`, time(() => void [...advise(batch)], RUNS), 10 * REHEARSED)
  }
  return table.toString()
}
