import highs from 'highs'
import { produce } from 'immer'
import { beforeAll, describe, expect, it } from 'vitest'
import { batchProblems, newCard, picturesTaken, prepare } from '../batch'
import { letterPaper } from '../batch/testing'
import type { Solve } from '../cutting'
import { mostKits, solverOf, verifyPlan } from '../cutting'
import type { Batch, PictureEntry } from '../document'
import { newClass } from '../document'
import { addFreePiece, newWork } from '../dressing'
import { foldById } from '../folds'
import { kitProblems, planAll } from '../plans'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const picture = (name: string, count: number): PictureEntry =>
  ({ key: name.toLowerCase(), name, width: '1 3/4 in', height: '2 1/2 in', count })

/** A card with two herons and a reed that are cut out of a print of the marsh, and a mat of the same print. */
function evening(change: (draft: Batch) => void = () => {}): Batch {
  const plain = newClass({ title: 'Marsh', date: '2030-01-01', units: 'inch', seats: 5, spares: 0 })
  const pictures = [picture('Heron', 4), picture('Reed', 9)]
  const marsh = letterPaper('marsh', { kind: 'print', name: 'Marsh', pictures })
  const batch: Batch = { ...plain, papers: [letterPaper('kelp'), marsh] }
  const card = newCard(foldById('plain-card')!, batch)
  const works = [{ ...newWork('work-1'), technique: 'cut out' as const }]
  for (const [key, count] of [['heron', 2], ['reed', 1]] as const)
    addFreePiece(card, 'inch', { key, name: key, count, width: '2 in', height: '2 3/4 in', works })
  const { pieces } = prepare({ ...batch, cards: [card] }).cards[0]!
  card.papers = Object.fromEntries(pieces.map(({ key }) => [key, key === 'base' ? 'kelp' : 'marsh']))
  card.pictures = { 'free--heron': 'heron', 'free--reed': 'reed' }
  return produce({ ...batch, cards: [card] }, change)
}
const marshOf = (batch: Batch) => prepare(batch).papers.find(({ paper }) => paper.key === 'marsh')!

describe('pictures of a print', () => {
  it('are counted: as many sheets are taken whole as the scarcest picture wants, and nothing else lies on them', () => {
    for (const squaring of ['0 in', '1/8 in']) {
      const batch = evening(draft => void (draft.tools.squaring = squaring))
      expect(batchProblems(batch)).toEqual([])
      const { problem, paper, names } = marshOf(batch)
      // Ten herons of four to a sheet; five reeds come along on those three sheets.
      expect(picturesTaken(paper, prepare(batch).cards)).toEqual({
        sheets: 3, pictures: [{ name: 'Heron', wanted: 10, over: 2 }, { name: 'Reed', wanted: 5, over: 22 }],
      })
      expect([...names.values()]).toContain('Whole sheet to cut out 10 × Heron, 5 × Reed')
      const outcome = planAll(batch, prepare(batch), solve).find(one => one.paper.key === 'marsh')!
      expect([verifyPlan(outcome.plan, problem), outcome.plan.unplaced]).toEqual([[], []])
      const mats = planAll(withoutPictures(batch), prepare(withoutPictures(batch)), solve)
        .find(one => one.paper.key === 'marsh')
      expect(outcome.plan.sheets).toBe(3 + (mats?.plan.sheets ?? 0))
    }
  })

  it('count among what the drawer gives: a class of so many kits can be cut from it, and no larger one', () => {
    for (const onHand of [0, 1, 5, 9]) {
      const stored = (seats: number) => evening((draft) => {
        draft.class.seats = seats
        Object.assign(draft.papers[1]!.stocks[0]!, { onHand, price: null })
      })
      const batch = stored(1)
      const drawer = kitProblems(batch, prepare(batch)).find(({ paper }) => paper.key === 'marsh')!
      const { kits, most } = mostKits(drawer, solve)
      expect(kits).toBe(most)
      const lacks = (seats: number) => planAll(stored(seats), prepare(stored(seats)), solve)
        .some(({ paper, plan }) => paper.key === 'marsh' && plan.unplaced.length > 0)
      expect([kits > 0 && lacks(kits), lacks(kits + 1)]).toEqual([false, true])
    }
  })

  it('say what does not go with them: a piece that is too small, a print that does not show it', () => {
    const found = (change: (draft: Batch) => void) => prepare(evening(change)).cards[0]!.findings
      .filter(({ part }) => part === 'free--heron').map(({ problem }) => problem)
    expect(found(() => {})).toEqual([])
    expect(found(draft => void (draft.cards[0]!.free[0]!.width = '1 1/2 in'))).toEqual([
      'is 1 1/2 × 2 3/4 in, and “Heron” on “Marsh” is 1 3/4 × 2 1/2 in: some of it would be cut off.',
    ])
    expect(found(draft => void (draft.cards[0]!.pictures['free--heron'] = 'otter'))).toEqual([
      'was to be cut out of the picture “otter”, which “Marsh” does not show: it is cut from anywhere on the sheet. '
      + 'It shows Heron, Reed.',
    ])
  })

  it('belong to one size of sheet, and to no pad', () => {
    const wrong = (change: (draft: Batch) => void) => batchProblems(evening(change)).map(({ path }) => path)
    const two = ({ papers: [, marsh] }: Batch) =>
      void marsh!.stocks.push({ ...marsh!.stocks[0]!, key: 'a4', width: '210 mm' })
    expect(wrong(two)).toEqual(['papers[1].stocks'])
    expect(wrong(({ papers: [, marsh] }) => void (marsh!.kind = 'pad'))).toContain('papers[1].pictures')
  })
})

/** The same class without what is cut out of pictures. */
const withoutPictures = (batch: Batch): Batch => produce(batch, ({ cards: [card] }) => {
  card!.free = []
})
