import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { program, wakaru, DEMO, folder, changed } from './testing'

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
})
