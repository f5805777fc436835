import { spawn } from 'node:child_process'
import { serve } from '../lib/serve.mjs'
import { edit, mainThread, memory, percentile, person } from './people.mjs'
import { DEMO, FOLDER, forget, pause } from './studio.mjs'

const servedOn = port => serve({ folder: FOLDER, port, backups: `${FOLDER}-backups` })
const TODAY = '2026-06-01'
/** Works for half of the time, and rests for the other. */
const HALF_A_CORE = `for (const rest = new Int32Array(new SharedArrayBuffer(4)); ; Atomics.wait(rest, 0, 0, 50))
  for (const end = Date.now() + 50; Date.now() < end;);`

/**
 * A class like many, as the demo has it; one of three is heavy, of twelve cards for sixty; and one of twenty-five is
 * the heaviest there can be, of forty cards for five hundred.
 */
function classFor(number) {
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
async function crowd(address, people, from = 0) {
  const all = Array.from({ length: people }, (_, at) => ({
    ...person(address, from + at), number: from + at, seats: 1, saved: 0,
  }))
  for (const one of all)
    one.id = (await one.ask('/api/import', { method: 'POST', body: classFor(one.number) }))?.data?.id
  return all
}

/** What one of them does next. */
function next(one, random) {
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

/** Requests with their times, and how many were refused or not answered. */
function tallied() {
  const tally = { times: [], refused: 0, faults: 0 }
  return {
    tally,
    async timed(work, begin = performance.now()) {
      const answer = await work()
      tally.times.push(performance.now() - begin)
      if (!answer || answer.status >= 500) tally.faults++
      if (answer?.status === 503 || answer?.status === 429) tally.refused++
    },
  }
}

const said = ({ times, refused, faults }) =>
  `half within ${percentile(times, 0.5).toFixed(0)} ms, 95 % within ${percentile(times, 0.95).toFixed(0)}, 99 % within `
  + `${percentile(times, 0.99).toFixed(0)}, longest ${Math.max(0, ...times).toFixed(0)}; ${refused} refused, ${faults} faults`

/** How many saves that were acknowledged are not there. */
async function lostOf(all) {
  let lost = 0
  for (const one of all) {
    const now = (await one.ask(`/api/classes/${one.id}`))?.data?.document?.class.seats
    if (one.saved > 0 && now !== one.seats) lost++
  }
  return lost
}

/** Each does one thing after the other, with a rest between. */
async function closed(all, milliseconds, random, rest = () => 300 + random() * 900) {
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
async function open(all, milliseconds, rate, random) {
  const { tally, timed } = tallied()
  const begin = performance.now()
  const under = []
  for (let at = 0; at < (milliseconds / 1000) * rate; at++) {
    const due = begin + (at * 1000) / rate
    await pause(Math.max(0, due - performance.now()))
    under.push(timed(next(all[at % all.length], random), due))
  }
  await Promise.all(under)
  return tally
}

/**
 * People at once, in classes of which a third is heavy; then more of them, and one among them who asks as fast as it
 * goes.
 */
export async function load({ minutes, random }) {
  forget()
  const { address, stop } = await servedOn(4313)
  const rows = []
  const fifty = await crowd(address, 50)
  const sizes = []
  const looking = setInterval(() => sizes.push(memory()), 5000)

  const measured = async (what, work, good, all = fifty) => {
    const [thread, begin] = [mainThread(), performance.now()]
    const tally = await work()
    const share = (mainThread() - thread) / (performance.now() - begin)
    const lost = await lostOf(all)
    rows.push({
      what,
      done: `${tally.times.length} requests`,
      seen: `${said(tally)}, ${lost} lost; the main thread was busy for ${Math.round(100 * share)} %`,
      good: lost === 0 && good(tally),
    })
    return tally
  }
  const isQuick = ({ times, refused, faults }) =>
    percentile(times, 0.95) <= 200 && percentile(times, 0.99) <= 500 && refused + faults === 0
  await closed(fifty, 15_000, random)
  const usual = await measured(`fifty people for ${minutes} minutes, a third of their classes heavy`,
    () => closed(fifty, minutes * 60_000, random), isQuick)
  await measured(`the same as a stream of 40 requests a second for ${Math.round(minutes * 20)} seconds`,
    () => open(fifty, minutes * 20_000, 40, random), isQuick)

  const busy = spawn(process.execPath, ['-e', HALF_A_CORE], { stdio: 'ignore' })
  const isUsable = ({ times, refused, faults }) =>
    percentile(times, 0.95) <= 400 && percentile(times, 0.99) <= 1000 && refused + faults === 0
  await measured('the same as at first with half a core less', () => closed(fifty, minutes * 20_000, random), isUsable)
  busy.kill()

  let asking = true
  const hostile = person(address, 5000)
  let tries = 0
  const loop = Array.from({ length: 8 }, async () => {
    while (asking) {
      tries++
      const answer = await hostile.ask(
        tries % 2 ? `/api/classes/${fifty[0].id}/student` : `/api/classes?when=coming&today=${TODAY}`,
      )
      if (!answer) await pause(50)
    }
  })
  await measured(
    'the same with one who asks as fast as it goes',
    () => closed(fifty, minutes * 20_000, random),
    ({ times, refused }) =>
      refused === 0 && percentile(times, 0.95) <= Math.max(200, 2 * percentile(usual.times, 0.95)))
  asking = false
  await Promise.all(loop)
  rows.at(-1).done += `; ${tries} of the one`
  hostile.leave()

  const more = await crowd(address, 150, 50)
  await measured(
    'two hundred people', () => closed([...fifty, ...more], minutes * 20_000, random),
    ({ faults, refused }) => faults - refused === 0, [...fifty, ...more],
  )
  clearInterval(looking)
  for (const one of [...fifty, ...more]) one.leave()
  await stop()
  const half = Math.floor(sizes.length / 2)
  const middle = list => Math.round(percentile(list, 0.5))
  rows.push({
    what: 'memory of the application meanwhile',
    done: `${sizes.length} looks`,
    seen: `${middle(sizes.slice(0, half))} MB in the first half, ${middle(sizes.slice(half))} MB in the second`,
    good: middle(sizes.slice(half)) < middle(sizes.slice(0, half)) * 1.25 + 40,
  })
  return rows
}
