import type { BenchStep, Plan, Solve } from '../cutting'
import { benchSequence, plan, settingsIn, strokesIn } from '../cutting'
import type { Kits, PaperUse } from '../kits'
import { kitsFor } from '../kits'
import type { Batch } from './document'
import type { PaperProblem, Preparation } from './prepare'

/** One paper's plan with its sequence at the bench and its key figures. */
export interface PaperOutcome {
  paper: PaperProblem['paper']
  plan: Plan
  /** Steps for each layout, in the order of the plan's layouts. */
  sequences: BenchStep[][]
  settings: number
  strokes: number
  /** Sheets by format, those that are not needed included. */
  sheets: PaperUse['sheets']
}

/** What follows for one paper once its cutting is planned. */
export function outcomeOf({ paper, problem, names }: PaperProblem, plan: Plan): PaperOutcome {
  const sequences = plan.layouts.map(layout => benchSequence(layout, problem.cutter, names))
  return {
    paper,
    plan,
    sequences,
    settings: settingsIn(sequences.flat()),
    strokes: strokesIn(sequences.flat()),
    sheets: problem.supplies.map(({ key, width, height, onHand, price }) => ({
      width, height, onHand, price,
      needed: plan.layouts.filter(({ supply }) => supply === key).reduce((total, { repeats }) => total + repeats, 0),
    })),
  }
}

/** Plans every paper of a class to the end, exactly where there is a solver. Screens do the same step by step in a worker. */
export const planAll = ({ papers }: Preparation, solve?: Solve): PaperOutcome[] =>
  papers.map(entry => outcomeOf(entry, plan(entry.problem, solve)))

/** The kits of a prepared and planned class. */
export function kitsOfBatch(batch: Batch, { cards }: Preparation, outcomes: PaperOutcome[]): Kits {
  return kitsFor({
    seats: batch.class.seats,
    spares: batch.class.spares,
    units: batch.class.units,
    prices: batch.prices,
    cards: cards.map(({ entry, kits, construction, pieces }) => ({
      key: entry.key,
      title: entry.title,
      kits,
      joints: construction?.joints ?? [],
      extras: construction?.extras ?? [],
      pieces: pieces.map(({ name, width, height, paper }) => ({ name, width: width.value, height: height.value, paper })),
    })),
    papers: outcomes.map(({ paper, sheets }) => ({ paper, sheets })),
  })
}
