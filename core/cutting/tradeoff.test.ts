import { PRIORITIES } from '../document'
import load from 'highs'
import { describe, expect, it } from 'vitest'
import {
  contentOf,
  countsOf,
  measured,
  plan,
  plansFor,
  preferred,
  freshSheets,
  solverOf,
  spendingOf,
  tradeOffs,
  verifyPlan,
  wishFor,
} from '.'
import type { Plan } from '.'
import { offcut, piece, problem, sheet } from './testing'
import { withFavourite } from './tradeoff'

const solve = solverOf(await load())
const given = problem(
  [piece(4, 5.25, 40), piece(2.75, 5.25, 40), piece(3.75, 2.5, 20)], [sheet(8.5, 11), sheet(12, 12, 0, 90)],
)
const choicesOf = (some: typeof given) => {
  const plans = plansFor(some, solve)
  for (const each of plans) expect(verifyPlan(each, some)).toEqual([])
  return tradeOffs(plans.map(each => measured(each, some)))
}
const choices = choicesOf(given)

describe('sheets or time', () => {
  it('offers plans of which none beats another in everything', () => {
    const figures = choices.map(({ plan, worth, minutes }) => [plan.sheets, plan.spending, worth, minutes])
    expect(choices.length).toBeGreaterThan(1)
    figures.forEach((one, index) =>
      figures.forEach((other, at) => {
        if (index !== at) expect(other.every((figure, i) => figure <= one[i]!)).toBe(false)
      }),
    )
  })

  it('finds each end: sheets, money, time, and both together', () => {
    const least = (of: (choice: (typeof choices)[number]) => number) => Math.min(...choices.map(of))
    expect(preferred(choices, 'sheets').plan.sheets).toBe(least(({ plan }) => plan.sheets))
    expect(preferred(choices, 'money').plan.spending).toBe(least(({ plan }) => plan.spending))
    expect(preferred(choices, 'easy').minutes).toBe(least(({ minutes }) => minutes))
    expect(preferred(choices, 'balanced').cost).toBeLessThanOrEqual(least(({ cost }) => cost) * 1.015)
  })

  it('takes fewer layouts where plans cost about the same, but nothing dearer than a careful maker’s plan', () => {
    const plans = plansFor(given, solve).map(({ favoured: _, ...plan }) => plan) as [Plan, ...Plan[]]
    const costs = plans.map(each => measured(each, given).cost)
    const most = Math.min(...costs) * 1.015
    const favourite = withFavourite(plans, undefined, given).find(({ favoured }) => favoured)!
    const alike = plans.filter((_, at) => costs[at]! <= most)
    expect(measured(favourite, given).cost).toBeLessThanOrEqual(most)
    expect(favourite.layouts.length).toBe(Math.min(...alike.map(({ layouts }) => layouts.length)))
    plans.forEach((_, hand) => {
      const own = withFavourite(plans, hand, given).find(({ favoured }) => favoured)!
      expect(measured(own, given).cost).toBeLessThanOrEqual(
        Math.max(Math.min(...costs), Math.min(most, costs[hand]!)) + 1e-6,
      )
    })
    expect(plansFor(given, solve).filter(({ favoured }) => favoured)).toHaveLength(1)
  })

  it('knows the wish that leads back to every choice', () => {
    for (const choice of choices) {
      const { priority, moreSheets } = wishFor(choice, choices)
      expect(preferred(choices, priority, moreSheets)).toBe(choice)
      expect(PRIORITIES).toContain(priority)
    }
  })

  it('has every sheet alike among its plans', () => {
    const plans = plansFor(problem([piece(4, 5, 12), piece(3, 4, 12)], [sheet(8.5, 11)]), solve)
    const alike = plans.filter(({ layouts }) => layouts.length === 1)
    expect(alike.length).toBeGreaterThan(0)
    for (const {
      layouts: [layout],
    } of alike)
      for (const count of countsOf(layout!.root).values()) expect(count * layout!.repeats).toBeGreaterThanOrEqual(12)
  })
})

describe('offcuts first', () => {
  it('uses them up by wish, where that saves no sheet', () => {
    const given = problem([piece(4, 4, 6)], [sheet(12, 12), offcut(4, 8, 2)])
    const fromOffcuts = (some: typeof given) => {
      const choices = choicesOf(some)
      return (['balanced', 'sheets', 'money'] as const).map((priority) => {
        const { layouts, sheets } = preferred(choices, priority).plan
        expect(sheets).toBe(1)
        return layouts
          .filter(({ supply }) => supply.startsWith('offcut'))
          .reduce((sum, { repeats }) => sum + repeats, 0)
      })
    }
    expect(fromOffcuts(given)).toEqual([0, 0, 0])
    expect(fromOffcuts({ ...given, offcutsFirst: true })).toEqual([2, 2, 2])
  })

  it('opens no sheet where offcuts are enough', () => {
    const result = plan(problem([piece(4, 4, 6)], [sheet(8, 8), offcut(4, 9, 3)]), solve)
    expect(result).toMatchObject({ sheets: 0, bound: 0, spending: 0, unplaced: [] })
    expect(verifyPlan(result, problem([piece(4, 4, 6)], [sheet(8, 8), offcut(4, 9, 3)]))).toEqual([])
  })

  it('saves a sheet with offcuts and proves that it needs the others', () => {
    const some = problem([piece(4, 4, 9)], [sheet(8, 8), offcut(4.5, 4, 1)])
    const result = plan(some, solve)
    expect(result).toMatchObject({ sheets: 2, bound: 2 })
    expect([freshSheets(result.layouts, some.supplies), spendingOf(result.layouts, some.supplies)]).toEqual([2, 100])
    expect(plan({ ...some, supplies: [sheet(8, 8)] }, solve)).toMatchObject({ sheets: 3, bound: 3 })
  })

  it('squares sheets, but not offcuts, and takes each offcut once', () => {
    const some = problem([piece(4, 4, 3)], [sheet(8, 8, 0, null), offcut(4, 4, 2)], {
      squaring: piece(0.25, 1, 1).width,
    })
    const result = plan(some, solve)
    expect(result.unplaced).toMatchObject([{ quantity: 1 }])
    expect(verifyPlan(result, some)).toEqual([])
  })
})

describe('what is fixed', () => {
  const demands = [piece(4, 5, 10), piece(3, 4, 10)]
  const free = problem(demands, [sheet(8.5, 11)])

  it('stays in the plan, and the rest is planned around it', () => {
    const [layout] = plan(free, solve).layouts
    const fixed = { ...free, fixed: [{ ...layout!, repeats: 1 }] }
    const result = plan(fixed, solve)
    expect(verifyPlan(result, fixed)).toEqual([])
    expect(result.layouts.some(({ root }) => JSON.stringify(root) === JSON.stringify(layout!.root))).toBe(true)
    expect(result.sheets).toBeGreaterThanOrEqual(plan(free, solve).sheets)
    expect(result.bound).toBeLessThanOrEqual(result.sheets)
  })

  it('keeps a layout that is set up where that costs nothing', () => {
    // Two of many equal ways to cut one sheet: the one set up comes back.
    const plans = [
      plan(problem([piece(4, 5, 2), piece(3, 4, 3)], [sheet(8.5, 11)]), solve),
      plan(problem([piece(4, 5, 3), piece(3, 4, 1)], [sheet(8.5, 11)]), solve),
    ]
    for (const {
      layouts: [layout],
    } of plans) {
      const counts = countsOf(layout!.root)
      const again = plan(
        {
          ...problem(
            [piece(4, 5, counts.get('4x5either')! * 2), piece(3, 4, counts.get('3x4either')! * 2)], [sheet(8.5, 11)],
          ),
          setUp: [layout!],
        },
        solve,
      )
      expect(again.layouts.map(({ key, root, repeats }) => [key, contentOf(root), repeats])).toEqual([
        [layout!.key, contentOf(layout!.root), 2],
      ])
    }
  })

  it('states the money for several formats: sheets first or money first', () => {
    const some = problem([piece(6, 6, 8)], [sheet(12, 12, 0, 90), sheet(6, 6, 0, 10)])
    expect(plan(some, solve)).toMatchObject({ sheets: 8, spending: 80 })
    expect(plan({ ...some, objective: 'sheets' }, solve)).toMatchObject({ sheets: 2, bound: 2, spending: 180 })
  })
})
