import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { recounted } from '.'
import { halfCut, planned, plannedAtOnce, randomClass } from './testing'

/** Classes that are counted in this run; a longer one is part of the torture command. */
const CLASSES = 300
/** Of so many classes one is counted half cut as well, and one planned to the end. */
const [HALVES, TO_THE_END] = [2, 20]

describe('a class counted a second time', () => {
  it('agrees with every plan, list, label and task, whatever is taught, made ready and cut already', async () => {
    let cut = 0
    for (let seed = 1; seed <= CLASSES; seed++) {
      const batch = randomClass(seed)
      const { preparation, outcomes } = seed % TO_THE_END ? plannedAtOnce(batch) : planned(batch)
      expect([seed, await recounted(preparation, outcomes)]).toEqual([seed, []])
      if (seed % HALVES) continue
      const later = plannedAtOnce(halfCut(batch, outcomes, seed))
      cut += later.preparation.papers.filter(paper => paper.cut.length > 0).length
      expect([seed, 'half cut', await recounted(later.preparation, later.outcomes)]).toEqual([seed, 'half cut', []])
    }
    expect(cut).toBeGreaterThan(50)
  }, 600_000)

  const seeds = [4, 9, 23]
  it.each(seeds)(
    'is found out where a plan cuts too few, a bag is packed otherwise, or a list is short (class %i)',
    async (seed) => {
      const { preparation, outcomes } = planned(randomClass(seed))
      const where = async (...changed: Parameters<typeof recounted>) =>
        [...new Set((await recounted(...changed)).map(({ where }) => where.replace(/ of .*/, '')))]
      expect(await where(preparation, outcomes)).toEqual([])
      const fewer = produce(outcomes, (draft) => {
        const [layout] = draft[0]!.plan.layouts
        layout!.repeats -= 1
      })
      // What its pieces are cut from is said by the paper, or where only hidden parts lie on it by what is left over.
      expect((await where(preparation, fewer)).some(place => ['Cutting', 'Any scrap'].includes(place))).toBe(true)
      // Another sheet to buy than the plan opens.
      const bought = produce(outcomes, draft => void (draft[0]!.sheets[0]!.needed += 1))
      expect(await where(preparation, bought)).toEqual(['Shopping list'])
      const [card] = preparation.cards
      const swapped = { ...preparation, cards: preparation.cards.map(one => (one === card
        ? { ...one, dealt: one.dealt.slice(1) }
        : one)) }
      expect((await where(swapped, outcomes)).length).toBeGreaterThan(1)
      // A piece of which a kit has one more than anybody counts.
      const oneMore = card!.made.pieces.map((piece, at) => (at === 0 ? { ...piece, perKit: piece.perKit + 1 } : piece))
      const more = { ...preparation, cards: preparation.cards.map(one =>
        (one === card ? { ...one, made: { ...one.made, pieces: oneMore } } : one)) }
      expect((await where(more, outcomes)).length).toBeGreaterThan(1)
    })
})
