import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, readdirSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { PassThrough } from 'node:stream'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { scheduleBackups } from './backups'
import { once } from './bundle'
import { put, roomyFolder } from './files'
import { keptLog } from './log'
import { freePort } from './ports'
import { endProcess, isAlive, known, startOf } from './processes'
import { hold, note, readNote } from './running'
import { fingerprint } from './sources'
import { ROOT } from './root'
import { Stop, explained, run } from './talk'

describe('running commands', () => {
  it('hands back what a quiet one printed', async () => {
    expect(await run('node', ['-e', 'console.log(6 * 7)'], { quiet: true })).toEqual({ code: 0, output: '42\n' })
  })

  it('stops with the command and its output when it fails', async () => {
    await expect(run('node', ['-e', 'console.error("broken"); process.exit(3)'], { quiet: true })).rejects.toThrow(
      /node -e .* failed\.\nbroken/,
    )
    await expect(run('no-such-command', [])).rejects.toBeInstanceOf(Stop)
  })

  it('may fail where that is an answer', async () => {
    expect((await run('node', ['-e', 'process.exit(3)'], { quiet: true, allowFailure: true })).code).toBe(3)
  })

  it('runs a script with its own words, and tells one that is not there', async () => {
    const { output } = await run('node', ['scripts/run.mjs', 'start', '--help'], { quiet: true })
    expect(output).toContain('--backup-hours')
    for (const name of ['no-such-script', '../cli/wakaru', 'lib/root.ts; true'])
      await expect(run('node', ['scripts/run.mjs', name], { quiet: true })).rejects.toThrow(/There is no scripts/)
  })
})

describe('ports', () => {
  it('takes the wanted one, or another where that is taken', async () => {
    const free = await freePort()
    expect(await freePort(free)).toBe(free)
    const holder = createServer()
    await new Promise<void>(resolve => holder.listen(0, '127.0.0.1', resolve))
    const taken = (holder.address() as AddressInfo).port
    expect(await freePort(taken)).toBeGreaterThan(taken)
    holder.close()
  })
})

describe('processes', () => {
  it('are told from others of the same number by when they were started', async () => {
    const child = spawn('sleep', ['60'])
    const process_ = known(child.pid ?? 0)
    expect(isAlive(process_)).toBe(true)
    expect(isAlive({ ...process_, started: '1' })).toBe(false)
    expect([isAlive({ pid: 2 ** 22 + 1, started: undefined }), startOf(-5), startOf(2 ** 22 + 1)]).toEqual([
      false, undefined, undefined,
    ])
    await endProcess({ ...process_, started: '1' }, 1000)
    expect(isAlive(process_)).toBe(true)
    await endProcess(process_, 5000)
    expect(isAlive(process_)).toBe(false)
  })

  it('that hear nothing are ended all the same', async () => {
    const child = spawn('sh', ['-c', 'trap "" TERM; echo on; while :; do sleep 0.1; done'])
    await new Promise(resolve => child.stdout.once('data', resolve))
    await endProcess(known(child.pid ?? 0), 200)
    expect(isAlive(known(child.pid ?? 0))).toBe(false)
  })
})

describe('a data folder', () => {
  const folder = mkdtempSync(join(tmpdir(), 'wakaru-test-'))

  it('is held by one at a time, and the second is told by whom', async () => {
    const held = await hold(folder)
    await expect(hold(folder)).rejects.toThrow(
      `Another start of Wakaru is at work in this folder (process ${process.pid})`,
    )
    held.serves('http://127.0.0.1:1')
    await expect(hold(folder)).rejects.toThrow('Wakaru is running already: http://127.0.0.1:1. Stop it there')
    held.release()
    ;(await hold(folder)).release()
  })

  it('has a note of what was started; one that cannot be read is none', () => {
    note(folder, 'database', process.pid, { database: 3306 })
    note(folder, 'application', process.pid)
    expect(readNote(folder)).toMatchObject({
      database: 3306, processes: [{ name: 'database' }, { name: 'application' }],
    })
    for (const text of ['{', '', '[]', '{"processes":[{"pid":"1"}]}']) {
      writeFileSync(join(folder, 'running.json'), text)
      expect(readNote(folder).processes).toEqual([])
    }
  })

  it('is made, or the reason why it cannot be had is said', () => {
    const file = join(folder, 'file')
    writeFileSync(file, '')
    expect(() => roomyFolder(join(folder, 'new'), 1e6, 'a test')).not.toThrow()
    expect(() => roomyFolder(join(file, 'new'), 1e6, 'a test')).toThrow()
    expect(() => roomyFolder(join(folder, 'new'), 1e15, 'a test')).toThrow(/a test needs 1000000000 MB/)
    const words = { ENOSPC: 'The disk is full', EROFS: 'can only be read', EACCES: 'You may not write there' }
    for (const [code, hint] of Object.entries(words))
      expect(explained(Object.assign(new Error(code), { code }), '/data').message).toMatch(
        new RegExp(`^/data: ${code}\\n\\n.*${hint}`),
      )
    expect(explained(new Error('else'), '/data').message).toBe('else')
  })

  it('keeps the old file or the new one, whole', () => {
    const file = join(folder, 'kept')
    put(file, 'old', 0o600)
    put(file, 'new', 0o600)
    expect([readFileSync(file, 'utf8'), statSync(file).mode & 0o777]).toEqual(['new', 0o600])
    expect(readdirSync(folder).filter(name => name.includes('.new-'))).toEqual([])
  })
})

describe('backups that are made by themselves', () => {
  afterEach(() => void vi.useRealTimers())

  it('come a day after the last one, whenever Wakaru was started; the oldest go, and others are left alone', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wakaru-daily-'))
    const HOUR = 3_600_000
    const now = Date.now()
    vi.useFakeTimers({ now })
    const ages = {
      'wakaru-2020-01-01-000000-daily.backup': 30, 'wakaru-2020-01-02-000000-daily.backup': 23, 'mine.backup': 900,
    }
    for (const [name, age] of Object.entries(ages)) {
      writeFileSync(join(folder, name), '')
      utimesSync(join(folder, name), (now - age * HOUR) / 1000, (now - age * HOUR) / 1000)
    }
    let fails = true
    const made: number[] = []
    scheduleBackups({
      databaseUrl: '', hours: 24, number: 2, folder,
      write: async (file: string) => {
        made.push(Math.round((Date.now() - now) / 60_000))
        if (fails) throw new Error('away')
        writeFileSync(file, '')
        utimesSync(file, Date.now() / 1000, Date.now() / 1000)
      },
    })
    await vi.advanceTimersByTimeAsync(62 * 60_000)
    fails = false
    await vi.advanceTimersByTimeAsync(2 * 24 * HOUR)
    expect(made.slice(0, 3)).toEqual([60, 61, 62])
    expect(made.at(-1)! - made.at(-2)!).toBe(24 * 60)
    const left = readdirSync(folder)
    expect(left).toHaveLength(3)
    expect(left).toContain('mine.backup')
    expect(left.some(name => name.startsWith('wakaru-2020'))).toBe(false)
  })
})

describe('a log', () => {
  it('is put aside when it is long, and knows its last lines', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'wakaru-log-')), 'application.log')
    const log = keptLog(file)
    const from = new PassThrough()
    log.take(from)
    for (let line = 0; line < 60; line++) from.write(`${line} ${'x'.repeat(100_000)}\n`)
    from.end('the last\n')
    await vi.waitFor(() => expect(log.tail()).toMatch(/the last$/))
    log.close()
    expect(statSync(file).size).toBeLessThan(5_200_000)
    expect(statSync(`${file}.1`).size).toBeGreaterThan(4_900_000)
  })
})

describe('the fingerprint of the sources', () => {
  it('stays while nothing changes and differs between rooms', () => {
    expect(fingerprint(['core/paper'])).toBe(fingerprint(['core/paper']))
    expect(fingerprint(['core/paper'])).not.toBe(fingerprint(['core/kits']))
    expect(fingerprint(['no-such-room'])).toMatch(/^[0-9a-f]{64}$/)
  })
})

describe('work done once for the same sources', () => {
  const stamp = join(relative(ROOT, mkdtempSync(join(tmpdir(), 'wakaru-once-'))), 'stamp')
  const doing = async (sources: string, there = true) => {
    let done = false
    await once(
      stamp,
      sources,
      () => there,
      async () => void (done = true),
    )
    return done
  }

  it('is done again for other sources, or when its result is gone', async () => {
    expect(await doing('a')).toBe(true)
    expect(await doing('a')).toBe(false)
    expect(await doing('a', false)).toBe(true)
    expect(await doing('b')).toBe(true)
  })

  it('is not noted as done when it fails', async () => {
    await expect(
      once(
        stamp,
        'c',
        () => true,
        () => Promise.reject(new Error('no')),
      ),
    ).rejects.toThrow('no')
    expect(await doing('c')).toBe(true)
  })
})

describe('a bundle run with what was compiled before', () => {
  const folder = mkdtempSync(join(tmpdir(), 'wakaru-compiled-'))
  const file = join(folder, 'sum.cjs')
  const kept = () => readdirSync(folder).filter(name => name !== 'sum.cjs')
  const start = async (use = 'add') => {
    const script = ['scripts/run.mjs', 'lib/testing/compiled', file, use]
    const { code, output } = await run('node', script, { quiet: true, allowFailure: true })
    return [code, output.trim()]
  }

  it('keeps it after a good run, and only then', async () => {
    writeFileSync(file, 'console.log("wrong"); process.exitCode = 2')
    expect(await start()).toEqual([2, 'wrong'])
    expect(kept()).toEqual([])
    writeFileSync(
      file, 'const add = (a, b) => a + b; console.log(add(20, 22), require("node:path").basename(__filename))',
    )
    expect(await start()).toEqual([0, '42 sum.cjs'])
    const [name] = kept()
    utimesSync(join(folder, name!), 1, 1)
    expect(await start()).toEqual([0, '42 sum.cjs'])
    expect(kept()).toEqual([name])
    expect(statSync(join(folder, name!)).mtimeMs).toBe(1000)
  })

  it('is not misled by another bundle of the same length, nor by what does not fit', async () => {
    writeFileSync(
      file, 'const sub = (a, b) => a - b; console.log(sub(20, 22), require("node:path").basename(__filename))',
    )
    utimesSync(file, 5, 5)
    expect(await start()).toEqual([0, '-2 sum.cjs'])
    const name = join(folder, 'sum.cjs.add.5000')
    writeFileSync(name, 'rubbish')
    expect(await start()).toEqual([0, '-2 sum.cjs'])
    expect(readFileSync(name).length).toBeGreaterThan(100)
  })

  it('takes no path from the name of the work', async () => {
    expect(await start('../../elsewhere')).toEqual([0, '-2 sum.cjs'])
    expect(kept()).toContain('sum.cjs.other.5000')
  })
})
