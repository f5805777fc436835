import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import {
  existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, describe, expect, it, vi } from 'vitest'
import { isAlive, known, withArgument } from './processes'
import { readNote } from './running'
import { ROOT } from './root'

/** A stand-in for the application, which takes two seconds less to build: it listens and says that it is ready. */
const APPLICATION = `require('node:http')
  .createServer((_, answer) => answer.end('fine')).listen(process.env.PORT, '127.0.0.1')`
const room = mkdtempSync(join(tmpdir(), 'wakaru-life-'))
const folder = join(room, 'studio')
const starts: ChildProcess[] = []

/** Starts Wakaru as the start command does, with the stand-in; answers what it says. */
function start(port = 0, more: object = {}) {
  const application = join(room, 'application.cjs')
  writeFileSync(application, APPLICATION)
  const options = { folder, port, demo: false, backups: join(room, 'backups'), command: ['node', application], ...more }
  const script = [join(ROOT, 'scripts/run.mjs'), 'lib/testing/serving', JSON.stringify(options)]
  const child = spawn('node', script, {
    env: { ...process.env, TMPDIR: room, npm_command: '' },
  })
  starts.push(child)
  let text = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', data => (text += data))
  const ended = new Promise<number | null>(resolve => child.once('close', resolve))
  return {
    child,
    ended,
    text: () => text,
    says: (words: string | RegExp) => vi.waitFor(() => expect(text).toMatch(words), { timeout: 60_000, interval: 5 }),
    address: () => /ready (\S+)/.exec(text)?.[1] ?? '',
  }
}

/** What runs from the folder, whoever started it. */
const left = () => [
  ...withArgument(`--datadir=${join(folder, 'data')}`), ...withArgument(join(room, 'application.cjs')),
]
const allGone = () => vi.waitFor(() => expect(left()).toEqual([]), { timeout: 15_000, interval: 20 })
/** Nothing of a start lies in the system's temporary folder. */
const strewn = () => readdirSync(room).filter(name => !['studio', 'backups', 'application.cjs'].includes(name))
const fresh = () => rmSync(folder, { recursive: true, force: true })

async function runsAndEnds() {
  const again = start()
  await again.says(/ready/)
  expect((await fetch(again.address())).status).toBe(200)
  again.child.kill('SIGINT')
  await again.ended
  await allGone()
}

afterEach(async () => {
  for (const child of starts.splice(0)) child.kill('SIGKILL')
  await allGone()
  expect(strewn()).toEqual([])
})
afterAll(() => rmSync(room, { recursive: true, force: true }))

describe('a start that is broken off', () => {
  it.each(['Creating the database folder', 'Starting MariaDB', 'Tables: 0002', 'Starting the application', 'ready'])(
    'at “%s” leaves nothing running and nothing in the way, by a signal or by force',
    async (moment) => {
      for (const signal of ['SIGINT', 'SIGHUP', 'SIGKILL'] as const) {
        if (!/Starting|ready/.test(moment)) fresh()
        const first = start()
        await first.says(moment)
        first.child.kill(signal)
        await first.ended
        await allGone()
      }
      await runsAndEnds()
    },
  )

  it('as older ones were, with half a database folder, is made good', async () => {
    fresh()
    mkdirSync(join(folder, 'data/mysql'), { recursive: true })
    await runsAndEnds()
  })
})

describe('a studio', () => {
  it('keeps its finished database, whatever lies beside it', async () => {
    await runsAndEnds()
    writeFileSync(join(folder, 'data/wakaru/mine.txt'), 'kept')
    rmSync(join(folder, 'data/finished'), { force: true })
    mkdirSync(join(folder, 'data.new-1'))
    writeFileSync(
      join(folder, 'running.json'),
      JSON.stringify({ processes: [{ name: 'database', ...known(process.pid), started: '1' }] }),
    )
    await runsAndEnds()
    expect([existsSync(join(folder, 'data/wakaru/mine.txt')), existsSync(join(folder, 'data.new-1'))]).toEqual([
      true, false,
    ])
  })

  it('is started once: the second is told at once, and the first goes on', async () => {
    const first = start()
    await first.says('Starting MariaDB')
    const second = start()
    expect(await second.ended).toBe(1)
    expect(second.text()).toContain(`Another start of Wakaru is at work in this folder (process ${first.child.pid})`)
    await first.says('ready')
    const third = start()
    expect(await third.ended).toBe(1)
    expect(third.text()).toContain(`Wakaru is running already: ${first.address()}`)
    expect((await fetch(first.address())).status).toBe(200)
  })

  it('takes the next port where its own is taken, and says which', async () => {
    const holder = createServer()
    await new Promise<void>(resolve => holder.listen(0, '127.0.0.1', resolve))
    const { port } = holder.address() as AddressInfo
    const started = start(port)
    await started.says('ready')
    expect(started.text()).toMatch(new RegExp(`Port ${port} is taken by something else; taking \\d+\\.`))
    expect(started.address()).not.toContain(String(port))
    holder.close()
  })

  it.each([
    ['empty', ''], ['damaged', 'x\' IDENTIFIED BY \''],
  ])('does not start with a password file that is %s', async (word, text) => {
    const password = readFileSync(join(folder, 'password'))
    writeFileSync(join(folder, 'password'), text)
    const started = start()
    expect(await started.ended).toBe(1)
    expect(started.text()).toContain(`password is ${word}. Delete that file and start again`)
    await allGone()
    writeFileSync(join(folder, 'password'), password)
  })

  it('starts what ends by itself again, says so, and answers with a sentence meanwhile', async () => {
    const started = start()
    await started.says('ready')
    const { processes } = readNote(folder)
    const pidOf = (name: string) => processes.find((process: { name: string }) => process.name === name)?.pid ?? 0
    process.kill(pidOf('application'), 'SIGKILL')
    const away = await vi.waitFor(async () => {
      const answer = await fetch(started.address(), { headers: { accept: 'text/html' } })
      expect(answer.status).toBe(503)
      return answer.text()
    }, { timeout: 5000, interval: 10 })
    expect(away).toContain('Wakaru is starting again')
    await started.says(/The application ended by itself; starting it again …\n. The application runs again/)
    expect((await fetch(started.address())).status).toBe(200)

    process.kill(pidOf('database'), 'SIGKILL')
    await started.says(/MariaDB runs again/)
    expect(readNote(folder).processes.filter(isAlive)).toHaveLength(2)
  })

  it('gives up what ends again and again, and ends as a whole', async () => {
    const started = start(0, { command: ['node', '-e', `${APPLICATION}; setTimeout(() => process.exit(1), 700)`] })
    await started.says('ready')
    expect(await started.ended).toBe(1)
    expect(started.text().match(/The application ended by itself/g)).toHaveLength(5)
    await allGone()
  })
})

it('what an earlier start left running is ended before anything is forgotten or begun', async () => {
  fresh()
  await runsAndEnds()
  // A database that nobody minds any more, as a start that was killed on another system leaves it.
  const { startMariaDb } = await import('./database')
  const orphan = await startMariaDb(folder)
  const started = start(0, { fresh: true })
  await started.says('ready')
  expect(started.text()).toContain('Ended what an earlier start had left running: database.')
  expect(isAlive(known(orphan.pid))).toBe(false)
  expect((await fetch(started.address())).status).toBe(200)
})

it('a backup that was made while it ran takes the place of what is there, which stays beside it', async () => {
  const { finishRestore, keep, restoreInto, runningDatabase } = await import('./backups')
  const { startMariaDb } = await import('./database')
  const holds = async () => {
    const database = await startMariaDb(folder)
    const after = join(room, 'backups', `after-${Date.now()}.backup`)
    await keep('write', after, database.url)
    await database.stop()
    return keep('check', after)
  }
  fresh()
  const started = start(0, { demo: true })
  await started.says('ready')
  const file = join(room, 'backups', 'full.backup')
  await keep('write', file, runningDatabase(folder))
  started.child.kill('SIGINT')
  await started.ended
  fresh()
  await runsAndEnds()
  expect(await holds()).toContain(' 0 classes and')

  const { said, old } = await restoreInto(folder, file)
  expect(said).toMatch(/^3 classes and \d+ papers, all of them read again$/)
  expect(await holds()).toContain(' 3 classes and')
  expect([existsSync(join(old ?? '', 'wakaru')), existsSync(join(folder, 'restoring'))]).toEqual([true, false])

  // Broken off between the two: the next start puts it in its place.
  mkdirSync(join(folder, 'restoring'))
  renameSync(join(folder, 'data'), join(folder, 'restoring/data'))
  writeFileSync(join(folder, 'restoring/data/restored'), '')
  await runsAndEnds()
  expect(await holds()).toContain(' 3 classes and')
  expect(finishRestore(folder)).toBeUndefined()
  await expect(keep('check', join(room, 'application.cjs'), '')).rejects.toThrow('no backup of Wakaru')
})
