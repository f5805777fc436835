import { mkdtempSync, readFileSync, readdirSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { describe, expect, it } from 'vitest'
import { once } from './bundle.mjs'
import { freePort } from './database.mjs'
import { checkNode } from './install.mjs'
import { forgetServing, noteServing, servingFrom } from './running.mjs'
import { fingerprint } from './sources.mjs'
import { ROOT } from './root.mjs'
import { Stop, run } from './talk.mjs'

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

  it('knows that this Node is new enough', () => {
    expect(checkNode).not.toThrow()
  })
})

describe('ports', () => {
  it('takes the wanted one, or another where that is taken', async () => {
    const free = await freePort()
    expect(await freePort(free)).toBe(free)
    const holder = createServer()
    await new Promise<void>(resolve => holder.listen(0, '127.0.0.1', resolve))
    const taken = (holder.address() as AddressInfo).port
    expect(await freePort(taken)).not.toBe(taken)
    holder.close()
  })
})

describe('the note of a running Wakaru', () => {
  const folder = mkdtempSync(join(tmpdir(), 'wakaru-test-'))

  it('points to it while it runs', () => {
    expect(servingFrom(folder)).toBeUndefined()
    noteServing(folder, 'http://127.0.0.1:1')
    expect(servingFrom(folder)).toBe('http://127.0.0.1:1')
    forgetServing(folder)
    expect(servingFrom(folder)).toBeUndefined()
  })

  it('does not count after a crash, nor when it cannot be read', () => {
    writeFileSync(join(folder, 'running.json'), JSON.stringify({ pid: 2 ** 22 + 1, address: 'http://127.0.0.1:1' }))
    expect(servingFrom(folder)).toBeUndefined()
    writeFileSync(join(folder, 'running.json'), '{')
    expect(servingFrom(folder)).toBeUndefined()
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
    const { code, output } = await run(
      'node',
      [
        '-e',
        `import(${JSON.stringify(new URL('./compiled.mjs', import.meta.url))}).then(({ runCompiled }) => `
        + `runCompiled(${JSON.stringify(file)}, ${JSON.stringify(use)}))`,
      ],
      { quiet: true, allowFailure: true },
    )
    return [code, output.trim()]
  }

  it('keeps it after a good run, and only then', async () => {
    writeFileSync(file, 'console.log("wrong"); process.exitCode = 2')
    expect(await start()).toEqual([2, 'wrong'])
    expect(kept()).toEqual([])
    writeFileSync(file, 'const add = (a, b) => a + b; console.log(add(20, 22), require("node:path").basename(__filename))')
    expect(await start()).toEqual([0, '42 sum.cjs'])
    const [name] = kept()
    utimesSync(join(folder, name!), 1, 1)
    expect(await start()).toEqual([0, '42 sum.cjs'])
    expect(kept()).toEqual([name])
    expect(statSync(join(folder, name!)).mtimeMs).toBe(1000)
  })

  it('is not misled by another bundle of the same length, nor by what does not fit', async () => {
    writeFileSync(file, 'const sub = (a, b) => a - b; console.log(sub(20, 22), require("node:path").basename(__filename))')
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
