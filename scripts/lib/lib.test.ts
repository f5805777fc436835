import { mkdtempSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { freePort } from './database.mjs'
import { checkNode } from './install.mjs'
import { forgetServing, noteServing, servingFrom } from './running.mjs'
import { fingerprint } from './sources.mjs'
import { Stop, run } from './talk.mjs'

describe('running commands', () => {
  it('hands back what a quiet one printed', async () => {
    expect(await run('node', ['-e', 'console.log(6 * 7)'], { quiet: true })).toEqual({ code: 0, output: '42\n' })
  })

  it('stops with the command and its output when it fails', async () => {
    await expect(run('node', ['-e', 'console.error("broken"); process.exit(3)'], { quiet: true })).rejects.toThrow(/node -e .* failed\.\nbroken/)
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
