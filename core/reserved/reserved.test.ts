import { plainPaper } from '../document'
import fc from 'fast-check'
import highs from 'highs'
import { stringify } from 'devalue'
import { beforeAll, describe, expect, it } from 'vitest'
import { prepare } from '../batch'
import type { PaperProblem } from '../batch'
import type { Plan, Solve } from '../cutting'
import { plansFor, problemKey, solverOf, verifyPlan } from '../cutting'
import type { Batch, PaperEntry } from '../document'
import { keptId, keptOf } from '../kept'
import { kitsOfBatch } from '../kits'
import { MILLIMETRE } from '../lengths'
import {
  outcomeOf, planAll, planHidden, prepareShared, shelvePieces, togetherProblem, withPlans,
} from '../plans'
import { randomClass } from '../recount/testing'
import { sharedToTheEnd } from '../sharing'
import { plansTogether, togetherKey } from '../together'
import type { ComingClass, CutFor, Take } from '.'
import { addedUp, atOnce, reservedBy, savingInWords, takenBefore, takesOf, unfitFor } from '.'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const paper = (key: string, onHand: number, offcuts = 0): PaperEntry => plainPaper({
  key, name: key.toUpperCase(), kind: 'print', weight: 120, colour: '#aabbcc', motif: 'dots',
  stocks: [{ key: 'letter', width: '8 1/2 in', height: '11 in', onHand, pack: 1, price: 40 }],
  offcuts: offcuts > 0 ? [{ key: 'half', width: '5 1/2 in', height: '8 1/2 in', count: offcuts }] : [],
})
const take = (item: string, count: number, more: Partial<Take> = {}): Take =>
  ({ sort: 'sheet', item, stock: 'letter', name: '', count, ordered: 0, price: null, ...more })
const coming = (id: number, day: string, ...takes: Take[]): ComingClass =>
  ({ id, title: `Class ${id}`, day, takes, missing: [], known: 'planned' })

describe('what classes take from the shelf', () => {
  it('goes to who teaches first; the last sheet belongs to one of two of a day', () => {
    const classes = [
      coming(7, '2027-03-02', take('kelp', 2)), coming(3, '2027-03-02', take('kelp', 3)),
      coming(9, '2027-02-01', take('kelp', 4, { ordered: 9 })),
    ]
    const [line] = reservedBy(classes, [paper('kelp', 6)])
    expect(line?.takes.map(({ class: id, has, short }) => [id, has, short])).toEqual([[9, 4, 0], [3, 2, 1], [7, 0, 2]])
    expect([line?.left, line?.toBuy, line?.cost, line?.by]).toEqual([0, 3, 120, '2027-03-02'])
    expect(takenBefore([line!], classes, 7)).toEqual([{ item: 'kelp', stock: 'letter', count: 6, classes: [9, 3] }])
    expect(takenBefore([line!], classes, 9)).toEqual([])
  })

  it('leaves out what has left the shelf, and buys no offcut', () => {
    const lines = reservedBy([
      coming(1, '2027-01-01', take('gone', 2), take('kelp', 1, { stock: 'other' }), take('kelp', 3, {
        sort: 'offcut', stock: 'half',
      })),
    ], [paper('kelp', 0, 2)])
    expect(lines.map(({ sort, toBuy, cost, price }) => [sort, toBuy, cost, price])).toEqual([['offcut', 1, null, null]])
  })

  it('is dealt out to the last sheet, whatever the order in which classes come', () => {
    const any = fc.array(fc.record({
      day: fc.constantFrom('2027-01-01', '2027-01-02', '2027-05-01'),
      takes: fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.nat(9), fc.nat(3)), { maxLength: 4 }),
    }), { maxLength: 7 })
    fc.assert(fc.property(any, fc.nat(20), fc.nat(9), (many, first, second) => {
      const classes = many.map(({ day, takes }, id) => coming(id, day, ...new Map(takes.map(([key, count, ordered]) =>
        [key, take(key, count, { ordered })])).values()))
      const shelf = [paper('a', first), paper('b', second), paper('c', 0)]
      const lines = reservedBy(classes, shelf)
      expect(reservedBy([...classes].reverse(), shelf)).toEqual(lines)
      for (const line of lines) {
        // Sheet by sheet, as hands would deal them out.
        let pile = line.onHand
        const hands = [...classes].sort((a, b) => `${a.day} ${a.id}`.localeCompare(`${b.day} ${b.id}`))
        let buy = 0
        for (const one of hands) {
          const wanted = one.takes.find(({ item }) => item === line.item)
          if (!wanted) continue
          let lacks = 0
          for (let sheet = 0; sheet < wanted.count; sheet++) {
            if (pile > 0) pile -= 1
            else lacks += 1
          }
          expect(line.takes.find(other => other.class === one.id)).toMatchObject({ short: lacks })
          buy += Math.max(0, lacks - wanted.ordered)
        }
        expect([line.left, line.toBuy]).toEqual([pile, buy])
      }
    }))
  })
})

/** Everything that a browser would keep once a class is planned to the end. */
function keptOfClass(batch: Batch, version: string): Record<string, string> {
  const kept: Record<string, string> = {}
  const keep = (kind: Parameters<typeof keptOf>[0], key: string, answer: unknown) =>
    (kept[keptId(keptOf(kind, version), key)] = stringify(answer))
  const first = prepare(batch)
  if (first.sharing) keep('sharing', first.sharing.key, sharedToTheEnd(first.sharing.problem, solve))
  const preparation = prepareShared(batch, solve)
  const planned = (entry: PaperProblem) => {
    const plans = plansFor(entry.problem, solve)
    keep('plans', problemKey(entry.problem), plans)
    return outcomeOf(entry, plans, batch)
  }
  const alone = preparation.papers.map(planned)
  const problem = togetherProblem(alone, batch)
  const together = problem ? plansTogether(problem, solve) : new Map<string, Plan>()
  if (problem) keep('together', togetherKey(problem), together)
  planHidden(preparation, withPlans(alone, together), planned)
  return kept
}

describe('what one class takes', () => {
  const classes = [7, 19].map(seed => randomClass(seed))

  it('is what its plans use, where they are kept; else what comes to hand, and what is wanted is said', () => {
    let exact = 0
    for (const batch of classes) {
      const kept = keptOfClass(batch, '1')
      const found = takesOf(batch, '1', kept)
      const preparation = prepareShared(batch, solve)
      const outcomes = planAll(batch, preparation, solve)
      const { purchases } = kitsOfBatch(batch, preparation, outcomes)
      if (found.wants.length === 0) {
        exact += 1
        const sheets = purchases.filter(({ sort }) => sort === 'paper')
          .map(({ item, stock, needed }) => [item, stock, needed])
        expect(found.takes.filter(({ sort }) => sort === 'sheet').map(({ item, stock, count }) => [item, stock, count]))
          .toEqual(sheets)
      }
      const rough = takesOf(batch, '1', {})
      expect(rough.wants.length).toBeGreaterThan(0)
      // A plan that is damaged, or of another planner, is none.
      expect(takesOf(batch, '1', Object.fromEntries(Object.keys(kept).map(id => [id, '[1]'])))).toEqual(rough)
      expect(takesOf(batch, '2', kept).takes).toEqual(rough.takes)
    }
    expect(exact).toBe(2)
  }, 120_000)
})

describe('one paper cut for several classes', () => {
  const cutFor = (batch: Batch, id: number): CutFor[] => prepare(batch).papers
    .filter(({ problem: { demands } }) => demands.length > 0 && demands.length < 12)
    .map(entry => ({ id, title: `Class ${id}`, entry }))

  it('gives every class what it wants, from what lies there once, with no more sheets than one after the other', () => {
    let asked = 0
    for (const seed of [3, 7, 31]) {
      const batch = randomClass(seed)
      const fewer = { ...batch, class: { ...batch.class, seats: Math.max(1, batch.class.seats - 3) } }
      for (const first of cutFor(batch, 1).slice(0, 2)) {
        const second = cutFor(fewer, 2).find(({ entry }) => entry.paper.key === first.entry.paper.key)
        if (!second || unfitFor(second, first)) continue
        const { entry, shares } = atOnce([first, second])
        for (const { key, quantity } of entry.problem.demands) {
          const own = [first, second].map(({ entry: { problem } }) =>
            problem.demands.find(demand => demand.key === key)?.quantity ?? 0)
          expect(quantity).toBe(own[0]! + own[1]!)
          expect(shares.get(key)?.map(share => share.count)).toEqual(own.filter(count => count > 0))
        }
        const lying = (of: CutFor['entry']) => of.problem.supplies.filter(({ kind }) => kind !== 'drop-out')
        expect(lying(entry)).toEqual(lying(first.entry))
        const [plan] = plansFor(entry.problem, solve)
        expect(verifyPlan(plan, entry.problem)).toEqual([])
        const alone = [first, second].map(one => outcomeOf(one.entry, plansFor(one.entry.problem, solve), batch))
        if (plan.unplaced.length > 0 || alone.some(one => one.plan.unplaced.length > 0)) continue
        asked += 1
        // What lies there once serves one of them alone: so much may have to be cut from fresh sheets after all.
        const twice = alone.reduce((sum, one) => sum + one.usedUp.filter(({ kind }) => kind === 'offcut')
          .reduce((more, { count }) => more + count, 0), 0)
        expect(outcomeOf(entry, plansFor(entry.problem, solve), batch).fewest.plan.sheets)
          .toBeLessThanOrEqual(addedUp(alone).sheets + twice)
      }
    }
    expect(asked).toBeGreaterThan(2)
  }, 120_000)

  it('says what it saves and what it takes more, in one sentence', () => {
    const words = (sheets: number, minutes: number) => savingInWords(
      { sheets: 10, spending: 0, settings: 0, minutes: 20.2 },
      { sheets: 10 - sheets, spending: 0, settings: 0, minutes: 20.2 - minutes },
    )
    expect([words(1, 2), words(2, -5), words(0, 3), words(-1, 0), words(-2, -1), words(0, 0.1)]).toEqual([
      'saves 1 sheet and 2 min', 'saves 2 sheets but takes 5 min more', 'saves 3 min', 'takes 1 sheet more',
      'takes 2 sheets and 1 min more', 'saves nothing',
    ])
  })

  it('is not offered where cutting has begun or is done otherwise', () => {
    const [first] = cutFor(randomClass(3), 1)
    const other = (change: Partial<CutFor['entry']['problem']>): CutFor =>
      ({ ...first!, entry: { ...first!.entry, problem: { ...first!.entry.problem, ...change } } })
    const kept = { supply: 'a', repeats: 1, root: { kind: 'waste' as const, width: MILLIMETRE, height: MILLIMETRE } }
    expect(unfitFor(other({ fixed: [kept] }), first!)).toMatch(/kept/)
    expect(unfitFor(other({ cutter: { ...first!.entry.problem.cutter, stack: 99 } }), first!)).toMatch(/other tools/)
    expect(unfitFor({ ...first!, entry: { ...first!.entry, spoiled: new Map([['a', 1]]) } }, first!)).toMatch(/begun/)
  })

  it('leaves its pieces on the shelf, and each class opens no sheet for them', () => {
    const batch = randomClass(7)
    const [first] = cutFor(batch, 1)
    const shelf = batch.papers.find(({ key }) => key === first!.entry.paper.key)!
    const { entry } = atOnce([first!, { ...first!, id: 2 }])
    const outcome = outcomeOf(entry, plansFor(entry.problem, solve), batch)
    const after: PaperEntry = JSON.parse(JSON.stringify(shelf))
    shelvePieces(after, outcome, batch.class.units)
    const then = { ...batch, papers: batch.papers.map(other => (other.key === after.key ? after : other)) }
    const next = prepare(then).papers.find(one => one.paper.key === after.key)!
    expect(outcomeOf(next, plansFor(next.problem, solve), then).plan.sheets).toBe(0)
  })
})
