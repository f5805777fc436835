import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { batchProblems, documentProblems, fittedTo, newPool, prepare, removePool, sourceOf } from '.'
import { planAll } from '../plans'
import { kitsOfBatch } from '../kits'
import { namedPapers } from '../document'
import { alikeEvening } from '../../demo/testing'

const demo = alikeEvening()
const prints = demo.papers.filter(({ kind }) => kind === 'print').map(({ key }) => key).slice(0, 3)
/** All mats of the first card from a pool of three prints. */
const batch = produce(demo, (draft) => {
  draft.pools = [{ ...newPool(draft), name: 'Shore prints', papers: prints }]
  const [card] = draft.cards
  for (const { key, kind } of prepare(demo).cards[0]!.pieces)
    if (kind === 'mat') card!.papers[key] = draft.pools[0]!.key
})
const pool = batch.pools[0]!
const prepared = prepare(batch)
const mats = prepared.cards[0]!.pieces.filter(piece => piece.pool !== undefined)

describe('a pool', () => {
  it('is there to test with', () => {
    expect([prints.length, mats.length > 1]).toEqual([3, true])
  })

  it('shares its pieces out at once: as many as are wanted, about as many of each print', () => {
    for (const { shares, quantity } of mats) {
      const counts = shares.map(share => share.quantity)
      expect(counts.reduce((sum, count) => sum + count, 0)).toBe(quantity)
    }
    const all = prints.map(print =>
      mats.reduce((sum, { shares }) => sum + (shares.find(({ paper }) => paper.key === print)?.quantity ?? 0), 0),
    )
    expect(Math.max(...all)).toBeLessThanOrEqual(1.5 * Math.min(...all))
  })

  it('has its pieces cut from every one of its papers, and costed there', () => {
    const outcomes = planAll(batch, prepared)
    for (const print of prints) {
      const { wanted } = prepared.papers.find(({ paper }) => paper.key === print)!
      const ofMats = mats.reduce(
        (sum, { shares }) => sum + shares.find(({ paper }) => paper.key === print)!.quantity, 0,
      )
      expect([...wanted.values()].reduce((sum, count) => sum + count, 0)).toBeGreaterThanOrEqual(ofMats)
    }
    const { costs, totals } = kitsOfBatch(batch, prepared, outcomes)
    const sheets = outcomes
      .flatMap(({ sheets }) => sheets)
      .reduce((sum, { needed, price }) => sum + needed * (price ?? 0), 0)
    const paper = costs.reduce((sum, cost, at) => sum + cost.paper * prepared.cards[at]!.kits, 0)
    expect(paper).toBeCloseTo(sheets)
    expect(totals.cost).toBeGreaterThan(paper)
    expect(sourceOf(mats[0]!)).toMatch(/^Shore prints \(.+, .+, .+\)$/)
  })

  it('keeps what it had where it has not changed, and prepares anew what is cut from it where it has', () => {
    const again = prepare(produce(batch, draft => void draft.pools[0]!.papers.pop()), prepared)
    expect(again.cards.map((card, at) => card === prepared.cards[at])).toEqual(batch.cards.map((_, at) => at > 0))
    expect(again.cards[0]!.pieces.find(({ key }) => key === mats[0]!.key)!.shares).toHaveLength(2)
  })

  it('without a paper stops, and says where', () => {
    const { cards } = prepare(produce(batch, draft => void (draft.pools[0]!.papers = [])))
    expect(cards[0]!.findings.filter(({ severity }) => severity === 'stop')).toHaveLength(mats.length)
    expect(cards[0]!.findings[0]!.problem).toContain('Shore prints')
  })

  it('leaves what was cut from it without a paper when it goes', () => {
    const gone = produce(batch, draft => removePool(draft, pool.key))
    expect([gone.pools, Object.values(gone.cards[0]!.papers).includes(pool.key)]).toEqual([[], false])
    expect(documentProblems(gone)).toEqual([])
  })

  it('is missed where a card names it and the class does not have it, and so are its papers in a file', () => {
    expect(batchProblems(batch)).toEqual([])
    expect(documentProblems({ ...batch, pools: [] })[0]!.problem).toContain(pool.key)
    const unknown = produce(batch, draft => void draft.pools[0]!.papers.push('no-such'))
    expect(batchProblems(unknown)[0]).toMatchObject({ path: 'pools[0].papers' })
    expect(namedPapers(batch)).toEqual(expect.arrayContaining(prints))
    expect(namedPapers(batch)).not.toContain(pool.key)
  })

  it('comes with its papers under the keys of the shelf it comes to', () => {
    const shelf = [{ ...batch.papers.find(({ key }) => key === prints[0])!, colour: '#000000' }]
    const { document } = fittedTo(shelf, batch)
    expect(document.pools[0]!.papers).toEqual([`${prints[0]}-2`, prints[1], prints[2]])
  })
})
