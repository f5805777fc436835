import { expect, it } from 'vitest'
import { beginHere, endBegun } from './begun'

it('who has begun something keeps it as long as that is said again, and until it is found', () => {
  expect(beginHere(['a', 'b'], 'one', 0)).toEqual([])
  expect(beginHere(['a', 'c'], 'other', 5000)).toEqual(['a'])
  // Said again in time it stays with the first, and what was asked for in vain is not taken.
  expect(beginHere(['a', 'c'], 'one', 9000)).toEqual(['c'])
  expect(beginHere(['a', 'b'], 'other', 18_000)).toEqual(['a'])
  // Who has said nothing for a while has gone.
  expect(beginHere(['a'], 'other', 19_001)).toEqual([])
  expect(beginHere(['a'], 'one', 20_000)).toEqual(['a'])
  endBegun('a')
  expect(beginHere(['a'], 'one', 20_000)).toEqual([])
})

it('remembers no more than there is room for, and forgets what is over first', () => {
  const many = (from: number) => Array.from({ length: 20_100 }, (_, at) => `${from + at}`)
  // The second time what is over has made room, and was filled up.
  for (let time = 0; time < 2; time++) expect(beginHere(many(0), 'one', 100_000)).toEqual([])
  expect(beginHere(['new'], 'one', 100_000)).toEqual([])
  expect(beginHere(['new'], 'other', 100_000)).toEqual([])
  expect(beginHere(['newer'], 'one', 120_000)).toEqual([])
  expect(beginHere(['newer'], 'other', 120_000)).toEqual(['newer'])
})
