/* An evening to be rehearsed, and what comes of it. All times are minutes from the beginning of the class. */

export interface RehearsedStep {
  /** Of hands, at the pace of most. */
  minutes: number
  /** Before what needs it can be done. */
  waits: number
  /** Place of the tool that it takes, where that is shared. */
  tool?: number
  /** Places of the steps before it, within its stage, that have to be done and dry. */
  needs: number[]
}

export interface RehearsalProblem {
  /** Students who do the same: how many, and their steps stage by stage; none of a stage that they do not make. */
  makers: { count: number, stages: RehearsedStep[][] }[]
  /** What is shown and then made, one after the other. */
  stages: { name: string, showing: number }[]
  /** What is shared, and how many of it there are. */
  tools: { name: string, count: number }[]
  /** By how many percent the slowest takes longer than most, and the quickest less. */
  spread: number
  /** When the making begins, and when all should be done. */
  begins: number
  until: number
}

/** One in ten evenings it is less than `low`, in half less than `middle`, in nine of ten less than `high`. */
export interface Spread {
  low: number
  middle: number
  high: number
}

export interface Rehearsal {
  students: number
  runs: number
  /** When all should be done. */
  until: number
  /** Share of the evenings in which everybody is done in time. */
  fits: number
  /** When the last one is done. */
  ends: Spread
  /** How many are not done in time, on average. */
  late: number
  /** When each is shown, when half of those who make it are done, and when all are. */
  stages: { name: string, shown: Spread, half: Spread, done: Spread }[]
  /** The longest queue of an evening, and minutes that a student waits for it on average. */
  tools: { name: string, queue: Spread, waited: number }[]
  /** Minutes that a student waits for something to dry, and for a card to be shown, on average. */
  dried: number
  idle: number
}

/** In so many of all evenings everybody should be done. */
const ENOUGH = 0.9

/** Whether a class fits into its evening. */
export const isFitting = ({ fits }: Pick<Rehearsal, 'fits'>): boolean => fits >= ENOUGH
