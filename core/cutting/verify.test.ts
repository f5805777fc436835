import { describe, expect, it } from 'vitest'
import { plan, verifyPlan } from '.'
import type { CutNode, Plan } from '.'
import { inches } from '../lengths'
import { piece, problem, sheet } from './testing'

const given = problem([piece(4, 5, 4, 'as drawn')], [sheet(8.5, 11, 3, null)])
const good = plan(given)

/** The good plan with something bent in its first layout. */
function bent(bend: (plan: Plan, root: CutNode & { kind: 'cut' }) => void): string[] {
  const copy = structuredClone(good)
  bend(copy, copy.layouts[0]!.root as CutNode & { kind: 'cut' })
  return verifyPlan(copy, given)
}
const firstPiece = (node: CutNode): CutNode & { kind: 'piece' } => {
  if (node.kind === 'piece') return node
  for (const part of node.kind === 'cut' ? node.parts : []) {
    const found = firstPiece(part)
    if (found) return found
  }
  return undefined as never
}

describe('the verifier', () => {
  it('lets a good plan pass', () => {
    expect(verifyPlan(good, given)).toEqual([])
  })

  it.each<[string, Parameters<typeof bent>[0], string]>([
    ['a piece of the wrong size', (_, root) => void (firstPiece(root).width = inches(3.5)), 'wrong size'],
    ['a cut whose parts do not add up', (_, root) => void root.parts.pop(), 'do not add up'],
    ['a cut that stops half way', (_, root) => void (root.parts[0]!.width = inches(7)), 'right across'],
    ['a piece against the print', (_, root) => void (firstPiece(root).turned = true), 'print direction'],
    ['a piece nobody wants', (_, root) => void (firstPiece(root).demand = 'other'), 'not wanted'],
    ['a layout that starts from a smaller sheet', (_, root) => void (root.height = inches(10)), 'whole sheet'],
    ['a part without a size', (_, root) => void (root.parts[0]!.height = inches(0)), 'a part measures'],
    [
      'too few pieces',
      ({ layouts }, root) => void (layouts[0]!.root = { kind: 'waste', width: root.width, height: root.height }),
      'promised',
    ],
    [
      'more sheets than there are',
      (plan) => {
        plan.layouts[0]!.repeats = 4
        plan.sheets = 4
      },
      'more used than there are',
    ],
    ['a wrong number of sheets', plan => void (plan.sheets = 7), '7 sheets stated'],
    ['a bound above the plan', plan => void (plan.bound = 2), 'bound is above'],
    ['no repeats', plan => void (plan.layouts[0]!.repeats = 0), 'repeated 0 times'],
    ['a sheet from nowhere', plan => void (plan.layouts[0]!.supply = 'A0'), 'not in the supply'],
  ])('finds %s', (_, bend, violation) => {
    expect(bent(bend).join('; ')).toContain(violation)
  })

  it('finds a cut that the trimmer cannot make', () => {
    const short = { ...given, cutter: { ...given.cutter, length: inches(6) } }
    expect(verifyPlan(good, short).join()).toContain('longer than the trimmer')
  })
})
