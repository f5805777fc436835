import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  PatchError, PatchIndex, bareCard, applied, valueAt, collisions, isSame, newClass, patchesBetween, touches,
} from '.'
import type { CardEntry, ClassDocument, Patch } from '.'

const card = (key: string, title = key): CardEntry => ({
  ...bareCard(key, title, 'bridge'), parameters: { width: '6 in' }, papers: { base: 'kelp' },
})
const document = (...cards: CardEntry[]): ClassDocument => ({
  ...newClass({ title: 'Evening', date: '2030-01-01', units: 'inch' }),
  cards,
})

/** Documents that differ in cards, their order, titles, parameters and papers. */
const anyCards = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { maxLength: 5 }).chain(keys =>
  fc.tuple(
    ...keys.map(key =>
      fc
        .record({
          title: fc.constantFrom('One', 'Two'),
          parameters: fc.dictionary(fc.constantFrom('width', 'height', 'border'), fc.constantFrom('1 in', '2 in')),
          papers: fc.dictionary(fc.constantFrom('base', 'mat'), fc.constantFrom('kelp', 'chalk')),
          kits: fc.constantFrom(null, 3),
        })
        .map(changes => ({ ...card(key), ...changes })),
    ),
  ),
)
const anyDocument = fc.tuple(anyCards, fc.constantFrom('Evening', 'Morning')).map(([cards, title]) => {
  const made = document(...cards)
  return { ...made, class: { ...made.class, title } }
})

describe('patches', () => {
  it('lead from any class to any other, and back', () => {
    fc.assert(
      fc.property(anyDocument, anyDocument, (before, after) => {
        const there = patchesBetween(before, after)
        expect(applied(before, there)).toEqual(after)
        expect(applied(after, patchesBetween(after, before))).toEqual(before)
        expect(there.length === 0).toBe(isSame(before, after))
      }),
    )
  })

  it('of two people that do not collide lead to the same class in either order', () => {
    fc.assert(
      fc.property(anyDocument, anyDocument, anyDocument, (base, mine, theirs) => {
        const [a, b] = [patchesBetween(base, mine), patchesBetween(base, theirs)]
        fc.pre(collisions(a, b).length === 0)
        const fits = (patch: Patch) => !b.some(other => isSame(other, patch))
        const sorted = ({ cards, ...rest }: ClassDocument) => ({
          ...rest, cards: [...cards].sort((x, y) => (x.key < y.key ? -1 : 1)),
        })
        const [ab, ba] = [
          applied(applied(base, b), a.filter(fits)),
          applied(
            applied(base, a),
            b.filter(patch => !a.some(other => isSame(other, patch))),
          ),
        ]
        expect(sorted(ab)).toEqual(sorted(ba))
      }),
    )
  })

  it('name entries by their keys, whatever has been put before them', () => {
    const base = document(card('a'), card('b'))
    const renamed = patchesBetween(base, document(card('a'), card('b', 'Bridge of boats')))
    expect(renamed).toEqual([{ op: 'set', path: ['cards', 'b', 'title'], value: 'Bridge of boats' }])
    const other = document(card('new'), card('a'), card('b'))
    expect(applied(other, renamed).cards.map(({ title }) => title)).toEqual(['new', 'a', 'Bridge of boats'])
  })

  it('say where an entry goes, and when only the order changes', () => {
    const base = document(card('a'), card('b'))
    expect(patchesBetween(base, document(card('a'), card('x'), card('b')))).toEqual([
      { op: 'add', path: ['cards'], entry: card('x'), after: 'a' },
    ])
    expect(patchesBetween(base, document(card('b'), card('a')))).toEqual([
      { op: 'order', path: ['cards'], keys: ['b', 'a'] },
    ])
  })

  it('share what they do not touch', () => {
    const base = document(card('a'), card('b'))
    const after = applied(base, [{ op: 'set', path: ['cards', 'a', 'title'], value: 'x' }])
    expect([after.cards[1] === base.cards[1], after.tools === base.tools, after.cards[0] === base.cards[0]]).toEqual([
      true, true, false,
    ])
  })

  it.each<[string, Patch, string]>([
    ['an entry that is gone', { op: 'set', path: ['cards', 'z', 'title'], value: 'x' }, 'is not there any more'],
    ['the removal of one that is gone', { op: 'remove', path: ['cards', 'z'] }, 'is not there any more'],
    ['one that is there already', { op: 'add', path: ['cards'], entry: card('a'), after: null }, 'is there already'],
    ['one without a key', { op: 'add', path: ['cards'], entry: {}, after: null }, 'takes entries with a key only'],
    ['one for what is no list', { op: 'add', path: ['class'], entry: card('x'), after: null }, 'is not a list'],
    ['a name that every object has', { op: 'set', path: ['class', '__proto__'], value: {} }, 'is not known here'],
    ['a key', { op: 'set', path: ['cards', 'a', 'key'], value: 'z' }, 'stays as it is'],
    ['an entry of another key', { op: 'set', path: ['cards', 'a'], value: card('z') }, 'keeps its key'],
    ['nothing', { op: 'unset', path: [] }, 'names nothing'],
  ])('do not fit %s, and leave the document as it was', (_, patch, problem) => {
    const base = document(card('a'))
    const before = structuredClone(base)
    expect(() => applied(base, [{ op: 'set', path: ['class', 'title'], value: 'x' }, patch])).toThrow(PatchError)
    expect(() => applied(base, [patch])).toThrow(problem)
    expect(base).toEqual(before)
  })

  it('collide where both touch one thing, or one touches the inside of what the other takes away', () => {
    const title = (value: string): Patch => ({ op: 'set', path: ['cards', 'a', 'title'], value })
    expect(collisions([title('x')], [title('y')])).toEqual([['cards', 'a', 'title']])
    expect(collisions([title('x')], [{ op: 'remove', path: ['cards', 'a'] }])).toEqual([['cards', 'a']])
    expect(collisions([title('x')], [{ op: 'set', path: ['cards', 'b', 'title'], value: 'y' }])).toEqual([])
    // The same change twice is one change.
    expect(collisions([title('x')], [title('x')])).toEqual([])
  })

  it('find what stands at a path, and nothing where the path leads nowhere', () => {
    const base = document(card('a'))
    expect([
      valueAt(base, ['cards', 'a', 'parameters', 'width']),
      valueAt(base, ['cards', 'z', 'title']),
      valueAt(base, ['class', 'constructor']),
    ]).toEqual(['6 in', undefined, undefined])
  })

  it('collide as each two of them do when they are looked at by themselves', () => {
    const path = fc.array(fc.constantFrom('a', 'b', 'c'), { minLength: 1, maxLength: 3 })
    const value = fc.oneof(fc.constantFrom(1, 2), fc.constantFrom({ x: 1, y: 2 }, { y: 2, x: 1 }, { x: 1 }))
    const patch = fc.oneof(
      fc.record({ op: fc.constant('set' as const), path, value }),
      fc.record({ op: fc.constant('remove' as const), path }),
      fc.record({
        op: fc.constant('add' as const), path, entry: fc.constantFrom({ key: 'a' }, { key: 'b' }),
        after: fc.constant(null),
      }),
      fc.record({ op: fc.constant('order' as const), path, keys: fc.constantFrom(['a'], ['b']) }),
    ) as fc.Arbitrary<Patch>
    const begins = (long: string[], start: string[]) => start.every((name, at) => long[at] === name)
    fc.assert(
      fc.property(
        fc.array(patch, { maxLength: 6 }),
        fc.array(patch, { maxLength: 6 }),
        (mine: Patch[], theirs: Patch[]) => {
          const each = new Set(mine.flatMap(a => theirs.flatMap((b) => {
            const [one, other] = [touches(a), touches(b)]
            if (!(begins(one, other) || begins(other, one)) || isSame(a, b)) return []
            return [(one.length <= other.length ? one : other).join()]
          })))
          expect(new Set(collisions(mine, theirs).map(found => found.join()))).toEqual(each)
          for (const a of mine) expect(new PatchIndex(theirs).says(a)).toBe(theirs.some(b => isSame(a, b)))
        }))
  })

  it('cost what they change, however many one list has', () => {
    let looks = 0
    const entry = (key: string) => ({
      get key() {
        looks++
        return key
      },
    })
    const many = 3000
    const list = Array.from({ length: many }, (_, at) => entry(`old-${at}`))
    const adds = list.map((_, at): Patch => ({
      op: 'add', path: ['list'], entry: entry(`new-${at}`), after: `old-${at}`,
    }))
    const removes = Array.from({ length: many }, (_, at): Patch => ({ op: 'remove', path: ['list', `old-${at}`] }))
    const made = applied({ list }, [...adds, ...removes])
    expect(looks).toBeLessThan(many * 8)
    expect(made.list).toHaveLength(many)
    looks = 0
    expect(collisions(adds, removes)).toEqual([])
    expect(collisions(adds, adds.map(patch => ({ ...patch, after: null })))).toHaveLength(many)
    expect(looks).toBeLessThan(many * 12)
  })
})
