import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { START, inOrder, moved } from '.'

const steps = fc.integer({ min: 0, max: 40 }).chain(count => fc.array(
  fc.record({ rank: fc.integer({ min: -3, max: 20 }), needs: fc.array(fc.nat({ max: 60 }), { maxLength: 4 }) }),
  { minLength: count, maxLength: count },
)).map(list => list.map(({ rank, needs }, at) => ({ key: `s${at}`, rank, needs: needs.map(need => `s${need}`) })))

describe('the order of steps', () => {
  it('holds every step once; unless needs go in a ring, each comes after what it needs', () => {
    fc.assert(fc.property(steps, (given) => {
      const { steps: ordered, ring } = inOrder(given)
      const at = new Map(ordered.map(({ key }, place) => [key, place]))
      expect([...at.keys()].sort()).toEqual(given.map(({ key }) => key).sort())
      const early = ordered.filter(({ key, needs }) =>
        needs.some(need => need !== key && (at.get(need) ?? -1) > at.get(key)!))
      expect(early.length > 0).toBe(ring !== undefined)
      if (ring) expect(ring[1].needs).toContain(ring[0].key)
    }))
  })

  it('takes the lowest rank of what can be done, so that without needs it is sorted', () => {
    fc.assert(fc.property(steps, (given) => {
      const free = given.map(step => ({ ...step, needs: [] }))
      const ranks = inOrder(free).steps.map(({ rank }) => rank)
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
    }))
  })

  it('brings forward what something earlier needs, and names both ends of a ring', () => {
    const step = (key: string, rank: number, ...needs: string[]) => ({ key, rank, needs })
    const keys = (...given: ReturnType<typeof step>[]) => inOrder(given).steps.map(({ key }) => key).join(' ')
    expect(keys(step('fold', 1), step('close', 2, 'topper'), step('topper', 99, 'fold'))).toBe('fold topper close')
    const { ring } = inOrder([step('fold', 1, 'close'), step('close', 2, 'topper'), step('topper', 3, 'fold')])
    expect(new Set(ring?.map(({ key }) => key)).size).toBe(2)
  })
})

describe('steps that are moved', () => {
  const move = fc.record({ key: fc.nat({ max: 44 }), after: fc.nat({ max: 44 }) })
    .map(({ key, after }) => ({ key: `s${key}`, after: after === 44 ? START : `s${after}` }))

  it('come as near to where they are wanted as their needs allow, and none is lost', () => {
    fc.assert(fc.property(steps, fc.array(move, { maxLength: 6 }), (given, moves) => {
      const { steps: ordered, ring } = inOrder(given)
      fc.pre(ring === undefined)
      const now = moved(ordered, moves)
      const at = new Map(now.map(({ key }, place) => [key, place]))
      expect([...at.keys()].sort()).toEqual(given.map(({ key }) => key).sort())
      for (const { key, needs } of now)
        for (const need of needs) if (need !== key) expect(at.get(need) ?? -1).toBeLessThan(at.get(key)!)
      const last = moves.findLast(({ key, after }) =>
        at.has(key) && key !== after && (after === START || at.has(after)))
      if (!last) return
      // Between where it is and where it was wanted there is always something that it needs, or that needs it.
      const place = at.get(last.key)!
      const wanted = last.after === START ? -1 : at.get(last.after)!
      if (place === wanted + 1) return
      const step = now[place]!
      if (place > wanted + 1) expect(step.needs).toContain(now[place - 1]!.key)
      else expect(now[place + 1]!.needs).toContain(step.key)
    }))
  })
})
