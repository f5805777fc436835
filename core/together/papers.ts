import type { CuttingProblem, MeasuredPlan, Plan } from '../cutting'
import { measured } from '../cutting'
import type { Paper } from '../paper'

/** What is known of a paper by those who cut it beside others. */
export type SheetPaper = Pick<Paper, 'key' | 'name' | 'weight'>

/** A paper that is to be cut, and what its pieces are called. */
export interface PaperToCut {
  paper: SheetPaper
  problem: CuttingProblem
  names: ReadonlyMap<string, string>
  /** The paper of each supply, where they differ. */
  paperOf?: ReadonlyMap<string, SheetPaper>
}

/** What an order of cuts takes. */
export interface OrderFigures {
  settings: number
  strokes: number
  minutes: number
}

/** A paper with the plan that it is cut by, and what that takes. */
export interface PaperCut
  extends PaperToCut, Pick<MeasuredPlan, 'plan' | 'settings' | 'minutes' | 'loose' | 'effort' | 'worth' | 'saved'> {
  /** What it would take by a plan of its own, where this one was chosen to suit other papers. */
  alone?: OrderFigures
}

export const cutBy = (paper: PaperToCut, plan: Plan): PaperCut =>
  ({ ...paper, ...measured(plan, paper.problem, paper.names) })
