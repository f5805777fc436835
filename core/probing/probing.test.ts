import { describe, expect, it } from 'vitest'
import { FOLDS } from '../folds'
import { AMISS } from '.'
import type { Looked } from './testing'
import { disagreements, randomCard, randomCards } from './testing'

const CARDS = 2000
/** Cards in one test, so that each is short and says where it failed. */
const AT_ONCE = 250

/** A card with a piece of which nothing is seen. */
const SPOILED = 2

describe('what findings say of a card, against a slow look at it in space', () => {
  const all: Looked[] = []
  const firsts = Array.from({ length: CARDS / AT_ONCE }, (_, at) => 1 + at * AT_ONCE)

  it.each(firsts)('agrees on 250 random dressed cards from number %i on', (first) => {
    const seen = randomCards(first, AT_ONCE)
    const { looked, wrong } = seen
    all.push(seen)
    expect(wrong).toEqual([])
    expect(looked).toBeGreaterThan(AT_ONCE * 0.8)
  }, 120_000)

  it('has looked at every fold, at message areas and at each kind of fault', () => {
    const folds = new Set(all.flatMap(seen => [...seen.folds]))
    const found = new Set(all.flatMap(seen => [...seen.found]))
    const messages = all.reduce((sum, seen) => sum + seen.messages, 0)
    expect([...folds].sort()).toEqual(FOLDS.map(({ id }) => id).sort())
    expect([...found].sort()).toEqual(Object.keys(AMISS).sort())
    expect(messages).toBeGreaterThan(500)
  })

  it('says so where a finding is missing', () => {
    const { fold, card, units } = randomCard(SPOILED)
    expect(disagreements(fold, card, units)).toEqual([])
    expect(disagreements(fold, card, units, () => [])).not.toEqual([])
  })
})
