import Table from 'cli-table3'
import { newClass, plainPaper } from '../core/document'
import type { Batch } from '../core/document'
import { prepare } from '../core/batch'
import { kitProblems } from '../core/plans'
import { paperedCard } from '../core/batch/testing'
import type { Cutter, Plan, CuttingProblem, Solve } from '../core/cutting'
import { measured, planPaper, sequenceViolations, verifyPlan } from '../core/cutting'
import { foldById } from '../core/folds'
import { inches, lengthFrom, nanometres } from '../core/lengths'
import type { Length, Units } from '../core/lengths'
import { SHEET_FORMATS } from '../core/paper'
import { median, ms } from './measure'
import { firstFitStrips, packingLibrary } from './rivals'
import { dice } from './dice'

export const CUTTER: Cutter = {
  length: inches(12),
  mark: inches(1 / 16),
  smallestPiece: inches(1 / 2),
  stack: 4,
  squaring: inches(0),
  kerf: inches(0),
  offcut: { short: inches(2), long: inches(4) },
}

/** Pieces up to which the rivals are run. */
const RIVALS = 6000

export interface Solved {
  name: string
  plan: Plan
  first: number
  /** Until the final number of sheets and its bound stood. */
  settled: number
  /** With plans that trade sheets for time. */
  final: number
  settings: number
  steps: number
  minutes: number
  strips: number
  library: number
}

/** Plans one problem to its end, checks the plan and its sequence, and lets the rivals try. */
export function solved(name: string, problem: CuttingProblem, solve: Solve): Solved {
  const start = performance.now()
  const search = planPaper(problem, solve)
  let first = 0
  let settled = 0
  let seen = ''
  let plan: Plan
  for (;;) {
    const { done, value } = search.next()
    first ||= performance.now() - start
    const now = done ? value[0] : value.plan
    if (seen !== `${now.sheets} ${now.bound}`) settled = performance.now() - start
    seen = `${now.sheets} ${now.bound}`
    if (done) {
      ;[plan] = value
      break
    }
  }
  const final = performance.now() - start
  const { settings, steps, minutes } = measured(plan, problem)
  const wrong = [...verifyPlan(plan, problem), ...sequenceViolations(steps, plan, problem)]
  if (wrong.length > 0) throw new Error(`${name}: ${wrong[0]}`)
  // The rivals take minutes for tens of thousands of pieces.
  const few = problem.demands.reduce((sum, { quantity }) => sum + quantity, 0) <= RIVALS
  return {
    name,
    plan,
    first,
    settled,
    final,
    settings,
    steps: steps.length,
    minutes,
    strips: few ? firstFitStrips(problem) : Number.NaN,
    library: few ? packingLibrary(problem) : Number.NaN,
  }
}

const shown = (sheets: number) => (Number.isNaN(sheets) ? 'not run' : sheets)

const HEAD = [
  'Problems',
  'Number',
  'Sheets',
  'Bound',
  'Ratio',
  'Proven',
  'First plan',
  'Settled',
  'Longest',
  'With choices',
  'Layouts',
  'Settings',
  'Steps',
  'Minutes',
  'First-fit strips',
  'Packing library',
  'Library wins',
]

function row(name: string, all: Solved[]): (string | number)[] {
  const sum = (of: (one: Solved) => number) => all.reduce((total, one) => total + of(one), 0)
  const [sheets, bound] = [sum(({ plan }) => plan.sheets), sum(({ plan }) => plan.bound)]
  return [
    name,
    all.length,
    sheets,
    bound,
    (sheets / bound).toFixed(3),
    `${Math.round((100 * sum(({ plan }) => (plan.sheets === plan.bound ? 1 : 0))) / all.length)} %`,
    ms(median(all.map(({ first }) => first))),
    ms(median(all.map(({ settled }) => settled))),
    ms(Math.max(...all.map(({ settled }) => settled))),
    ms(median(all.map(({ final }) => final))),
    sum(({ plan }) => plan.layouts.length),
    sum(({ settings }) => settings),
    sum(({ steps }) => steps),
    Math.round(sum(({ minutes }) => minutes)),
    shown(sum(({ strips }) => strips)),
    shown(sum(({ library }) => library)),
    all.filter(({ library, plan }) => library < plan.sheets).length,
  ]
}

export function report(title: string, rows: [string, Solved[]][]): string {
  const table = new Table({ head: HEAD, style: { head: [], border: [] } })
  for (const [name, all] of rows) table.push(row(name, all))
  const all = rows.flatMap(([, some]) => some)
  table.push(row('All', all))
  const won = all
    .filter(({ library, plan }) => library < plan.sheets)
    .map(
      ({ name, library, plan }) =>
        `${name}: ${library} against ${plan.sheets}, bound for cuts right across ${plan.bound}`,
    )
  const more = all.filter(({ strips, plan }) => plan.sheets > strips).length
  return [
    title,
    table.toString(),
    `More sheets than first-fit strips: ${more}.`,
    won.length > 0
      ? `The packing library, free of cuts right across, needs fewer sheets here:\n  ${won.join('\n  ')}`
      : `The packing library never needs fewer sheets${all.some(({ library }) => Number.isNaN(library)) ? ' where it was run' : ''}.`,
  ].join('\n')
}

const CARDS = [
  'z-fold',
  'crossing-flaps',
  'gatefold',
  'double-z-fold',
  'banded-flap',
  'bridge',
  'split-front-pocket',
  'book-stage',
  'corner-stage',
  'box-frame',
] as const

/** Cards of the catalogue at class sizes, all pieces of a card from one paper. */
export function craftBatches(solve: Solve): string {
  const rows: [string, Solved[]][] = []
  for (const format of ['Letter', 'A4', '12 × 12 in']) {
    const { width, height } = SHEET_FORMATS.find(({ name }) => name === format)!
    const units: Units = format === 'A4' ? 'metric' : 'inch'
    for (const kits of [12, 24, 60, 500]) {
      const all = CARDS.flatMap((id) => {
        const problem = cardProblem(id, units, kits, lengthFrom(width), lengthFrom(height))
        return problem ? [solved(`${id} × ${kits} on ${format}`, problem, solve)] : []
      })
      rows.push([`${format}, ${kits} kits`, all])
    }
  }
  return report('Craft batches: ten cards of the catalogue, one paper each, pieces turned as they like.', rows)
}

function cardProblem(
  id: string, units: Units, kits: number, width: Length, height: Length,
): CuttingProblem | undefined {
  const paper = plainPaper({ key: 'paper', name: 'Paper', kind: 'cardstock', weight: 240, colour: '#808080' })
  const empty: Batch = { ...newClass({ title: 'Bench', date: '2030-01-01', units }), papers: [paper] }
  const batch: Batch = { ...empty, cards: [paperedCard(foldById(id)!, empty)] }
  const [kit] = kitProblems(batch, prepare(batch))
  const supply = { key: 'sheet', kind: 'sheet' as const, width, height, onHand: 0, price: 50 }
  const long = (side: Length, other: Length) => side <= width && other <= height
  // Cards whose base is larger than the sheet are left out.
  if (!kit!.problem.demands.every(demand => long(demand.width, demand.height) || long(demand.height, demand.width)))
    return undefined
  return {
    ...kit!.problem,
    cutter: { ...kit!.problem.cutter, length: nanometres(Math.max(kit!.problem.cutter.length, lengthFrom('12 in'))) },
    demands: kit!.problem.demands.map(demand => ({ ...demand, quantity: demand.quantity * kits })),
    supplies: [supply],
  }
}

/** Orders of a studio: 60 sizes, many of each. */
export function studioOrders(solve: Solve): string {
  const roll = dice(7)
  const orders = (
    [
      [50, 'Letter'],
      [500, 'Letter'],
      [500, '12 × 12 in'],
    ] as const
  ).map(([kits, format]): [string, Solved[]] => {
    const { width, height } = SHEET_FORMATS.find(({ name }) => name === format)!
    const demands = Array.from({ length: 60 }, (_, index) => ({
      key: `p${index}`,
      name: `p${index}`,
      width: inches(roll(16, 96) / 16),
      height: inches(roll(16, 96) / 16),
      quantity: kits,
      turn: 'either' as const,
    }))
    const supply = {
      key: 'sheet', kind: 'sheet' as const, width: lengthFrom(width), height: lengthFrom(height), onHand: 0, price: 50,
    }
    return [
      `60 sizes × ${kits} on ${format}`,
      [solved(`60 × ${kits} on ${format}`, { demands, supplies: [supply], cutter: CUTTER, objective: 'money' }, solve)],
    ]
  })
  return report('Studio orders: 60 sizes from 1 to 6 in.', orders)
}
