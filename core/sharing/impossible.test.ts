import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { impossible } from '.'
import type { Apart, Kind, Role, Rules } from '.'
import { FREE, rolesOf, rulesWith } from './testing'

const MUST = { hold: 'must', weight: 0 } as const
const PRINTS = ['ebb', 'flood', 'spray', 'foam']

/** Kits of one card whose roles may be of the first so many prints each. */
const kindOf = (kits: number, options: number[], apart: Apart[] = []): Kind => ({
  key: 'card', card: 'card', alike: 'card', name: 'Card', kits, apart,
  roles: rolesOf(PRINTS, options.map(() => '4x4')).map((role, at): Role => ({
    ...role, options: role.options.slice(0, options[at]), takes: role.takes.slice(0, options[at]),
  })),
})
const judged = (kind: Kind, rules: Partial<Rules>) => impossible({ prints: [], kinds: [kind], rules: rulesWith(rules) })

/** Every way to give each role one of its prints, counted up like the figures of a number. */
function everyWay({ roles }: Kind): number[][] {
  return roles.reduce<number[][]>(
    (ways, { options }) => ways.flatMap(way => options.map((_, option) => [...way, option])), [[]])
}

describe('what no sharing can do', () => {
  it('is told for any kind just where no way to share it out is left', () => {
    const anyKind = fc.record({
      kits: fc.integer({ min: 1, max: 12 }),
      options: fc.array(fc.nat({ max: 4 }), { minLength: 1, maxLength: 3 }),
      pairs: fc.array(
        fc.tuple(fc.nat({ max: 2 }), fc.nat({ max: 2 }), fc.constantFrom('touching', 'neighbours')), { maxLength: 3 }),
      touching: fc.boolean(), neighbours: fc.boolean(), different: fc.boolean(),
    })
    fc.assert(fc.property(anyKind, ({ kits, options, pairs, ...must }) => {
      const apart = pairs.filter(([one, other]) => one < other && other < options.length)
        .map(([one, other, rule]): Apart => ({ roles: [one, other], rule: rule as Apart['rule'] }))
      const kind = kindOf(kits, options, apart)
      const ways = everyWay(kind).filter(way => apart.every(({ roles: [one, other], rule }) =>
        !must[rule as 'touching'] || kind.roles[one]!.options[way[one]!] !== kind.roles[other]!.options[way[other]!]))
      const rules = Object.fromEntries(Object.entries(must).map(([rule, isHeld]) => [rule, isHeld ? MUST : FREE]))
      const said = judged(kind, rules)
      expect(said.length > 0).toBe(ways.length === 0 || (must.different && ways.length < kits))
      if (said[0]?.rule === 'different') expect(said[0].combinations).toBe(ways.length)
    }), { numRuns: 400 })
  })

  it('names the rule that leaves no way', () => {
    const twins = kindOf(3, [1, 1], [{ roles: [0, 1], rule: 'touching' }])
    expect(judged(twins, { touching: MUST })).toEqual([{ kind: 'card', rule: 'touching' }])
    expect(judged(twins, { neighbours: MUST })).toEqual([])
    expect(judged(kindOf(3, [1, 0]), {})).toEqual([{ kind: 'card', rule: 'pool' }])
    expect(judged(kindOf(5, [2, 2]), { different: MUST }))
      .toEqual([{ kind: 'card', rule: 'different', combinations: 4 }])
    expect(judged(kindOf(4, [2, 2]), { different: MUST })).toEqual([])
    expect(judged(kindOf(0, [0]), { different: MUST })).toEqual([])
  })
})
