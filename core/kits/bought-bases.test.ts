import highs from 'highs'
import { produce } from 'immer'
import { beforeAll, describe, expect, it } from 'vitest'
import { batchProblems, newCard, prepare, withOffers } from '../batch'
import { letterPaper } from '../batch/testing'
import type { Solve } from '../cutting'
import { solverOf, verifyPlan } from '../cutting'
import type { Batch, PaperEntry } from '../document'
import { newClass } from '../document'
import { foldById } from '../folds'
import { planAll } from '../plans'
import { handoutSection, scoreSection } from '../printed'
import { kitsOfBatch, packedBags, shoppingList, tasksOf } from '.'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

/** Bases of 5 1/2 × 4 1/4 in when they are closed, laid open the way that is said. */
const bases = (width: string, height: string, folded: PaperEntry['folded']) => letterPaper('bases', {
  name: 'Bought bases', folded, stocks: [{ key: 'base', width, height, onHand: 4, pack: 10, price: 300 }],
})

const USUAL = bases('11 in', '4 1/4 in', 'width')

function evening(of = USUAL, change: (draft: Batch) => void = () => {}): Batch {
  const plain = newClass({ title: 'Bought', date: '2030-01-01', units: 'inch', seats: 6, spares: 0 })
  const batch: Batch = { ...plain, papers: [of, letterPaper('kelp')] }
  const card = newCard(foldById('plain-card')!, batch, { parameters: { width: '5 1/2 in', height: '4 1/4 in' } })
  const { pieces } = prepare({ ...batch, cards: [card] }).cards[0]!
  card.papers = Object.fromEntries(pieces.map(({ key }) => [key, key === 'base' ? 'bases' : 'kelp']))
  return produce({ ...batch, cards: [card] }, change)
}
const textsOf = (sections: unknown) => JSON.stringify(sections)

describe('bases that are bought folded', () => {
  it('are taken as they come, whichever way they lie and whatever is trimmed off other sheets', () => {
    for (const of of [bases('11 in', '4 1/4 in', 'width'), bases('4 1/4 in', '11 in', 'height')]) {
      const batch = evening(of, draft => void (draft.tools.squaring = '1/8 in'))
      expect(batchProblems(batch)).toEqual([])
      const preparation = prepare(batch)
      const outcome = planAll(batch, preparation, solve).find(({ paper }) => paper.key === 'bases')!
      expect(verifyPlan(outcome.plan, outcome.entry.problem)).toEqual([])
      const { sheets, bound, unplaced } = outcome.plan
      expect([sheets, bound, unplaced]).toEqual([6, 6, []])
      expect(outcome.plan.layouts.map(({ root }) => root.kind)).toEqual(['piece'])
      const kits = kitsOfBatch(batch, preparation, planAll(batch, preparation, solve))
      const [line] = shoppingList(batch, kits, batch.supplies).flatMap(({ lines }) => lines)
        .filter(({ item }) => item === 'bases')
      expect([line!.toBuy, line!.besides]).toEqual([1, '8 Bought bases'])
    }
  })

  it('give several where they are only cut across their fold, and none that would fold beside it', () => {
    const two = evening(bases('11 in', '8 1/2 in', 'width'))
    const [outcome] = planAll(two, prepare(two), solve).filter(({ paper }) => paper.key === 'bases')
    expect([outcome!.plan.sheets, prepare(two).cards[0]!.findings.filter(({ paper }) => paper)]).toEqual([3, []])
    const [stop] = prepare(evening(bases('12 in', '6 in', 'width'))).cards[0]!.findings
      .filter(({ severity }) => severity === 'stop')
    expect(stop!.problem).toMatch(/^folds in the middle of 11 in, and “Bought bases” comes folded in .* 12 in/)
  })

  it('are no paper for what has no fold in its middle: another one is offered', () => {
    const batch = evening(USUAL, (draft) => {
      for (const part of Object.keys(draft.cards[0]!.papers)) draft.cards[0]!.papers[part] = 'bases'
    })
    const { cards: [card], shelf } = prepare(batch)
    const found = withOffers(card!.findings, card!, shelf, 'inch').filter(({ paper }) => paper === 'bases')
    expect(found.length).toBeGreaterThan(0)
    for (const { part, problem, instead } of found)
      expect([part === 'base', problem, instead?.paper]).toEqual([
        false, expect.stringContaining('that fold runs through it'), 'kelp',
      ])
  })

  it('are not scored again: no minutes, and the hand-out begins with the fold', () => {
    const scoring = (of?: PaperEntry) => {
      const batch = evening(of, (draft) => {
        for (const profile of draft.prep.profiles) profile.levels = { base: 'scored' }
      })
      const preparation = prepare(batch)
      const [bag] = packedBags(preparation)
      return {
        tasks: tasksOf(preparation).filter(({ name }) => name === 'Score').map(({ times }) => times),
        bag: textsOf(handoutSection(bag!.kits[0]!, bag!, 'inch')),
        card: textsOf(scoreSection(preparation.cards[0]!, 'inch')),
      }
    }
    const [bought, cut] = [scoring(), scoring(letterPaper('bases', { name: 'Bought bases' }))]
    expect([bought.tasks, cut.tasks]).toEqual([[], [6]])
    expect([bought.bag, cut.bag].map(text => text.includes('comes folded'))).toEqual([true, false])
    expect([bought.card, cut.card].map(text => text.includes('not scored again'))).toEqual([true, false])
  })

  it('have one size, and are no pad', () => {
    const wrong = (change: (paper: PaperEntry) => void) =>
      batchProblems(evening(USUAL, draft => change(draft.papers[0]!)))
        .map(({ path, problem }) => `${path} ${problem}`)
    expect(wrong(paper => void paper.stocks.push({ ...paper.stocks[0]!, key: 'other', width: '10 in' }))).toEqual([
      expect.stringMatching(/^papers\[0\]\.stocks have one size, laid open/),
    ])
    const pad = { kind: 'pad' as const, holds: [{ key: 'kelp', count: 10 }] }
    expect(wrong(paper => void Object.assign(paper, pad))).toContainEqual(
      expect.stringMatching(/^papers\[0\]\.folded is for bases that are bought folded/),
    )
  })
})
