import type { PaceEntry } from '../document'
import type { BenchStep } from './bench-step'

/** What a person does in a sequence of cuts. */
export interface Effort {
  settings: number
  strokes: number
  /** Stacks taken up and squared, and those that were in hand still. */
  handlings: number
  halves: number
  turns: number
  /** Stacks that were put aside and found again, and the other stacks that lay beside them then. */
  asides: number
  beside: number
  /** Distinct layouts. */
  readings: number
}

/** How often the fence has to be moved. */
export const settingsIn = (steps: Pick<BenchStep, 'fence'>[]): number =>
  steps.filter((step, index) => index === 0 || step.fence !== steps[index - 1]?.fence).length

export const strokesIn = (steps: BenchStep[]): number => steps.reduce((total, step) => total + step.strokes, 0)

/** Most piles of strips that lie waiting at once. */
export const looseIn = (steps: BenchStep[]): number => Math.max(0, ...steps.map(({ piles }) => piles))

/** Adds up what the steps of a sequence take. */
export function effortOf(steps: BenchStep[]): Effort {
  const stacks = (how: BenchStep['taken']) =>
    steps.reduce((sum, step) => sum + (step.taken === how ? step.stacks : 0), 0)
  const found = steps.filter(({ taken }) => taken === 'found')
  return {
    settings: settingsIn(steps),
    strokes: strokesIn(steps),
    handlings: stacks('new') + stacks('found'),
    halves: stacks('just cut'),
    turns: steps.reduce((sum, { turn, stacks }) => sum + (turn ? stacks : 0), 0),
    asides: stacks('found'),
    beside: found.reduce((sum, { stacks, waiting }) => sum + stacks * waiting, 0),
    readings: new Set(steps.flatMap(({ lines }) => lines.map(({ layout }) => layout))).size,
  }
}

/** Seconds at the trimmer. */
export const secondsOf = (effort: Effort, pace: PaceEntry): number =>
  effort.settings * pace.setting + effort.strokes * pace.stroke + (effort.handlings + effort.halves / 2) * pace.handling
  + effort.turns * pace.turning
  + effort.asides * pace.aside
  + effort.beside * pace.beside
  + effort.readings * pace.reading

export const minutesOf = (steps: BenchStep[], pace: PaceEntry): number => secondsOf(effortOf(steps), pace) / 60
