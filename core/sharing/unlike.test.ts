import fc from 'fast-check'
import highs from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { brokenBy, fairShares, impossible, sharedToTheEnd, sharingViolations } from '.'
import type { Kind, Print, SharingProblem } from '.'
import { classesOf, typesOf } from './classes'
import { printOf12, rolesOf, rulesWith, sheetsFor } from './testing'
import type { Solve } from '../cutting'
import { solverOf } from '../cutting'
import { inches } from '../lengths'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const RULES = rulesWith()
const NAMES = ['ebb', 'flood', 'spray', 'foam']
const SIZES: [number, number][] = [[5.25, 4], [2.5, 4], [3.75, 2.75]]
const KEYS = ['5.25x4', '2.5x4', '3.75x2.75']
const kind = (prints: string[], roles: string[], kits: number): Kind => ({
  key: 'card',
  card: 'card',
  alike: 'card',
  name: 'Card',
  kits,
  apart: [{ roles: [0, 1], rule: 'touching' }],
  roles: rolesOf(prints, roles),
})

interface Stock { onHand: number, price: number | null, letter: boolean, swapped: boolean, named: number }
/** A print with sheets of its own kind and number; `swapped` ones have their two formats under each other's keys. */
function unlike(key: string, { onHand, price, letter, swapped, named }: Stock): Print {
  const print = printOf12(key, SIZES, onHand, price)
  const [square] = print.problem.supplies
  const [first, second] = swapped ? ['b', 'a'] : ['a', 'b']
  const supplies = letter
    ? [{ ...square!, key: first }, { ...square!, key: second, width: inches(8.5), height: inches(11), onHand: 1 }]
    : print.problem.supplies
  const demands = print.problem.demands.map((demand, at) => (at === 0 ? { ...demand, quantity: named } : demand))
  return { ...print, problem: { ...print.problem, supplies, demands } }
}

const stocks = fc.record({
  onHand: fc.integer({ min: 0, max: 5 }),
  price: fc.constantFrom(null, 60, 90),
  letter: fc.boolean(),
  swapped: fc.boolean(),
  named: fc.constantFrom(0, 0, 1, 3),
})

describe('prints with unlike sheets', () => {
  it('are shared out as the planner can cut them, never below the bound, and what must be kept is kept', () => {
    const cases = fc.record({
      stocks: fc.array(stocks, { minLength: 2, maxLength: 4 }), kits: fc.integer({ min: 1, max: 7 }),
      roles: fc.array(fc.constantFrom(...KEYS), { minLength: 2, maxLength: 3 }), touching: fc.boolean(),
    })
    let whole = 0
    fc.assert(fc.property(cases, ({ stocks, kits, roles, touching }) => {
      const names = NAMES.slice(0, stocks.length)
      const problem: SharingProblem = {
        prints: names.map((name, at) => unlike(name, stocks[at]!)),
        kinds: [kind(names, roles, kits)],
        rules: { ...RULES, ...(touching && { touching: { hold: 'must', weight: 0 } }) },
      }
      if (impossible(problem).length > 0) return
      const sharing = sharedToTheEnd(problem, solve)
      expect(sharing.kits[0]).toHaveLength(kits)
      expect(sharing.broken).toEqual(brokenBy(problem, sharing.kits))
      // Every layout is of a sheet that its own print has.
      for (const [print, layouts] of sharing.layouts ?? []) {
        const own = problem.prints.find(({ key }) => key === print)!.problem.supplies
        for (const { supply, root } of layouts)
          expect(
            own.some(({ key, width, height }) => key === supply && width === root.width && height === root.height),
          ).toBe(true)
      }
      const named = problem.prints.some(({ problem: { demands } }) => demands.some(({ quantity }) => quantity > 0))
      if (sharing.missing > 0 || named || sharing.sheets === undefined) return
      whole++
      expect(sheetsFor(problem, sharing, solve)).toEqual({ sheets: sharing.sheets, missing: 0 })
      expect(sharing.bound).toBeLessThanOrEqual(sharing.sheets)
    }), { numRuns: 25, seed: 3 })
    expect(whole).toBeGreaterThan(3)
  }, 120_000)

  it('stand for each other only where their sheets, prices and what is wanted of them are alike, whatever their keys', () => {
    const same: Stock = { onHand: 2, price: 90, letter: true, swapped: false, named: 0 }
    const stocks = [same, { ...same, swapped: true }, { ...same, price: null }, { ...same, named: 2 }]
    const prints = NAMES.map((name, at) => unlike(name, stocks[at]!))
    const problem: SharingProblem = { prints, kinds: [kind(NAMES, KEYS, 5)], rules: RULES }
    const classes = classesOf(problem)
    expect(classes.map(({ prints }) => prints.map(({ key }) => key))).toEqual([['ebb', 'flood'], ['spray'], ['foam']])
    expect(classes[0]!.stocks.map(of => of.map(({ key }) => key))).toEqual([['a', 'b'], ['b', 'a']])
    const types = typesOf(problem, classes)
    expect(types.map(({ classes: of, count }) => [of, count])).toEqual([[[0, 1, 2], 5], [[0, 1, 2], 5], [[0, 1, 2], 5]])
  })

  it('that cannot give what is wanted of them by name leave the others shared out', () => {
    const [none, much]: Stock[] = [
      { onHand: 0, price: null, letter: false, swapped: false, named: 3 },
      { onHand: 9, price: null, letter: false, swapped: false, named: 0 },
    ]
    const prints = [unlike('ebb', none!), unlike('flood', much!)]
    const sharing = sharedToTheEnd({ prints, kinds: [kind(['flood'], KEYS, 4)], rules: RULES }, solve)
    expect([sharing.missing, sharing.sheets! > 0]).toEqual([0, true])
  })
})

describe('what counts as even', () => {
  it('is a third about the fair share of the prints of a pool, and one role at least', () => {
    const shares = fairShares([kind(NAMES.slice(0, 3), KEYS, 6)])
    expect(shares.map(({ print, least, most }) => [print, least, most])).toEqual(
      NAMES.slice(0, 3).map(print => [print, 5, 7]),
    )
    expect(fairShares([kind(['ebb', 'flood'], KEYS.slice(0, 1), 1)]).map(({ least, most }) => [least, most])).toEqual([
      [0, 1], [0, 1],
    ])
  })
})

describe('a sharing that stands written out', () => {
  const card = { card: 'card', colourway: '', apart: [{ parts: ['a', 'b'] as [string, string], rule: 'touching' }],
    blanks: ['a', 'b'].map(part => ({
      parts: [part], pool: 'pool', width: 4, height: 3, count: 1, prints: ['ebb', 'flood'],
    })),
  }
  const kit = (a: string, b: string, bag: string) => ({ card: 'card', colourway: '', bag, prints: { a, b } })
  const cut = [{ print: 'ebb', width: 3, height: 4, count: 2 }, { print: 'flood', width: 4, height: 3, count: 2 }]
  const MUST = { hold: 'must', weight: 0 }
  const violations = (kits: ReturnType<typeof kit>[], rules: Record<string, typeof MUST> = {}) =>
    sharingViolations({ rules, cards: [card], kits, cut })

  it('is checked print by print, whichever way a piece lies, and by the rules that must be kept', () => {
    expect(
      violations([kit('ebb', 'flood', 'seat-1'), kit('flood', 'ebb', 'seat-2')], { touching: MUST, different: MUST }),
    ).toEqual([])
    expect(violations([kit('ebb', 'ebb', 'seat-1')], { touching: MUST })).toEqual([
      expect.stringContaining('must differ'),
    ])
    expect(violations([kit('ebb', 'flood', 'seat-1'), kit('ebb', 'flood', 'seat-2')], { different: MUST }))
      .toEqual([expect.stringContaining('is like the one for seat-1')])
    expect(violations([kit('ebb', 'ebb', 'seat-1'), kit('ebb', 'flood', 'seat-2')])).toEqual([
      expect.stringContaining('no more are cut'),
    ])
    expect(violations([kit('spray', 'ebb', 'seat-1')])).toEqual([expect.stringContaining('not in the pool')])
    expect(violations([{ ...kit('ebb', 'ebb', ''), colourway: 'gone' }])).toEqual([
      expect.stringContaining('which its card does not have'),
    ])
  })
})
