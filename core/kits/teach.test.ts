import load from 'highs'
import { describe, expect, it } from 'vitest'
import { prepare } from '../batch'
import { kitProblems, planAll } from '../plans'
import { ANY_CLASS, suggestions } from '.'
import type { Suggestion, TeachWishes } from '.'
import { plansFor, solverOf, verifyPlan } from '../cutting'
import type { Batch, PaperEntry } from '../document'
import { newClass, plainPaper } from '../document'
import type { Fold } from '../folds'
import { FOLDS, factsOf, foldById } from '../folds'

const solve = solverOf(await load())
const paper = (key: string, onHand: number, more: Partial<PaperEntry> = {}): PaperEntry => plainPaper({
  key,
  name: key,
  kind: 'cardstock',
  weight: 240,
  colour: '#506050',
  stocks: [{ key: 'letter', width: '8 1/2 in', height: '11 in', onHand, pack: 1, price: 50 }], ...more,
})
const shelf: Batch = {
  ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch', seats: 8, spares: 1 }),
  papers: [
    paper('moss', 20), paper('chalk', 12, { colour: '#f4f4f0' }),
    paper('dots', 4, { kind: 'print', weight: 120, motif: 'dots' }),
    paper('waves', 2, { kind: 'print', weight: 120, motif: 'ripples' }),
  ],
}
const SOME = FOLDS.filter(({ id }) => ['z-fold', 'plain-card', 'gatefold', 'box-envelope'].includes(id))

function all(
  wishes: Partial<TeachWishes> = {}, batch = shelf, folds: readonly Fold[] = SOME,
): { last: Suggestion[], steps: Suggestion[][] } {
  const steps: Suggestion[][] = []
  for (const search = suggestions(batch, { ...ANY_CLASS, ...wishes }, solve, folds); ;) {
    const { done, value } = search.next()
    if (done) return { last: value, steps }
    steps.push(value)
  }
}

describe('what could be taught', () => {
  const { last, steps } = all()

  it('is every fold that the shelf gives, what needs nothing bought first', () => {
    expect(last.length).toBeGreaterThan(2)
    const needs = last.map(({ kits, wanted }) => kits < wanted)
    expect(needs).toEqual([...needs].sort((a, b) => Number(a) - Number(b)))
    expect(steps[0]).toHaveLength(1)
    expect(all().last.map(({ fold, kits, papers }) => [fold, kits, papers])).toEqual(
      last.map(({ fold, kits, papers }) => [fold, kits, papers]))
  })

  it('can be cut as it is said: so many kits from what is on hand, and all of the class with what is bought', () => {
    for (const { batch, kits, most, whole } of last) {
      expect(most).toBeGreaterThanOrEqual(kits)
      for (const { problem, perKit } of kitProblems(batch, prepare(batch))) {
        const demands = problem.demands.map(demand => ({ ...demand, quantity: kits * (perKit.get(demand.key) ?? 0) }))
        const drawer = { ...problem, demands, supplies: problem.supplies.map(supply => ({ ...supply, price: null })) }
        const [best] = plansFor(drawer, solve)
        expect([best.unplaced, verifyPlan(best, drawer)]).toEqual([[], []])
      }
      const missing = planAll(batch, prepare(batch), solve).flatMap(({ plan }) => plan.unplaced)
      if (whole) expect(missing).toEqual([])
    }
  })

  it('keeps to what the class is to be like', () => {
    for (const { fold } of all({ skills: ['first card'] }, shelf, FOLDS).last)
      expect(foldById(fold)!.skill).toBe('first card')
    for (const { fold } of all({ flat: true }).last) expect(factsOf(foldById(fold)!, 'inch').flat).toBe(true)
    const quick = all({ minutes: 8 }).last
    expect(quick.length).toBeLessThan(last.length)
    for (const { minutes } of quick) expect(minutes).toBeLessThanOrEqual(8)
    for (const { fold } of all({ envelope: 'small' }).last) expect(fold).not.toBe('box-envelope')
  })

  it('is nothing on an empty shelf, and what can be bought where only that is there', () => {
    expect(all({}, { ...shelf, papers: [] }).last).toEqual([])
    const bare = shelf.papers.map(entry => ({ ...entry, stocks: entry.stocks.map(stock => ({ ...stock, onHand: 0 })) }))
    for (const { kits, toBuy, spending, whole } of all({}, { ...shelf, papers: bare }).last)
      expect([kits, toBuy.length > 0, spending > 0, whole]).toEqual([0, true, true, true])
  })

  it('says which size a mark or two off gives more', () => {
    const moved = last.flatMap(({ nearby, kits }) => (nearby ? [[nearby, kits] as const] : []))
    for (const [nearby, kits] of moved) expect(nearby.kits).toBeGreaterThan(kits)
    for (const { others, papers } of last) for (const other of others) expect(other.papers).not.toEqual(papers)
  })
})
