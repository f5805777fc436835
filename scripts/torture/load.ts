import { spawn } from 'node:child_process'
import { serve } from '../lib/serve'
import { edit, mainThread, memory, percentile, person } from './people'
import type { Answer, Options, Row } from './parts'
import { DEMO, FOLDER, forget, pause } from './studio'

const servedOn = (port: number) => serve({ folder: FOLDER, port, backups: `${FOLDER}-backups` })
const itemOf = <Entry>(list: readonly Entry[], at: number): Entry => list[at % list.length] as Entry
const TODAY = '2026-06-01'
/** Works for half of the time, and rests for the other. */
const HALF_A_CORE = `for (const rest = new Int32Array(new SharedArrayBuffer(4)); ; Atomics.wait(rest, 0, 0, 50))
  for (const end = Date.now() + 50; Date.now() < end;);`

/**
 * A class like many, as the demo has it; one of three is heavy, of twelve cards for sixty; and one of twenty-five is
 * the heaviest there can be, of forty cards for five hundred.
 */
function classFor(number: number) {
  const file = JSON.parse(DEMO)
  file.class.title = `People ${number}`
  const [cards, seats] = number % 25 === 24 ? [40, 500] : number % 3 === 0 ? [12, 60] : []
  if (cards) {
    const [card] = file.cards
    file.class.seats = seats
    file.cards = Array.from({ length: cards }, (_, at) => ({
      ...structuredClone(card), key: `card-${at}`, title: `Card ${at}`,
    }))
  }
  return JSON.stringify(file)
}

/** People who read and save, each in a class of their own. */
async function crowd(address: string, people: number, from = 0) {
  const all = Array.from({ length: people }, (_, at) => ({
    ...person(address, from + at), number: from + at, id: 0, seats: 1, saved: 0,
  }))
  for (const one of all) {
    const added = await one.ask('/api/import', { method: 'POST', body: classFor(one.number) })
    one.id = added?.data.id
  }
  return all
}

type One = Awaited<ReturnType<typeof crowd>>[number]

/** What one of them does next. */
function next(one: One, random: () => number) {
  const kind = random()
  if (kind < 0.2) return () => one.ask(`/api/classes?when=coming&today=${TODAY}`)
  if (kind < 0.3) return () => one.ask('/api/papers?limit=60')
  if (kind < 0.5) return () => one.ask(`/api/classes/${one.id}`)
  if (kind < 0.55) return () => one.ask(`/print/${one.id}/kits`)
  if (kind < 0.56) return () => one.ask(`/api/classes/${one.id}/student`)
  return async () => {
    const seats = (one.seats % 490) + 1
    const answer = await one.ask('/api/edits', edit(one.id, [{ op: 'set', path: ['class', 'seats'], value: seats }]))
    if (answer?.status === 200) one.seats = seats
    if (answer?.status === 200) one.saved++
    return answer
  }
}

/** Milliseconds of requests, and how many were refused or not answered. */
interface Tally {
  times: number[]
  refused: number
  faults: number
}

function tallied() {
  const tally: Tally = { times: [], refused: 0, faults: 0 }
  return {
    tally,
    async timed(work: () => Promise<Answer | undefined>, begin = performance.now()) {
      const answer = await work()
      tally.times.push(performance.now() - begin)
      if (!answer || answer.status >= 500) tally.faults++
      if (answer?.status === 503 || answer?.status === 429) tally.refused++
    },
  }
}

const said = ({ times, refused, faults }: Tally) =>
  `half within ${percentile(times, 0.5).toFixed(0)} ms, 95 % within ${percentile(times, 0.95).toFixed(0)}, 99 % within `
  + `${percentile(times, 0.99).toFixed(0)}, longest ${Math.max(0, ...times).toFixed(0)}; ${refused} refused, ${faults} faults`

/** How many saves that were acknowledged are not there. */
async function lostOf(all: One[]) {
  let lost = 0
  for (const one of all) {
    const now = (await one.ask(`/api/classes/${one.id}`))?.data?.document?.class.seats
    if (one.saved > 0 && now !== one.seats) lost++
  }
  return lost
}

/** Each does one thing after the other, with a rest between. */
async function closed(all: One[], milliseconds: number, random: () => number, rest = () => 300 + random() * 900) {
  const { tally, timed } = tallied()
  const until = Date.now() + milliseconds
  await Promise.all(all.map(async (one, at) => {
    await pause((at * 1000) / all.length)
    while (Date.now() < until) {
      await timed(next(one, random))
      await pause(rest())
    }
  }))
  return tally
}

/** So many things a second begin whether those before have ended or not: who waits makes nobody else ask later. */
async function open(all: One[], milliseconds: number, rate: number, random: () => number) {
  const { tally, timed } = tallied()
  const begin = performance.now()
  const under: Promise<void>[] = []
  for (let at = 0; at < (milliseconds / 1000) * rate; at++) {
    const due = begin + (at * 1000) / rate
    await pause(Math.max(0, due - performance.now()))
    under.push(timed(next(itemOf(all, at), random), due))
  }
  await Promise.all(under)
  return tally
}

/** Somebody who asks as fast as it goes, eight times at once. */
function hostile(address: string, id: number) {
  const one = person(address, 5000)
  const asked = { tries: 0 }
  let asking = true
  const loop = Array.from({ length: 8 }, async () => {
    while (asking) {
      asked.tries++
      const answer = await one.ask(
        asked.tries % 2 ? `/api/classes/${id}/student` : `/api/classes?when=coming&today=${TODAY}`)
      if (!answer) await pause(50)
    }
  })
  const leave = async () => {
    asking = false
    await Promise.all(loop)
    one.leave()
  }
  return { asked, leave }
}

interface Measuring {
  what: string
  work: () => Promise<Tally>
  good: (tally: Tally) => boolean
  all: One[]
  /** What else was asked meanwhile. */
  more?: () => string
}

async function measured(rows: Row[], { what, work, good, all, more = () => '' }: Measuring) {
  const thread = mainThread()
  const begin = performance.now()
  const tally = await work()
  const share = (mainThread() - thread) / (performance.now() - begin)
  const lost = await lostOf(all)
  rows.push({
    what,
    done: `${tally.times.length} requests${more()}`,
    seen: `${said(tally)}, ${lost} lost; the main thread was busy for ${Math.round(100 * share)} %`,
    good: lost === 0 && good(tally),
  })
  return tally
}

/** Whether 95 and 99 of a hundred requests were answered within so many milliseconds, and all of them rightly. */
const isWithin = (most95: number, most99: number) => ({ times, refused, faults }: Tally) =>
  percentile(times, 0.95) <= most95 && percentile(times, 0.99) <= most99 && refused + faults === 0

function memoryRow(sizes: number[]): Row {
  const half = Math.floor(sizes.length / 2)
  const middle = (list: number[]) => Math.round(percentile(list, 0.5))
  return {
    what: 'memory of the application meanwhile',
    done: `${sizes.length} looks`,
    seen: `${middle(sizes.slice(0, half))} MB in the first half, ${middle(sizes.slice(half))} MB in the second`,
    good: middle(sizes.slice(half)) < middle(sizes.slice(0, half)) * 1.25 + 40,
  }
}

/**
 * People at once, in classes of which a third is heavy; then more of them, and one among them who asks as fast as it
 * goes.
 */
export async function load({ minutes, random }: Options): Promise<Row[]> {
  forget()
  const { address, stop } = await servedOn(4313)
  const rows: Row[] = []
  const fifty = await crowd(address, 50)
  const sizes: number[] = []
  const looking = setInterval(() => sizes.push(memory()), 5000)
  const short = minutes * 20_000

  await closed(fifty, 15_000, random)
  const usual = await measured(rows, {
    what: `fifty people for ${minutes} minutes, a third of their classes heavy`,
    work: () => closed(fifty, minutes * 60_000, random), good: isWithin(200, 500), all: fifty,
  })
  await measured(rows, {
    what: `the same as a stream of 40 requests a second for ${Math.round(minutes * 20)} seconds`,
    work: () => open(fifty, short, 40, random), good: isWithin(200, 500), all: fifty,
  })

  const busy = spawn(process.execPath, ['-e', HALF_A_CORE], { stdio: 'ignore' })
  await measured(rows, {
    what: 'the same as at first with half a core less',
    work: () => closed(fifty, short, random), good: isWithin(400, 1000), all: fifty,
  })
  busy.kill()

  const { asked, leave } = hostile(address, itemOf(fifty, 0).id)
  await measured(rows, {
    what: 'the same with one who asks as fast as it goes',
    work: () => closed(fifty, short, random),
    good: ({ times, refused }) =>
      refused === 0 && percentile(times, 0.95) <= Math.max(200, 2 * percentile(usual.times, 0.95)),
    all: fifty,
    more: () => `; ${asked.tries} of the one`,
  })
  await leave()

  const all = [...fifty, ...await crowd(address, 150, 50)]
  await measured(rows, {
    what: 'two hundred people',
    work: () => closed(all, short, random), good: ({ faults, refused }) => faults - refused === 0, all,
  })
  clearInterval(looking)
  for (const one of all) one.leave()
  await stop()
  rows.push(memoryRow(sizes))
  return rows
}
