import { describe, expect, it } from 'vitest'
import { around, byKey, itemAt, lookUp, neighbours, tally } from '.'

it('a tally counts what comes to the same, in the order in which it is met', () => {
  expect([...tally(['reed', 'tide', 'rope'], ([first]) => first)]).toEqual([['r', 2], ['t', 1]])
})

describe('what is known to be there', () => {
  it('is found', () => {
    expect(byKey([{ key: 'a', is: 1 }, { key: 'b', is: 2 }], 'b').is).toBe(2)
    expect(lookUp(new Map([['a', 0]]), 'a')).toBe(0)
    expect([itemAt([7, 8, 9], 0), itemAt([7, 8, 9], -1)]).toEqual([7, 9])
  })

  it('is said to be missing where it is not there after all', () => {
    expect(() => byKey([{ key: 'a' }], 'b')).toThrow('Nothing here has the key “b”.')
    expect(() => lookUp(new Map([['a', 1]]), 'b')).toThrow('The table holds nothing under “b”.')
    expect(() => itemAt([7], 1)).toThrow('There is no item at 1 of 1.')
    expect(() => itemAt([], -1)).toThrow('There is no item at -1 of 0.')
  })

  it('goes in pairs, in a row or all round', () => {
    expect(neighbours([1, 2, 3])).toEqual([[1, 2], [2, 3]])
    expect(around([1, 2, 3])).toEqual([[1, 2], [2, 3], [3, 1]])
    expect([neighbours([1]), neighbours([]), around([])]).toEqual([[], [], []])
  })
})
