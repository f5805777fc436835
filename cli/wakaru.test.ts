import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { stringify } from 'devalue'
import { describe, expect, it } from 'vitest'
import type { Solve, Solved } from '../core/cutting'
import { run } from './run'
import { loadSolver } from './solver'

/** The program as it is started in a terminal. */
const program = (args: string[], input?: string) => {
  const words = ['scripts/run.mjs', 'wakaru', ...args]
  const { status, stdout, stderr } = spawnSync('node', words, { encoding: 'utf8', input })
  return { status, stdout, stderr }
}

/** A solver that knows the programmes it has solved: many commands plan the same class. */
const solved = new Map<string, Solved | undefined>()
let solve: Solve
const solver = async (): Promise<Solve> => {
  solve ??= await loadSolver()
  return (programme) => {
    const key = stringify(programme)
    if (!solved.has(key)) solved.set(key, solve(programme))
    return structuredClone(solved.get(key))
  }
}

/** The same, without a process for each command. */
async function wakaru(args: string[]) {
  const said: string[] = []
  const complained: string[] = []
  const status = await run(args, {
    say: text => void said.push(`${text}\n`),
    complain: text => void complained.push(`${text}\n`),
    input: () => '',
    solver,
  })
  return { status, stdout: said.join(''), stderr: complained.join('') }
}
const DEMO = 'demo/tide-and-lantern.json'
const folder = mkdtempSync(join(tmpdir(), 'wakaru-test-'))
const changed = (name: string, from: string, to: string) => {
  const path = join(folder, name)
  writeFileSync(path, readFileSync(DEMO, 'utf8').replace(from, to))
  return path
}

describe('wakaru on the command line', () => {
  it('prints every piece, as a table and as data', async () => {
    const table = await wakaru(['pieces', DEMO])
    expect(table.status).toBe(0)
    expect(table.stdout).toContain('8 1/2 × 5 1/2 in')
    expect(table.stdout).toContain('Back panel C 4 1/4 − 2 × Border 1/8')
    const { cards } = JSON.parse((await wakaru(['pieces', DEMO, '--json'])).stdout)
    expect(cards[0].pieces[3]).toMatchObject({
      key: 'mat-c', width: '4 in', height: '5 1/4 in', quantity: 16, paper: 'pool--shore',
    })
    expect(cards[0].pieces[0].scores[0]).toEqual({
      at: '2 1/8 in', fromOtherEnd: '6 3/8 in', direction: 'mountain', turnOver: true,
    })
  })

  it('plans every paper with its bound', async () => {
    const plans: { paper: string, sheets: number, bound: number }[] = JSON.parse(
      (await wakaru(['plan', DEMO, '--json'])).stdout,
    )
    expect(plans).toHaveLength(9)
    expect(plans.find(({ paper }) => paper === 'kelp')).toMatchObject({ sheets: 4, bound: 4 })
    expect((await wakaru(['plan', DEMO])).stdout).toMatch(
      /1\. 4 × sheet 1, 8 1\/2 × 11 in: fence 5 1\/2 in along the height, 1 cut/,
    )
  })

  it('lists the kits', async () => {
    expect((await wakaru(['kits', DEMO])).stdout).toContain('Spare 2')
    const { seats, money, tasks, totals } = JSON.parse((await wakaru(['kits', DEMO, '--json'])).stdout)
    expect(seats).toHaveLength(16)
    expect(seats[10]).toMatchObject({ key: 'seat-11', profile: 'By post or online', adhesive: 'in the bag' })
    expect(money.cost).toBeCloseTo(totals.cost + money.work + money.venue + money.posting, 6)
    expect(tasks.at(-1)).toMatchObject({ name: 'Pack', what: '224 pieces into 16 bags' })
  })

  it('lists what to buy by where it is bought', async () => {
    const { stdout, status } = await wakaru(['shopping', DEMO])
    expect(status).toBe(0)
    expect(stdout.indexOf('Harbour stationer')).toBeLessThan(stdout.indexOf('Elsewhere'))
    const groups = JSON.parse((await wakaru(['shopping', DEMO, '--json'])).stdout)
    expect(groups.map(({ where }: { where: string }) => where)).toEqual(['Harbour stationer', ''])
    expect(groups[0].lines).toContainEqual(expect.objectContaining({ item: 'small-envelopes', ordered: 1, missing: 0 }))
  })

  it('reads standard input', async () => {
    expect(program(['pieces', '-'], readFileSync('demo/paper-boats.json', 'utf8')).stdout).toMatch(/: \d+ kits/)
  })

  it('writes a stamping mask of every face that is seen, and says what never shows', async () => {
    const masks = join(folder, 'masks')
    expect((await wakaru(['fold', 'split-front-pocket', '--masks', masks])).status).toBe(0)
    const mask = readFileSync(join(masks, 'split-front-pocket-message.svg'), 'utf8')
    // 3 1/2 × 4 3/4 in with an edge of 3 points round it.
    expect(mask).toContain('width="258pt" height="348pt"')
    expect((await wakaru(['fold', 'ledge-stand', '--set', 'figure=true'])).stdout).toContain(
      'is never seen, closed or open',
    )
  })

  it('answers 1 where something must be settled first', async () => {
    const { status, stdout } = program([
      'pieces', changed('wide.json', '"plate": true', '"plate": true, "plateWidth": "5 in"'),
    ])
    expect(status).toBe(1)
    expect(stdout).toContain('STOP  Harbour lantern: Plate width is 5 in, but must be at most 4 in')
  })

  it.each([
    [['pieces', 'nowhere.json'], 'nowhere.json cannot be read'],
    [['fold'], 'fold takes the identifier of a fold; there are: z-fold'],
    [['fold', 'swan'], 'There is no fold “swan”'],
    [['fold', 'bridge', '--set', 'dept=1 in'], '“dept” is not a parameter of this fold. It has: width, height, depth'],
    [['fold', 'bridge', '--set', 'depth=deep'], 'Range: more than zero, up to 5 m'],
    [['fold', 'bridge', '--set', 'scene=maybe'], 'either true or false'],
    [['fold', 'bridge', '--units', 'cubits'], '--units is inch or metric'],
    [['pieces'], 'pieces takes one batch file'],
    [['pieces', DEMO, DEMO], 'pieces takes one batch file'],
    [['dance', DEMO], 'There is no command “dance”'],
    [['toString', DEMO], 'There is no command “toString”'],
    [['pieces', DEMO, '--yaml'], 'yaml'],
    [['pieces', 'package.json'], '"format" must be "wakaru-batch"'],
    [['pieces', 'README.md'], 'is not JSON'],
    [['pieces', changed('seats.json', '"seats": 14', '"seats": 0')], 'class.seats: must be at least 1'],
    [
      ['pieces', changed('length.json', '"width": "4 1/4 in"', '"width": "4 1/4 ft"')],
      'cards[0].parameters.width: Finished width: “ft” is not a unit here',
    ],
  ])('answers 2 and says what is wrong: %j', async (args, message) => {
    const { status, stderr, stdout } = await wakaru(args)
    expect(stderr).toContain(message)
    expect([status, stdout]).toEqual([2, ''])
  })

  it('lists the folds and works one out', async () => {
    expect(
      JSON.parse((await wakaru(['folds', '--json'])).stdout).map(({ number }: { number: number }) => number),
    ).toEqual(Array.from({ length: 26 }, (_, index) => index + 1))
    const card = JSON.parse((await wakaru(['fold', 'bridge', '--set', 'depth=1 in', '--json'])).stdout)
    expect(card.pieces[0]).toMatchObject({ key: 'base', width: '8 in', height: '4 in' })
    expect(
      card.pieces[0].scores.map(({ at, direction }: { at: string, direction: string }) => `${at} ${direction}`),
    ).toEqual(['1 in mountain', '2 in valley', '6 in valley', '7 in mountain'])
    expect(card).toMatchObject({
      closed: { width: '6 in', height: '4 in', depth: '0 in' }, displayed: { width: '6 in', depth: '1 in' },
    })
    expect((await wakaru(['fold', 'bridge', '--units', 'metric'])).stdout).toContain('206 × 100')
  })

  it('proves a plan and verifies it, and says what is wrong with one that was changed', async () => {
    const planned = await wakaru(['plan', DEMO, '--json'])
    expect(planned.status).toBe(0)
    const papers = JSON.parse(planned.stdout)
    expect(papers.every(({ sheets, bound }: { sheets: number, bound: number }) => sheets === bound)).toBe(true)
    const file = join(folder, 'plan.json')
    writeFileSync(file, planned.stdout)
    expect(await wakaru(['verify', file])).toMatchObject({
      status: 0, stdout: expect.stringContaining('can be cut as it stands'),
    })
    // The steps are those in the file: one that is wrong there is found, though the plan is right.
    const right = papers[0].steps[0].keep.quantity
    papers[0].steps[0].keep.quantity = right + 1
    writeFileSync(file, JSON.stringify(papers))
    expect(await wakaru(['verify', file])).toMatchObject({
      status: 1, stdout: expect.stringContaining('came off, not'),
    })
    papers[0].steps[0].keep.quantity = right
    papers[0].plan.layouts[0].repeats = 1
    writeFileSync(file, JSON.stringify(papers))
    expect(await wakaru(['verify', file])).toMatchObject({ status: 1, stdout: expect.stringContaining('promised') })
    for (const [text, reason] of [
      ['{}', 'is not a list'],
      ['[7]', '[0] is not a planned paper'],
      ['plan', 'is not JSON'],
      [
        '[{"paper":"a","problem":{"demands":[],"supplies":[],"cutter":{}},"plan":{"layouts":[{}],"unplaced":[]},"steps":[]}]',
        'wrong',
      ],
    ] as const) {
      writeFileSync(file, text)
      const { status, stdout, stderr } = await wakaru(['verify', file])
      expect([status !== 0, stdout + stderr]).toEqual([true, expect.stringContaining(reason)])
    }
  })

  it.each([
    ['plan', '"leaf": "75 mm"', '"leaf": "0.000001 mm"', 'nothing that small can be cut'],
    ['drawer', '"leaf": "75 mm"', '"leaf": "0.000001 mm"', 'nothing under 1 mm can be cut'],
    ['drawer', '"squaring": "0 mm"', '"squaring": "200 mm"', '0 kits from what is on hand'],
    ['plan', '"squaring": "0 mm"', '"squaring": "200 mm"', 'Nothing is left of a sheet once it is squared'],
    [
      'plan',
      '"insertHeight": "90 mm",\n        "border": "3 mm"',
      '"insertHeight": "90 mm",\n        "border": "100 in"',
      'nothing is left of it',
    ],
  ])('answers %s for sizes that nobody cuts, and says what is wrong with them', async (command, from, to, said) => {
    const file = join(folder, 'odd.json')
    const text = readFileSync('demo/paper-boats.json', 'utf8')
    expect(text).toContain(from)
    writeFileSync(file, text.replace(from, to))
    const { status, stdout, stderr } = await wakaru([command, file])
    expect([[0, 1].includes(status ?? 9), stderr]).toEqual([true, ''])
    expect(stdout).toContain(said)
  })

  it('counts kits from the drawer and writes cuts as CSV', async () => {
    const { kits, papers } = JSON.parse((await wakaru(['drawer', DEMO, '--json'])).stdout)
    expect(kits).toBe(Math.min(...papers.map((paper: { kits: number }) => paper.kits)))
    expect((await wakaru(['drawer', DEMO])).stdout).toContain(
      `${kits} kits from what is on hand; first to run out: Herring.`,
    )
    const csv = await wakaru(['plan', DEMO, '--csv'])
    expect([csv.status, csv.stdout.split('\n')[0]]).toEqual([0, expect.stringContaining('Paper,Step,Setting,In hand')])
    const refused = await wakaru(['share', DEMO, '--csv'])
    expect(refused).toMatchObject({ status: 2, stderr: expect.stringContaining('--csv goes with plan, kits') })
    const bags = (await wakaru(['kits', DEMO, '--csv'])).stdout.trimEnd().split('\n')
    // A row for each piece of the 16 bags, below the head.
    expect([bags.length, bags[0]]).toEqual([
      225, 'Bag,Name,Made ready,Card,Colourway,What,Count,Width,Height,Paper,State',
    ])
    expect((await wakaru(['shopping', DEMO, '--csv'])).stdout).toContain(
      'Harbour stationer,Clear bags,16,12,,1 pack of 50,3.00',
    )
  })

  it('shares prints out so that bags differ, with the sheets that takes and what each rule costs', async () => {
    const small = JSON.parse(readFileSync(DEMO, 'utf8'))
    Object.assign(small.class, { seats: 5, spares: 0 })
    Object.assign(small, { cards: small.cards.slice(0, 1), roster: small.roster.slice(0, 5) })
    const file = join(folder, 'small.json')
    writeFileSync(file, JSON.stringify(small))
    const told = JSON.parse((await wakaru(['share', file, '--json'])).stdout)
    expect([told.kits.length, told.sheets <= told.bound, told.missing, told.violations]).toEqual([5, true, 0, []])
    // Another sheet would weigh more than the neighbours that stay alike.
    expect(told.broken).toMatchObject({ touching: 0, different: 0 })
    expect(told.costs.map(({ rule }: { rule: string }) => rule)).toEqual([
      'touching', 'neighbours', 'different', 'evenly',
    ])
    expect(new Set(told.kits.map(({ prints }: { prints: object }) => JSON.stringify(prints))).size).toBeGreaterThan(2)
    const path = join(folder, 'share.json')
    writeFileSync(path, JSON.stringify(told))
    expect(await wakaru(['verify', path])).toMatchObject({
      status: 0, stdout: expect.stringContaining('every kit has every print'),
    })
    told.kits[0].prints['mat-a'] = 'chalk'
    writeFileSync(path, JSON.stringify(told))
    expect(await wakaru(['verify', path])).toMatchObject({
      status: 1, stdout: expect.stringContaining('not in the pool'),
    })
    writeFileSync(path, JSON.stringify({ ...told, cards: [null] }))
    expect(await wakaru(['verify', path])).toMatchObject({ status: 1, stdout: expect.stringContaining('is broken') })
    expect((await wakaru(['share', file, '--most'])).stdout).toMatch(
      /\d+ kits from the sheets on hand; more (are impossible|than \d+ are impossible)/)
    const without = await wakaru(['share', 'demo/first-frost.json'])
    expect(without).toMatchObject({ status: 0, stdout: expect.stringContaining('nothing to share out') })
    expect(await wakaru(['plan', DEMO, '--most'])).toMatchObject({
      status: 2, stderr: expect.stringContaining('--most goes with share'),
    })
  }, 60_000)

  it('dresses a fold from a file, and lists its faces', async () => {
    const dress = async (name: string, data: unknown) => {
      const path = join(folder, name)
      writeFileSync(path, typeof data === 'string' ? data : JSON.stringify(data))
      return await wakaru(['fold', 'gatefold', '--json', '--dress', path])
    }
    const stamped = { key: 'base--middle--inside', stamped: true, message: false, layers: [] }
    const bare = JSON.parse((await dress('bare.json', { faces: [stamped] })).stdout)
    expect(bare.pieces.map(({ key }: { key: string }) => key)).not.toContain('mat-middle')
    expect(bare.faces).toContainEqual({ key: 'base--middle--inside', name: 'Middle, inside', layers: [] })
    expect(bare.stamping.map(({ where }: { where: string }) => where)).toContain('Middle, inside')
    for (const [data, words] of [
      [
        { faces: [{ key: 'base--roof--inside', stamped: false, layers: [] }] },
        'no face “base--roof--inside”; it has: base--left--inside',
      ],
      [{ faces: [{ key: 'base--left--inside', stamped: 'no', layers: [] }] }, 'faces[0].stamped'],
      [{ hats: [] }, 'hats: is not known here'],
      ['{', 'is not JSON'],
    ] as const) {
      const { status, stderr } = await dress('wrong.json', data)
      expect(status).toBe(2)
      expect(stderr).toContain(words)
    }
    expect(await wakaru(['fold', 'gatefold', '--dress', join(folder, 'none.json')])).toMatchObject({ status: 2 })
  })

  it('writes the flat patterns of a fold', async () => {
    const { files } = JSON.parse(
      (await wakaru(['fold', 'gatefold', '--svg', folder, '--dxf', folder, '--json'])).stdout,
    )
    expect(files).toEqual(
      ['gatefold-base.svg', 'gatefold-band.svg', 'gatefold-base.dxf', 'gatefold-band.dxf'].map(name =>
        join(folder, name),
      ),
    )
    expect(readFileSync(files[0], 'utf8')).toContain('width="215.9mm"')
    expect(await wakaru(['fold', 'gatefold', '--svg', join(DEMO, 'inside')])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('cannot be written'),
    })
  })

  it('prints nothing but help when nothing is asked', async () => {
    expect(program([])).toMatchObject({ status: 2, stdout: expect.stringContaining('pieces FILE') })
    expect(program(['--help']).status).toBe(0)
  })
})
