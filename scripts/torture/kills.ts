import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { keep } from '../lib/backups'
import { bundle } from '../lib/bundle'
import { startMariaDb } from '../lib/database'
import { begun } from '../lib/lifeline'
import { pick } from './heavy'
import type { Options, Row } from './parts'
import { FOLDER, addClass, allEnds, ask, forget, kill, pause, sendSeats, start } from './studio'

const RUN = ['scripts/run.mjs']
/** What is killed while people save; the database more often. */
const KILLED = ['application', 'database', 'database', 'start', 'npm'] as const
const SIGNALS: NodeJS.Signals[] = ['SIGKILL', 'SIGKILL', 'SIGKILL', 'SIGINT', 'SIGTERM', 'SIGHUP']

/**
 * First starts and later ones, ended at any moment by any means; afterwards everything has ended, and the next start
 * works.
 */
export async function starts({ kills, random }: Options): Promise<Row[]> {
  forget()
  let [left, stuck, first] = [0, 0, 0]
  for (let times = 0; times < kills; times++) {
    if (random() < 0.4) {
      forget()
      first++
    }
    const one = start()
    await pause(300 + random() * 4500)
    const pids = one.pids()
    const what = pick((['npm', 'start'] as const).filter(name => pids[name].length > 0), random)
    // Ctrl-C at the terminal reaches everybody there; npm alone takes no notice of it.
    const signal = pick(SIGNALS, random)
    for (const pid of pids[what]) kill(what === 'npm' && signal !== 'SIGKILL' ? -pid : pid, signal)
    if (!(await allEnds())) left++
    await Promise.race([one.ended, pause(5000)])
    const again = start()
    if (!(await again.ready())) {
      stuck++
      console.error(again.text())
    }
    await again.stop()
    if (!(await allEnds())) left++
  }
  return [
    {
      what: 'starts ended at any moment, npm or the start script, by any signal',
      done: `${kills}, ${first} of them first starts`,
      seen: `${stuck} later starts failed, ${left} left something running`,
      good: stuck + left === 0,
    },
  ]
}

/** The preparation of the database killed at any moment: the next one ends with the same tables and the demo once. */
export async function migrations({ kills, random }: Options): Promise<Row[]> {
  const program = await bundle('server/database/begin.ts', ['core', 'server', 'demo'])
  let wrong = 0
  for (let times = 0; times < kills; times++) {
    forget()
    mkdirSync(FOLDER, { recursive: true })
    const database = await startMariaDb(FOLDER, { spawned: (_, end) => begun(end) })
    const run = () =>
      spawn('node', [program], { env: { ...process.env, DATABASE_URL: database.ownerUrl }, stdio: 'ignore' })
    const ended = (child: ChildProcess) => new Promise(resolve => child.once('close', resolve))
    const child = run()
    const over = ended(child)
    await pause(100 + random() * 900)
    child.kill('SIGKILL')
    await over
    // And twice at once afterwards.
    const codes = await Promise.all([ended(run()), ended(run())])
    const file = join(FOLDER, 'after.backup')
    const said = codes.every(code => code === 0)
      ? await keep('write', file, database.url).then(() => keep('check', file))
      : ''
    if (!/ 3 classes and/.test(said)) wrong++
    await database.stop()
  }
  return [
    {
      what: 'preparation of a new database killed, then run twice at once',
      done: String(kills),
      seen: `${wrong} without all tables or with the demo not just once`,
      good: wrong === 0,
    },
  ]
}

/** What one who saves knows: the seats that were acknowledged last, and those that may have arrived since. */
interface Known {
  seats: number
  maybe: number[]
}

/** People who save all the time, each in a class of their own, whatever happens to the studio. */
function savers(address: () => string, ids: number[]) {
  const tally = { saved: 0, wrong: 0 }
  const last = new Map<number, Known>()
  let going = true
  const people = ids.map(async (id) => {
    for (let seats = 1; going; seats = (seats % 490) + 1) {
      const answer = await sendSeats(address() || 'http://127.0.0.1:1', id, 999_999_999, seats)
      if (answer?.status === 200) {
        tally.saved++
        last.set(id, { seats, maybe: [] })
        continue
      }
      // Nobody knows whether it arrived.
      last.get(id)?.maybe.push(seats)
      if (answer && answer.status !== 503) tally.wrong++
      await pause(100)
    }
  })
  const end = async () => {
    going = false
    await Promise.all(people)
  }
  return { tally, last, end }
}

/** Whether the studio answers again by itself; after many faults in a short time it may have given up, rightly. */
async function isBackByItself(address: string) {
  for (let tries = 0; tries < 400; tries++, await pause(50))
    if ((await ask(address, '/api/ready'))?.status === 200) return true
  return false
}

/** Application, database and start script killed while eight people save; what was acknowledged is there afterwards. */
export async function saving({ kills, random }: Options): Promise<Row[]> {
  forget()
  let [lost, down] = [0, 0]
  let studio = start()
  await studio.ready()
  const ids: number[] = []
  for (let index = 0; index < 8; index++) ids.push(await addClass(studio.address(), `Saving ${index}`))
  const { tally, last, end } = savers(() => studio.address(), ids)
  for (let times = 0; times < kills; times++) {
    await pause(400 + random() * 1500)
    const pids = studio.pids()
    const what = pick(KILLED.filter(name => pids[name].length > 0), random)
    for (const pid of pids[what]) kill(pid)
    if (what !== 'start' && what !== 'npm' && await isBackByItself(studio.address())) continue
    await allEnds()
    studio = start()
    if (!(await studio.ready())) down++
  }
  await end()
  for (const id of ids) {
    const now = (await ask(studio.address(), `/api/classes/${id}`))?.data?.document?.class.seats
    const { seats, maybe = [] } = last.get(id) ?? {}
    if (now !== seats && !maybe.includes(now)) lost++
  }
  await studio.stop()
  return [
    {
      what: 'application, database, start script or npm killed while eight people save',
      done: `${kills} kills, ${tally.saved} changes acknowledged`,
      seen: `${lost} lost, ${tally.wrong} answered wrongly, ${down} times not back`,
      good: lost + tally.wrong + down === 0 && tally.saved > kills,
    },
  ]
}

/** Backups killed at any moment: what has its name is whole. And one of a studio that is being changed is restored. */
export async function backups({ kills, random }: Options): Promise<Row[]> {
  forget()
  const studio = start()
  await studio.ready()
  for (let index = 0; index < 200; index++) await addClass(studio.address(), `Kept ${index}`)
  const folder = `${FOLDER}-backups`
  mkdirSync(folder, { recursive: true })
  const environment = { ...process.env, WAKARU_DATA: FOLDER }
  let [broken, whole] = [0, 0]
  for (let times = 0; times < kills; times++) {
    const file = join(folder, `${times}.backup`)
    const child = spawn('node', [...RUN, 'backup', file], { env: environment, stdio: 'ignore', detached: true })
    await pause(250 + random() * 3500)
    if (child.pid) kill(-child.pid)
    if (!existsSync(file)) continue
    whole++
    await keep('check', file).catch(() => broken++)
  }
  const strewn = readdirSync(folder).filter(name => name.includes('.new-')).length
  const file = join(folder, 'last.backup')
  const run = (script: string, ...args: string[]) =>
    new Promise<number | null>((resolve) => {
      spawn('node', [...RUN, script, ...args], { env: environment, stdio: 'ignore' }).once('close', resolve)
    })
  const made = await run('backup', file)
  await studio.stop()
  const restored = await run('restore', file, '--yes')
  const again = start()
  await again.ready()
  const { total } = (await ask(again.address(), '/api/classes'))?.data ?? {}
  await again.stop()
  return [
    {
      what: 'backups killed at any moment',
      done: String(kills),
      seen: `${whole} came to have their name, ${broken} of those are not whole; ${strewn} unfinished ones beside them`,
      good: broken === 0 && whole > 0 && whole < kills,
    },
    {
      what: 'backup of a running studio, restored',
      done: '203 classes',
      seen: `${total} classes`,
      good: made === 0 && restored === 0 && total === 203,
    },
  ]
}
