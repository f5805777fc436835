import type { KitDrawer, KitsFrom, Plan, CuttingProblem } from '../../core/cutting'
import type { Batch } from '../../core/document'
import type { Suggestion, TeachWishes } from '../../core/kits'
import type { Advice } from '../../core/rehearsal'
import type { Sharing, SharingProblem } from '../../core/sharing'
import type { TogetherProblem } from '../../core/together'

/** What is looked for off the page's own thread: what is asked, and what is answered. */
export interface Searches {
  /** The best plan, and at the end those that trade sheets for time. */
  plan: { problem: CuttingProblem, answer: Plan[] }
  /** Layouts of several papers chosen alike, by the key of the paper. */
  together: { problem: TogetherProblem, answer: ReadonlyMap<string, Plan> }
  share: { problem: SharingProblem, answer: Sharing }
  /** How many kits a drawer gives. */
  kits: { problem: KitDrawer, answer: KitsFrom }
  /** Whether a class fits into its evening, and what would help. */
  evening: { problem: Batch, answer: Advice }
  teach: { problem: { batch: Batch, wishes: TeachWishes }, answer: Suggestion[] }
}
export type SearchName = keyof Searches

/** A problem under what tells it from any other. */
export interface Keyed<Problem> {
  key: string
  problem: Problem
}

/**
 * How far a search has come: the best answer where it is a new one, the share of the way, and how many patterns it
 * knows.
 */
export interface SearchStep<Answer> {
  best?: Answer
  share: number
  columns?: number
}

/** What a worker says about one job of an order. Every order has a higher number than the one before. */
export type WorkerAnswer<Answer>
  = | { kind: 'progress', order: number, key: string } & SearchStep<Answer>
    | { kind: 'done', order: number, key: string, answer: Answer }
    | { kind: 'failed', order: number, key: string, reason: string }

export type Hear<Answer> = (said: WorkerAnswer<Answer>) => void

/**
 * What a worker can be asked for: searches one job after the other, and answers at once that it has left the order
 * before.
 */
export interface Searching<Name extends SearchName> {
  search: (
    name: Name, order: number, jobs: Keyed<Searches[Name]['problem']>[], hear: Hear<Searches[Name]['answer']>,
  ) => unknown
}
