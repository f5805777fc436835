import Table from 'cli-table3'
import { prepare } from '../core/batch'
import { paperedCard } from '../core/batch/testing'
import type { MeasuredPlan, Plan, CuttingProblem, Solve } from '../core/cutting'
import {
  byHand, keyedLayouts, measured, planPaper, preferred, sequenceViolations, freshSheets, spendingOf, verifyPlan,
} from '../core/cutting'
import type { Batch } from '../core/document'
import { newClass, plainPaper } from '../core/document'
import { FOLDS } from '../core/folds'
import { lengthFrom } from '../core/lengths'
import { itemAt } from '../core/lists'
import { SHEET_FORMATS } from '../core/paper'
import { dice } from './dice'
import { median, ms, of } from './measure'

/*
 * Plans a person wants to cut, beside a careful maker who fills whole sheets with one size and cuts what is left in
 * strips by hand's rules; both are sequenced and weighed by the same model, natural prices, the hour at 12.
 */

const CARDS = FOLDS.filter(({ id }) => !['own-strip', 'plain-card'].includes(id))

/** A class with one to four cards of the catalogue, all on one paper. */
function classProblem(roll: ReturnType<typeof dice>): { name: string, problem: CuttingProblem } | undefined {
  const units = roll(0, 1) === 0 ? 'inch' : 'metric'
  const cards = roll(1, 4)
  const kits = itemAt([8, 14, 20, 32], roll(0, 3))
  const paper = plainPaper({ key: 'paper', name: 'Paper', kind: 'cardstock', weight: 240, colour: '#808080' })
  let batch: Batch = { ...newClass({ title: 'Bench', date: '2030-01-01', units }), papers: [paper] }
  for (let card = 0; card < cards; card++)
    batch = {
      ...batch, cards: [...batch.cards, { ...paperedCard(itemAt(CARDS, roll(0, CARDS.length - 1)), batch), kits }],
    }
  const format = units === 'metric' ? 'A4' : itemAt(['Letter', '12 × 12 in'], roll(0, 1))
  const found = SHEET_FORMATS.find(({ name }) => name === format)
  const given = prepare(batch).papers[0]?.problem
  if (!found || !given) return undefined
  const [width, height] = [lengthFrom(found.width), lengthFrom(found.height)]
  const demands = given.demands.filter(
    ({ width: w, height: h }) => (w <= width && h <= height) || (h <= width && w <= height),
  )
  const price = itemAt([25, 50, 90], roll(0, 2))
  if (demands.length === 0) return undefined
  return {
    name: `${cards} × ${kits} on ${format}, ${demands.length} sizes`,
    problem: { ...given, demands, supplies: [{ key: 'sheet', kind: 'sheet', width, height, onHand: 0, price }] },
  }
}

interface Weighed {
  name: string
  balanced: MeasuredPlan
  easy: MeasuredPlan
  fewest: MeasuredPlan
  hand: MeasuredPlan
  /** The fewest sheets, found with no thought for layouts and settings. */
  sheetsAlone: MeasuredPlan
  bound: number
  /** Milliseconds until the first plan, the balanced one, and all of them. */
  first: number
  settled: number
  all: number
}

function weighed(name: string, problem: CuttingProblem, solve: Solve): Weighed {
  const start = performance.now()
  const search = planPaper(problem, solve)
  let [first, settled] = [0, 0]
  let alone: Plan | undefined
  for (;;) {
    const { done, value } = search.next()
    const now = performance.now() - start
    first ||= now
    if (!done && value.others) settled ||= now
    // Before anything is weighed only sheets count.
    if (!done && !value.others) alone = value.plan
    if (!done) continue
    const all = value.map(plan => measured(plan, problem))
    const wrong = all.flatMap(({ plan, steps }) => [
      ...verifyPlan(plan, problem), ...sequenceViolations(steps, plan, problem),
    ])
    if (wrong.length > 0) throw new Error(`${name}: ${wrong[0]}`)
    const layouts = keyedLayouts(byHand(problem, problem.demands))
    const sheets = freshSheets(layouts, problem.supplies)
    const hand = measured(
      { layouts, sheets, unplaced: [], bound: 0, yield: 0, spending: spendingOf(layouts, problem.supplies) },
      problem,
    )
    const sheetsAlone = measured(alone ?? itemAt(all, 0).plan, problem)
    const [balanced, easy, fewest] = (['balanced', 'easy', 'sheets'] as const).map(wish => preferred(all, wish)) as
      [MeasuredPlan, MeasuredPlan, MeasuredPlan]
    return {
      name, balanced, easy, fewest, hand, sheetsAlone, bound: value[0].bound, first, settled: settled || now, all: now,
    }
  }
}

/** So many classes, each planned to the end and put beside the careful maker. */
export function classBatches(solve: Solve, number: number): string {
  const roll = dice(20)
  const all: Weighed[] = []
  while (all.length < number) {
    const given = classProblem(roll)
    if (given) all.push(weighed(given.name, given.problem, solve))
  }
  const table = new Table({
    head: [
      'Class', 'Plan', 'Sheets', 'Bound', 'Layouts', 'Settings', 'Steps', 'Piles', 'Minutes', 'Costs', 'of by hand',
    ],
    style: { head: [], border: [] },
  })
  const sum = (wish: (one: Weighed) => MeasuredPlan, of: (plan: MeasuredPlan) => number) =>
    all.reduce((total, one) => total + of(wish(one)), 0)
  const PLANS = [
    ['balanced', (one: Weighed) => one.balanced], ['easy to cut', (one: Weighed) => one.easy],
    ['fewest sheets', (one: Weighed) => one.fewest], ['sheets alone', (one: Weighed) => one.sheetsAlone],
    ['by hand', (one: Weighed) => one.hand],
  ] as const
  for (const [name, wish] of PLANS) {
    table.push([
      `All ${number}`, name, sum(wish, ({ plan }) => plan.sheets), all.reduce((total, { bound }) => total + bound, 0),
      sum(wish, ({ plan }) => plan.layouts.length),
      sum(wish, ({ settings }) => settings),
      sum(wish, ({ steps }) => steps.length),
      Math.max(...all.map(one => wish(one).loose)), Math.round(sum(wish, ({ minutes }) => minutes)),
      (sum(wish, ({ cost }) => cost) / 100).toFixed(2),
      of(all.reduce((total, one) => total + wish(one).cost / one.hand.cost, 0) / number, 1),
    ])
  }
  const worst = all.reduce((most, one) =>
    one.balanced.cost / one.hand.cost > most.balanced.cost / most.hand.cost ? one : most,
  )
  const times = (time: (one: Weighed) => number) =>
    `${ms(median(all.map(time)))}, longest ${ms(Math.max(...all.map(time)))}`
  return [
    'Classes of one to four cards on one paper, beside a careful maker by hand.',
    table.toString(),
    `Dearest beside the careful maker: ${worst.name}, ${of(worst.balanced.cost, worst.hand.cost)}. First plan ${times(one => one.first)}; `
    + `balanced ${times(one => one.settled)}; everything ${times(one => one.all)}.`,
  ].join('\n')
}
