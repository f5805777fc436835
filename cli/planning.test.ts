import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { problemKey } from '../core/cutting'
import { newWork } from '../core/dressing'
import { readBatch } from '../core/formats'
import type { KeptKind } from '../core/kept'
import { keptId, keptOf, keptPlans, keptSharing, keptText, readPlansFile } from '../core/kept'
import { sumOf } from '../core/lists'
import { prepareShared } from '../core/plans'
import { DEMO, PLANNER, folder, program, solver, wakaru } from './testing'

describe('plans, shares and folds on the command line', () => {
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

  it('says in which one order the papers of a class are cut, and whose every part is', async () => {
    const { status, stdout } = await wakaru(['order', DEMO])
    expect(status).toBe(0)
    expect(stdout).toMatch(/\d+ settings of the fence, \d+ strokes, about \d+ min; each paper by itself \d+ settings/)
    const { orders: [order] } = JSON.parse((await wakaru(['order', DEMO, '--json'])).stdout)
    const plans = JSON.parse((await wakaru(['plan', DEMO, '--json'])).stdout)
    const inStacks = order.stacks.flatMap(({ papers }: { papers: { quantity: number }[] }) => papers)
      .map(({ quantity }: { quantity: number }) => quantity)
    const inPlans = plans.flatMap(({ plan }: { plan: { layouts: { repeats: number }[] } }) => plan.layouts)
      .map(({ repeats }: { repeats: number }) => repeats)
    expect(sumOf(inStacks)).toBe(sumOf(inPlans))
    expect(order.minutes).toBeLessThanOrEqual(order.apart.minutes)
    const csv = (await wakaru(['order', DEMO, '--csv'])).stdout.trim().split('\n')
    expect(csv).toHaveLength(1 + order.steps.length)
  })

  it('tells how every card is made, with what each step needs and how long a work takes', async () => {
    const { status, stdout } = await wakaru(['steps', DEMO])
    const steps = / 1\. Stamp “Safe harbour” on the message panel.* 3\. Score both creases and fold the base/s
    expect([status, stdout]).toEqual([0, expect.stringMatching(steps)])
    const file = JSON.parse(readFileSync(DEMO, 'utf8'))
    const works = [{ ...newWork('work-1'), technique: 'wash', shows: 'tide', by: 'instructor', times: 2 }]
    file.cards[0].parts = [{ key: 'plate', hold: null, foam: '0 in', works }]
    writeFileSync(join(folder, 'washed.json'), JSON.stringify(file))
    const { cards: [card] } = JSON.parse((await wakaru(['steps', join(folder, 'washed.json'), '--json'])).stdout)
    expect(card.steps[0]).toMatchObject({
      key: 'parts--plate--works--work-1', text: 'Wash “tide” on the plate, 2 times.',
      work: { technique: 'wash', by: 'instructor', minutes: 4, waiting: 10 },
    })
    const before = new Set<string>()
    for (const { key, needs } of card.steps) {
      expect(needs.filter((need: string) => !before.has(need))).toEqual([])
      before.add(key)
    }
  })

  it('rehearses an evening, and says by its exit status whether the class fits', async () => {
    const fits = await wakaru(['rehearse', DEMO])
    expect([fits.status, fits.stdout]).toEqual([0, expect.stringMatching(/The class fits: .* in 500 of 500/)])
    const file = { ...JSON.parse(readFileSync(DEMO, 'utf8')) }
    writeFileSync(join(folder, 'short.json'), JSON.stringify({ ...file, class: { ...file.class, lasts: 80 } }))
    const short = await wakaru(['rehearse', join(folder, 'short.json')])
    expect([short.status, short.stdout]).toEqual([1, expect.stringContaining('The cheapest that makes it fit: ')])
    const { stdout } = await wakaru(['rehearse', join(folder, 'short.json'), '--json'])
    const { rehearsal, together } = JSON.parse(stdout)
    expect([rehearsal.students, rehearsal.fits < 0.9, together.rehearsal.fits >= 0.9]).toEqual([14, true, true])
  })

  it('writes a sheet for each card as one page that needs nothing beside it', async () => {
    const { status, stdout } = await wakaru(['sheet', DEMO])
    expect([status, stdout]).toEqual([0, expect.stringMatching(/^<!doctype html>.*Harbour lantern.*Two tides/s)])
    expect(JSON.parse((await wakaru(['sheet', DEMO, '--json'])).stdout)).toHaveLength(2)
  })

  it('writes what it has found under what a page looks for', async () => {
    const file = join(folder, 'plans.json')
    expect(await wakaru(['plan', DEMO, '--keep', file])).toMatchObject({ status: 0 })
    const read = readPlansFile(readFileSync(file, 'utf8'))
    const batch = readBatch(readFileSync(DEMO, 'utf8'))
    if (!read.ok || !batch.ok) throw new Error('The files cannot be read.')
    const { sharing, papers } = prepareShared(batch.value, await solver())
    const found = (kind: KeptKind, key: string) => read.value.answers[keptId(keptOf(kind, PLANNER), key)]
    const shared = keptSharing(keptText(found('sharing', sharing!.key)!), sharing!.problem)
    expect(shared?.sheets).toBe(sharing!.sharing.sheets)
    for (const { problem } of papers)
      expect(keptPlans(keptText(found('plans', problemKey(problem))!), problem)!.length).toBeGreaterThan(0)
    expect(await wakaru(['kits', DEMO, '--keep', file])).toMatchObject({
      status: 2, stderr: expect.stringContaining('--keep goes with plan and order'),
    })
    expect(await wakaru(['plan', DEMO, '--keep', folder])).toMatchObject({
      status: 2, stderr: expect.stringContaining('cannot be written'),
    })
  })

  it('checks an order of cuts that it wrote, and finds what was changed in it', async () => {
    const own = JSON.parse(readFileSync(DEMO, 'utf8'))
    const file = join(folder, 'order.json')
    for (const sittings of [1, 2]) {
      writeFileSync(file, JSON.stringify({ ...own, wishes: { ...own.wishes, sittings } }))
      const { stdout } = await wakaru(['order', file, '--json'])
      const verified = async (change: (written: ReturnType<typeof JSON.parse>) => void) => {
        const written = JSON.parse(stdout)
        change(written)
        writeFileSync(join(folder, 'written.json'), JSON.stringify(written))
        const { status, stdout: said } = await wakaru(['verify', join(folder, 'written.json')])
        return [status, said.trim().split('\n').join(' ')]
      }
      expect(JSON.parse(stdout).orders).toHaveLength(sittings)
      expect(await verified(() => {})).toEqual([
        0, expect.stringMatching(/papers, \d+ steps: can be cut as it stands, and gives what every plan gives$/),
      ])
      const changes: [(written: ReturnType<typeof JSON.parse>) => void, RegExp][] = [
        [({ orders }) => void orders[0].steps.splice(1, 1), /is never cut up|step \d+: /],
        [({ orders }) => void (orders[0].steps[0].fence += 1_000_000), /measures something else|too little for/],
        [({ papers }) => void papers.pop(), /no plan is there for/],
        [({ orders }) => void orders.pop(), /is in no order/],
        [written => void (written.stack = 0.1), /thicker than the trimmer takes/],
        [({ papers }) => void (papers[0].plan.sheets += 1), /: /],
      ]
      for (const [change, said] of changes) {
        const [status, text] = await verified(change)
        expect([status, text]).toEqual([1, expect.stringMatching(said)])
      }
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
    expect(refused).toMatchObject({ status: 2, stderr: expect.stringContaining('--csv goes with plan, order, kits') })
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
    const stamped = { key: 'base--middle--inside', works: [newWork('work-1')], message: false, layers: [] }
    const bare = JSON.parse((await dress('bare.json', { faces: [stamped] })).stdout)
    expect(bare.pieces.map(({ key }: { key: string }) => key)).not.toContain('mat-middle')
    expect(bare.faces).toContainEqual({ key: 'base--middle--inside', name: 'Middle, inside', layers: [] })
    expect(bare.stamping.map(({ where }: { where: string }) => where)).toContain('Middle, inside')
    for (const [data, words] of [
      [
        { faces: [{ key: 'base--roof--inside', works: [], layers: [] }] },
        'no face “base--roof--inside”; it has: base--left--inside',
      ],
      [{ faces: [{ key: 'base--left--inside', stamped: 'no', layers: [] }] }, 'faces[0].works'],
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
