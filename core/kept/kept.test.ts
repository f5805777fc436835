import { parse, stringify } from 'devalue'
import highs from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { keptPlans, keptSharing, keptTogether } from '.'
import { prepare } from '../batch'
import { randomClass } from '../recount/testing'
import type { CutNode, Plan, CuttingProblem, Solve } from '../cutting'
import { plansFor, solverOf } from '../cutting'
import { sharedToTheEnd } from '../sharing'
import type { Sharing } from '../sharing'
import type { PaperAlone } from '../together'
import { plansTogether } from '../together'
import { paperAlone } from '../together/testing'
import { piece, problem as problemOf, sheet } from '../cutting/testing'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

/** As it is read from where it was kept. */
const read = <T>(value: T): T => parse(stringify(value)) as T
/** Papers of random classes, no two of a kind, with their plans. */
const planned = [3, 7, 12, 19, 24, 31, 45, 52].flatMap(seed => prepare(randomClass(seed)).papers)
  .filter(({ problem: { demands } }) => demands.length > 0 && demands.length < 16)
  .map(({ problem }) => ({ problem, plans: plansFor(problem) }))
const firstPiece = (node: CutNode): CutNode & { kind: 'piece' } | undefined =>
  node.kind === 'piece' ? node : node.kind === 'cut' ? node.parts.map(firstPiece).find(found => found) : undefined

/** What may happen to plans on their way, each with whether the plans are such that it does any harm. */
const DAMAGES: Record<string, (plan: Plan) => boolean> = {
  'a sheet less': ({ layouts: [layout] }) => {
    if (!layout) return false
    layout.repeats -= 1
    return true
  },
  'no layouts': (plan) => {
    const had = plan.layouts.length > 0
    plan.layouts = []
    return had
  },
  'a wider piece': ({ layouts }) => {
    const piece = layouts.map(({ root }) => firstPiece(root)).find(found => found)
    if (piece) Object.assign(piece, { width: piece.width + 1 })
    return piece !== undefined
  },
  'another order': (plan) => {
    if (!plan.order?.length) return false
    plan.order = plan.order.slice(0, -2)
    return true
  },
  'two layouts of one key': ({ layouts: [one, other] }) => {
    if (one && other) other.key = one.key
    return other !== undefined
  },
  'a bound above its sheets': (plan) => {
    plan.bound = plan.sheets + 1
    return true
  },
  'a word for a number': plan => Object.assign(plan, { sheets: 'many' }) && true,
}

describe('plans that were kept', () => {
  it('are taken as they were found, and by no other problem', () => {
    expect(planned.length).toBeGreaterThan(20)
    for (const { problem, plans } of planned) {
      expect(keptPlans(read(plans), problem)).toEqual(plans)
      const more: CuttingProblem = {
        ...problem, demands: problem.demands.map(demand => ({ ...demand, quantity: demand.quantity + 40 })),
      }
      if (plans[0].unplaced.length === 0) expect(keptPlans(read(plans), more)).toBeUndefined()
    }
  })

  it.each(Object.entries(DAMAGES))('are not taken with %s', (_, damage) => {
    let harmed = 0
    for (const { problem, plans } of planned) {
      const [plan] = read(plans)
      if (!damage(plan)) continue
      harmed += 1
      expect(keptPlans([plan], problem)).toBeUndefined()
    }
    expect(harmed).toBeGreaterThan(5)
  })

  it.each([undefined, null, 3, 'plans', [], [null], [{}], { layouts: [] }])('are not made of %j', (value) => {
    expect(keptPlans(value, planned[0]!.problem)).toBeUndefined()
  })
})

describe('a sharing that was kept', () => {
  const problems = Array.from({ length: 40 }, (_, seed) => prepare(randomClass(seed + 1)).sharing?.problem)
    .flatMap(one => one ?? [])
    .filter(({ kinds }) => kinds.reduce((sum, { kits }) => sum + kits, 0) <= 14).slice(0, 8)

  it('is taken as it was found, and not with kits of other prints', () => {
    let asked = 0
    for (const problem of problems) {
      const sharing = sharedToTheEnd(problem, solve)
      expect(keptSharing(read(sharing), problem)).toEqual(sharing)
      asked += 1
      const damaged: Record<string, (of: Sharing) => void> = {
        'a kit less': ({ kits }) => void kits[0]?.pop(),
        'a print that is no choice': ({ kits }) =>
          void kits[0]?.splice(
            0, 1, problem.kinds[0]!.roles.map(({ options }) => options.length),
          ),
        'no sheets': of => Object.assign(of, { layouts: new Map([[problem.prints[0]!.key, 'none']]) }),
        'a bound above its sheets': of => Object.assign(of, { bound: (of.sheets ?? 0) + 1, sheets: of.sheets ?? 0 }),
      }
      for (const [name, damage] of Object.entries(damaged)) {
        const copy = read(sharing)
        if (problem.kinds[0]!.kits === 0) continue
        damage(copy)
        expect(keptSharing(copy, problem), name).toBeUndefined()
      }
    }
    expect(asked).toBeGreaterThan(5)
  })

  it('counts broken rules itself', () => {
    const [problem] = problems
    const sharing = sharedToTheEnd(problem!, solve)
    expect(
      keptSharing({ ...read(sharing), broken: { touching: 0, neighbours: 0, different: 0, evenly: 99 } }, problem!),
    ).toEqual(sharing)
  })
})

describe('layouts chosen alike that were kept', () => {
  const papers = ([[6, 6], [6, 4], [5, 5], [6, 6]] as const).map(([bases, mats], at) =>
    paperAlone(`colour-${at}`, 240, problemOf(
      [piece(5.5, 8.5, bases), piece(4, 5.25, mats)], [sheet(8.5, 11)], { stack: 4 },
    )))
  const asked = { papers, together: { stack: 4 } }

  it('are taken as they were found', () => {
    const found = plansTogether(asked, solve)
    expect(found.size).toBeGreaterThan(0)
    expect(keptTogether(read(found), asked)).toEqual(found)
    expect(keptTogether(read(new Map()), asked)).toEqual(new Map())
  })

  it('are not taken for other papers, where they take more, or where anything cannot be cut', () => {
    const found = plansTogether(asked, solve)
    const [[key, plan] = ['', undefined]] = found
    const less = (paper: PaperAlone) => ({ ...paper, plan: { ...paper.plan, sheets: paper.plan.sheets - 1 } })
    expect(keptTogether(read(found), { ...asked, papers: papers.map(less) })).toBeUndefined()
    expect(keptTogether(read(found), { ...asked, papers: papers.filter(({ paper }) => paper.key !== key) }))
      .toBeUndefined()
    const [first, ...others] = plan?.layouts ?? []
    const short = { ...plan, layouts: [{ ...first, repeats: 0 }, ...others] }
    for (const wrong of [new Map([[key, short]]), new Map([[key, null]]), { [key]: plan }, 'plans', undefined])
      expect(keptTogether(wrong, asked)).toBeUndefined()
  })
})
