import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from 'esbuild'
import { zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { ROOT } from '../../scripts/lib/root.mjs'

vi.stubGlobal('createError', (refusal: object) => Object.assign(new Error('refused'), refusal))

const DEMO = readFileSync(join(ROOT, 'demo/tide-and-lantern.json'), 'utf8')
const folder = mkdtempSync(join(tmpdir(), 'wakaru-checker-'))
const started = process.argv[1]
let checker: typeof import('./checker')

beforeAll(async () => {
  await build({
    entryPoints: [join(ROOT, 'server/workers/checker.ts')],
    outfile: join(folder, 'checker.cjs'),
    bundle: true,
    format: 'cjs',
    platform: 'node',
    mainFields: ['module', 'main'],
    tsconfigRaw: { compilerOptions: { experimentalDecorators: true } },
  })
  // It lies beside the program that was started.
  process.argv[1] = join(folder, 'index.mjs')
  checker = await import('./checker')
}, 60_000)
afterAll(() => {
  checker.endChecks()
  process.argv[1] = started!
  rmSync(folder, { recursive: true, force: true })
})

describe('a long check', () => {
  it('answers in its thread what it answers here', async () => {
    for (const text of [DEMO, DEMO.replace('"seats": 14', '"seats": "many"'), 'no JSON', '{}'])
      expect(await checker.checked('batch', text, 1e6)).toEqual(await checker.checked('batch', text, 1))
    const edit = JSON.stringify({ token: 'a-token-of-mine', label: 'seats', class: 1, since: 0, patches: [] })
    expect(await checker.checked('edit', edit, 1e6)).toMatchObject({ ok: true, value: { label: 'seats' } })
    expect(await checker.checked('edit', '{', 1e6)).toMatchObject({ ok: false })
  })

  it('comes after the one before it, whoever asked', async () => {
    const answers = await Promise.all(Array.from({ length: 40 }, (_, index) => checker.checked('batch', index % 2 ? DEMO : '', 1e6)))
    expect(answers.map(({ ok }) => ok)).toEqual(answers.map((_, index) => index % 2 === 1))
  })

  it('is refused where too many wait already, and none of those is lost', async () => {
    const asked = await Promise.allSettled(Array.from({ length: 80 }, () => checker.checked('batch', DEMO, 1e6)))
    const refused = asked.filter(({ status }) => status === 'rejected')
    expect(refused).toHaveLength(15)
    expect(refused[0]).toMatchObject({ reason: { statusCode: 503 } })
  })

  it('of an archive reads every batch file in it, and names what it cannot read', async () => {
    const encode = new TextEncoder()
    const bytes = zipSync({ 'a.wakaru.json': encode.encode(DEMO), 'deep/b.json': encode.encode('{}'), 'notes.txt': encode.encode('x') })
    const read = await checker.checked('archive', bytes, Infinity)
    expect(read.ok && read.value.map(({ name, read }) => [name, read.ok])).toEqual([['a.wakaru.json', true], ['deep/b.json', false]])
    const broken = await checker.checked('archive', bytes.slice(0, 200), Infinity)
    expect(broken).toMatchObject({ ok: false, problems: [{ problem: 'is no archive that can be read' }] })
    const empty = await checker.checked('archive', zipSync({}), Infinity)
    expect(empty).toMatchObject({ ok: false, problems: [{ problem: 'holds no batch file' }] })
  })
})
