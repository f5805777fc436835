import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from 'esbuild'
import { zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { ROOT } from '../../scripts/lib/root'

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

  it('is answered to whoever asked, however many do', async () => {
    const answers = await Promise.all(
      Array.from({ length: 40 }, (_, index) => checker.checked('batch', index % 2 ? DEMO : '', 1e6)),
    )
    expect(answers.map(({ ok }) => ok)).toEqual(answers.map((_, index) => index % 2 === 1))
  })

  it('is refused where too many wait already, and none of those is lost', async () => {
    const asked = await Promise.allSettled(Array.from({ length: 90 }, () => checker.checked('batch', DEMO, 1e6)))
    const refused = asked.filter(({ status }) => status === 'rejected')
    expect(refused.length).toBeGreaterThan(0)
    expect(refused.length).toBeLessThanOrEqual(90 - 64)
    for (const { reason } of refused as PromiseRejectedResult[]) expect(reason).toMatchObject({ statusCode: 503 })
  })

  it('of one kind stands before none of another', async () => {
    const order: string[] = []
    const many = new TextEncoder().encode(DEMO)
    const archive = zipSync(Object.fromEntries(Array.from({ length: 30 }, (_, at) => [`${at}.json`, many])))
    const unpacking = Promise.all(
      Array.from({ length: 12 }, (_, place) => checker.checked('unpack', { bytes: archive, place }, Infinity)),
    ).then(() => order.push('archive'))
    const edit = JSON.stringify({ token: 'a-token-of-mine', label: 'seats', class: 1, since: 0, patches: [] })
    await checker.checked('edit', edit, 1e6).then(() => order.push('save'))
    await unpacking
    expect(order).toEqual(['save', 'archive'])
  })

  it('of an archive reads every batch file in it, and names what it cannot read', async () => {
    const encode = new TextEncoder()
    const bytes = zipSync({
      'a.wakaru.json': encode.encode(DEMO), 'deep/b.json': encode.encode('{}'), 'notes.txt': encode.encode('x'),
    })
    expect(await checker.checked('archive', bytes, Infinity)).toEqual({
      ok: true, value: ['a.wakaru.json', 'deep/b.json'],
    })
    const read = await Promise.all([0, 1, 2].map(place => checker.checked('unpack', { bytes, place }, Infinity)))
    expect(read.map(({ ok }) => ok)).toEqual([true, false, false])
    const large = zipSync({ 'large.json': new Uint8Array(5_000_000) })
    expect(large.length).toBeLessThan(20_000)
    const problems = [{ problem: expect.stringMatching(/4 MB/) as string }]
    expect(await checker.checked('archive', large, Infinity)).toMatchObject({ ok: false, problems })
    const broken = await checker.checked('archive', bytes.slice(0, 200), Infinity)
    expect(broken).toMatchObject({ ok: false, problems: [{ problem: 'is no archive that can be read' }] })
    const empty = await checker.checked('archive', zipSync({}), Infinity)
    expect(empty).toMatchObject({ ok: false, problems: [{ problem: 'holds no batch file' }] })
  })
})
