import fc from 'fast-check'
import { forRules } from '../document'
import { describe, expect, it } from 'vitest'
import { brokenBy } from './deal'
import { exchanged } from './exchange'
import type { Kind, Rules, SharingProblem } from './model'
import { NumberedSharing } from './numbered'
import { printOf12, rolesOf } from './testing'

const NAMES = ['ebb', 'flood', 'spray', 'foam', 'slack']
const SIZES: [number, number][] = [[5.25, 4], [2.5, 4]]
const KEYS = ['5.25x4', '2.5x4']

/**
 * Kinds of one card that share their likeness, of which one has fewer prints to choose from and one a pool of its own.
 */
function problemOf(kits: number[], keys: string[], rules: Rules): SharingProblem {
  const kinds = kits.map((count, at): Kind => ({
    key: `kind-${at}`, card: 'card', alike: at < 2 ? 'card' : 'other', name: 'Card', kits: count,
    roles: rolesOf(at === 1 ? NAMES.slice(1, 4) : NAMES, keys, at === 2 ? 'own' : 'pool'),
    apart: keys.slice(1).map((_, role) => ({ roles: [role, role + 1], rule: role % 2 ? 'touching' : 'neighbours' })),
  }))
  return { prints: NAMES.map(name => printOf12(name, SIZES, 20, 60)), kinds, rules }
}

const rule = fc.record({ hold: fc.constantFrom('free', 'wish', 'must'), weight: fc.integer({ min: 1, max: 40 }) })
const problems = fc.record({
  kits: fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 1, maxLength: 3 }),
  // Forty roles of five prints are more than a number tells apart.
  keys: fc.oneof(
    fc.array(fc.constantFrom(...KEYS), { minLength: 1, maxLength: 4 }),
    fc.array(fc.constantFrom(...KEYS), { minLength: 40, maxLength: 40 }),
  ),
  rules: fc.record(forRules(() => rule)),
}).map(({ kits, keys, rules }) => problemOf(kits, keys, rules as Rules))

/** What is broken in a sharing, counted afresh from its kits. */
function weightAfresh(problem: SharingProblem, { kits, prints, weights }: NumberedSharing): number {
  const broken = brokenBy(problem, problem.kinds.map(({ roles }, kind) => kits.filter(({ at }) => at === kind)
    .map(kit => kit.prints.map((print, role) => roles[role]!.options.indexOf(prints[print]!)))))
  return Object.entries(broken).reduce((sum, [rule, count]) => sum + count * weights[rule as keyof Rules], 0)
}

/** Every slot with some print that it may be of. */
function dealt(problem: SharingProblem, pick: () => number): NumberedSharing {
  const sharing = new NumberedSharing(problem, new Map(NAMES.flatMap(name => KEYS.map(key => [`${name} ${key}`, 30]))))
  for (const slot of sharing.slots) {
    const { options } = sharing.roleOf(slot)
    sharing.give(slot, options[pick() % options.length]!)
  }
  sharing.count()
  return sharing
}

describe('a sharing in numbers', () => {
  it('knows after every change what is broken, as if it were counted afresh', () => {
    let changes = 0
    fc.assert(fc.property(problems, fc.infiniteStream(fc.nat(1000)), (problem, stream) => {
      const pick = () => stream.next().value as number
      const sharing = dealt(problem, pick)
      expect(sharing.weightOfAll()).toBe(weightAfresh(problem, sharing))
      for (let at = 0; at < 20 && sharing.slots.length > 0; at++) {
        const slot = sharing.slots[pick() % sharing.slots.length]!
        const kit = sharing.kits[slot.kit]!
        const { options } = sharing.roleOf(slot)
        const [mine, print, pool] = [kit.prints[slot.role]!, options[pick() % options.length]!, sharing.poolOf(slot)]
        if (mine === print) continue
        changes++
        const before = sharing.weightOfAll()
        const gain = sharing.evener(pool, mine, print) + sharing.put(kit, slot.role, print)
        sharing.countUse(pool, mine, -1)
        sharing.countUse(pool, print, 1)
        // Of several twins each is weighed with all others, so that the search sees to them first; what is broken
        // counts each once.
        if (sharing.weights.different === 0) expect(before - sharing.weightOfAll()).toBe(gain)
        expect(sharing.weightOfAll()).toBe(weightAfresh(problem, sharing))
      }
    }), { numRuns: 200 })
    expect(changes).toBeGreaterThan(500)
  })

  it('is made no worse by exchanges, which give each slot a print it may be of, and pause now and then', () => {
    const wish = { hold: 'wish', weight: 10 } as const
    const problem = problemOf([120, 40], ['5.25x4', '2.5x4', '2.5x4', '5.25x4'], {
      ...forRules(() => wish), evenly: { hold: 'free', weight: 0 },
    })
    let at = 0
    // All of one print beside each other: much is broken.
    const sharing = dealt(problem, () => Math.floor(at++ / 90))
    const before = sharing.weightOfAll()
    const all = sharing.slots.map((_, slot) => slot)
    const search = exchanged(sharing, new Map([['all', all.filter(slot => sharing.slots[slot]!.role % 3 === 0)],
      ['others', all.filter(slot => sharing.slots[slot]!.role % 3 !== 0)]]))
    let pauses = 0
    while (!search.next().done) pauses++
    expect(weightAfresh(problem, sharing)).toBeLessThan(before / 4)
    expect(pauses).toBeGreaterThan(0)
    // Each slot still has a print that it may be of.
    expect(sharing.slots.every(slot => sharing.roleOf(slot).may[sharing.kits[slot.kit]!.prints[slot.role]!])).toBe(true)
  })
})
