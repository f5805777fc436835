import fc from 'fast-check'
import highs from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { brokenBy, dealtOut, impossible, mostShared, shareOut, sharedToTheEnd } from '.'
import type { Kind, Print, Rules, Sharing, SharingProblem } from '.'
import { SHEET } from './model'
import { printOf12, rolesOf, rulesWith as rules, sheetsFor } from './testing'
import type { Solve } from '../cutting'
import { solverOf, spendingOf } from '../cutting'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const MUST = { hold: 'must', weight: 0 } as const
const wish = (weight: number) => ({ hold: 'wish', weight }) as const

const printsOf = (names: string[], sizes: [number, number][], onHand: number, price: number | null): Print[] =>
  names.map(key => printOf12(key, sizes, onHand, price))
const kindOf = (names: string[], sizes: string[], kits: number, apart: Kind['apart'] = []): Kind =>
  ({ key: 'card', card: 'card', alike: 'card', name: 'Card', kits, apart, roles: rolesOf(names, sizes) })
const toTheEnd = (problem: SharingProblem) => sharedToTheEnd(problem, solve)

const NAMES = ['ebb', 'flood', 'spray', 'foam']
const SIZES: [number, number][] = [[5.25, 4], [2.5, 4], [3.75, 2.75]]
/** Back, left and right panel and the plate of a Z-fold of 5 1/2 × 4 1/4 with borders of 1/8. */
const zFold = (kits: number): Kind => kindOf(NAMES, ['5.25x4', '2.5x4', '2.5x4', '3.75x2.75'], kits, [
  { roles: [1, 2], rule: 'touching' }, { roles: [0, 1], rule: 'neighbours' }, { roles: [0, 3], rule: 'neighbours' },
])

describe('four prints of one sheet each', () => {
  it.each<[string, Partial<Rules>]>([
    ['without rules', {}],
    ['with faces that touch of different prints', { touching: MUST }],
    ['with neighbours of different prints too', { touching: MUST, neighbours: MUST }],
    ['with all kits different', { touching: MUST, neighbours: MUST, different: MUST }],
  ])('give ten Z-folds and no more %s', (_, own) => {
    const problem: SharingProblem = { prints: printsOf(NAMES, SIZES, 1, null), kinds: [zFold(10)], rules: rules(own) }
    const { kits, most, sharing } = mostShared(problem, solve)
    expect([kits, most]).toEqual([10, 10])
    const broken = brokenBy(problem, sharing)
    for (const rule of Object.keys(own) as (keyof Rules)[]) expect([rule, broken[rule]]).toEqual([rule, 0])
    // The planner, which knows nothing of sharing, cuts just these pieces from the four sheets.
    expect(sheetsFor(problem, { kits: sharing }, solve)).toEqual({ sheets: 4, missing: 0 })
  })

  it('are the fewest for ten kits', () => {
    const problem: SharingProblem = { prints: printsOf(NAMES, SIZES, 1, 90), kinds: [zFold(10)],
      rules: rules({ touching: MUST, different: MUST }) }
    expect(toTheEnd(problem)).toMatchObject({ sheets: 4, bound: 4, missing: 0, broken: { touching: 0, different: 0 } })
  })
})

describe('a sharing', () => {
  it('keeps what must be kept, can be cut from the sheets it says, and is never below its bound', () => {
    const sizes = fc.subarray(['5.25x4', '2.5x4', '3.75x2.75'], { minLength: 1 })
    const cases = fc.record({
      prints: fc.integer({ min: 2, max: 4 }),
      roles: fc.array(
        sizes.map(list => list[0]!), { minLength: 2, maxLength: 4 },
      ),
      kits: fc.integer({ min: 1, max: 9 }),
      touching: fc.boolean(), different: fc.boolean(), evenly: fc.boolean(),
    })
    fc.assert(fc.property(cases, ({ prints, roles, kits, touching, different, evenly }) => {
      const names = NAMES.slice(0, prints)
      const problem: SharingProblem = {
        prints: printsOf(names, SIZES, 1, 90),
        kinds: [kindOf(names, roles, kits, [{ roles: [0, 1], rule: 'touching' }])],
        rules: rules({
          ...(touching && { touching: MUST }), ...(different && { different: MUST }),
          ...(evenly && { evenly: wish(1) }),
        }),
      }
      if (impossible(problem).length > 0) return
      const sharing = toTheEnd(problem)
      expect(sharing.kits[0]).toHaveLength(kits)
      expect(sharing.missing).toBe(0)
      if (touching) expect(sharing.broken.touching).toBe(0)
      if (different) expect(sharing.broken.different).toBe(0)
      expect(sharing.broken).toEqual(brokenBy(problem, sharing.kits))
      expect(sheetsFor(problem, sharing, solve)).toEqual({ sheets: sharing.sheets, missing: 0 })
      expect(sharing.bound).toBeLessThanOrEqual(sharing.sheets!)
      // What is dealt out at once needs no fewer.
      expect(sheetsFor(problem, dealtOut(problem), solve).sheets).toBeGreaterThanOrEqual(sharing.bound!)
    }), { numRuns: 20, seed: 5 })
  }, 60_000)

  it('uses prints evenly where as few sheets allow it, from whichever they are cut', () => {
    // Two pools that share two prints, too many ways to put a kit together for one programme; what lies there is of
    // every second.
    const keys = ['5.25x4', '2.5x4', '3.75x2.75']
    const names = [...NAMES, 'kelp', 'dune']
    const prints = names.map((key, at) => printOf12(key, SIZES, at % 2 ? 0 : 9, 90))
    const kinds = [names.slice(0, 4), names.slice(2)].map((options, at): Kind => ({
      ...kindOf([], [], 12),
      key: `way-${at}`,
      alike: `way-${at}`,
      roles: rolesOf(options, [...keys, ...keys], `pool-${at}`),
    }))
    const of = (weight: number) => {
      const problem: SharingProblem = { prints, kinds, rules: rules({ evenly: wish(weight), different: wish(10) }) }
      const sharing = toTheEnd(problem)
      expect([sharing.sheets, sharing.missing]).toEqual([sharing.bound, 0])
      expect(sheetsFor(problem, sharing, solve)).toEqual({ sheets: sharing.sheets, missing: 0 })
      const bought = prints.reduce(
        (sum, { key, problem }) => sum + spendingOf(sharing.layouts?.get(key) ?? [], problem.supplies) / 90, 0,
      )
      return { bought, uneven: sharing.broken.evenly }
    }
    const [weak, strong] = [of(1), of(10)]
    // Sheets that lie there go first unless a bought one makes up for it.
    expect(weak.bought).toBeLessThan(strong.bought)
    expect([strong.uneven < weak.uneven, strong.uneven]).toEqual([true, 0])
  })

  it('is the same every time', () => {
    const problem: SharingProblem = { prints: printsOf(NAMES, SIZES, 2, 90), kinds: [zFold(12)],
      rules: rules({ touching: { hold: 'wish', weight: 20 } }) }
    expect(toTheEnd(problem)).toEqual(toTheEnd(problem))
  })

  it('shows what was dealt out until there is one that breaks hardly more wishes, and gets better all the time', () => {
    const strict: Partial<Rules> = { touching: wish(60), neighbours: wish(40), different: wish(30) }
    const names = NAMES.slice(0, 3)
    const kinds = [{ ...zFold(14), roles: rolesOf(names, ['5.25x4', '2.5x4', '2.5x4', '3.75x2.75']) }]
    // Of the first there is one sheet and no more to buy.
    const prints = names.map((key, at) => printOf12(key, SIZES, at === 1 ? 3 : 1, at === 0 ? null : 90))
    const steps = [...shareOut({ prints, kinds, rules: rules(strict) }, solve)]
    const dealt = steps[0]!.shown
    const wishes = ({ broken }: Sharing) => 60 * broken.touching + 40 * broken.neighbours + 30 * broken.different
    expect([dealt.sheets, steps.some(({ best, shown }) => best !== shown)]).toEqual([undefined, true])
    for (const [at, { best, shown }] of steps.entries()) {
      expect(shown === dealt || wishes(shown) <= wishes(dealt) + SHEET).toBe(true)
      expect(shown === dealt || shown === best).toBe(true)
      if (at > 1) expect(best.cost!).toBeLessThanOrEqual(steps[at - 1]!.best.cost!)
    }
  })

  it('says how many kits the sheets do not suffice for, and bought ones are no way out', () => {
    const problem: SharingProblem = { prints: printsOf(NAMES, SIZES, 1, null), kinds: [zFold(14)], rules: rules() }
    const { missing, kits } = toTheEnd(problem)
    expect([missing >= 4, kits[0]!.length]).toEqual([true, 14])
  })

  it('weighs a wish against sheets', () => {
    // Two roles of a size that fills half a sheet: one print does with one sheet for both, two prints need two.
    const prints = printsOf(['ebb', 'flood'], [[12, 6]], 0, 90)
    const kinds = [kindOf(['ebb', 'flood'], ['12x6', '12x6'], 1, [{ roles: [0, 1], rule: 'touching' }])]
    const of = (weight: number) => toTheEnd({ prints, kinds, rules: rules({ touching: { hold: 'wish', weight } }) })
    expect([of(20), of(300)].map(({ sheets, broken }) => [sheets, broken.touching])).toEqual([[1, 1], [2, 0]])
  })
})

describe('dealt out at once', () => {
  it('prints keep the rules as far as they can, none is used twice as often as another', () => {
    const problem: SharingProblem = {
      prints: [], kinds: [zFold(20)], rules: rules({ touching: MUST, neighbours: MUST, different: MUST }),
    }
    const { kits, broken } = dealtOut(problem)
    expect([kits[0]!.length, broken.touching, broken.neighbours, broken.different]).toEqual([20, 0, 0, 0])
    const uses = NAMES.map((_, print) => kits[0]!.flat().filter(option => option === print).length)
    expect(Math.max(...uses)).toBeLessThan(2 * Math.min(...uses))
  })

  it('five hundred kits of twelve prints take no time worth a thought', () => {
    const names = Array.from({ length: 12 }, (_, at) => `print-${at}`)
    const kind = kindOf(names, ['a', 'a', 'b', 'b', 'c', 'd'], 500,
      [{ roles: [0, 1], rule: 'touching' }, { roles: [1, 2], rule: 'neighbours' }])
    expect(dealtOut({ prints: [], kinds: [kind],
      rules: rules({ different: MUST, touching: MUST }) }).broken).toMatchObject({ different: 0, touching: 0 })
  })
})

describe('rules that nobody can keep', () => {
  const of = (kind: Kind, own: Partial<Rules>) => impossible({ prints: [], kinds: [kind], rules: rules(own) })

  it('are named', () => {
    expect(of(kindOf(['ebb'], ['a', 'a'], 2, [{ roles: [0, 1], rule: 'touching' }]), { touching: MUST })).toEqual(
      [{ kind: 'card', rule: 'touching' }])
    expect(of(kindOf(['ebb'], ['a', 'a'], 2, [{ roles: [0, 1], rule: 'neighbours' }]), { neighbours: MUST })).toEqual(
      [{ kind: 'card', rule: 'neighbours' }])
    expect(of(kindOf(['ebb', 'flood'], ['a'], 3), { different: MUST })).toEqual([
      { kind: 'card', rule: 'different', combinations: 2 },
    ])
    expect(of(kindOf([], ['a'], 1), {})).toEqual([{ kind: 'card', rule: 'pool' }])
    expect(of(kindOf(['ebb', 'flood'], ['a', 'a'], 4), { different: MUST, touching: MUST })).toEqual([])
  })
})
