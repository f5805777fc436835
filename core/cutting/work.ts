import type { PaceEntry, WayOfWorking } from '../document'
import { DEFAULT_PACE, DEFAULT_PRICES } from '../document'
import type { Length } from '../lengths'
import { ZERO } from '../lengths'
import type { BenchStep } from './bench'
import type { Layout, Problem, Supply } from './plan'
import { area, isFresh, openedBy } from './plan'

/** How a maker works, what time is worth, and what a plan must keep to. */
export interface Work {
  pace: PaceEntry
  /** Cents for an hour. */
  hour: number
  way: WayOfWorking
  /** Piles of strips that may lie waiting, distinct layouts, changes of direction within a sheet; `null` for any number. */
  piles: number | null
  layouts: number | null
  stages: number | null
  /** The narrowest strip that may come off a sheet. */
  strip: Length
}

export const USUAL_WORK: Work = {
  pace: DEFAULT_PACE, hour: DEFAULT_PRICES.hour, way: 'as it pays', piles: null, layouts: null, stages: null, strip: ZERO,
}

export const workOf = ({ work }: Pick<Problem, 'work'>): Work => work ?? USUAL_WORK

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
  const stacks = (how: BenchStep['taken']) => steps.reduce((sum, step) => sum + (step.taken === how ? step.stacks : 0), 0)
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
  + effort.turns * pace.turning + effort.asides * pace.aside + effort.beside * pace.beside + effort.readings * pace.reading

export const minutesOf = (steps: BenchStep[], pace: PaceEntry): number => secondsOf(effortOf(steps), pace) / 60

/** Minutes as they are said everywhere: whole, and never none for some work. */
export const wholeMinutes = (minutes: number): number => (minutes > 0 ? Math.max(1, Math.round(minutes)) : 0)

/**
 * What a sheet is worth, in cents: its price, on hand or not; one that cannot be bought as much as others for its area. Offcuts and
 * drop-outs are worth nothing: they are there anyhow.
 */
export function sheetWorth(supply: Supply, supplies: Supply[]): number {
  if (!isFresh(supply)) return 0
  if (supply.price !== null) return supply.price
  const priced = supplies.filter(({ kind, price }) => kind === 'sheet' && price !== null)
  return priced.length > 0 ? Math.min(...priced.map(other => (other.price ?? 0) * area(supply) / area(other))) : 0
}

/** What the fresh sheets of some layouts are worth, in cents. */
export function paperWorth(layouts: Layout[], supplies: Supply[]): number {
  const opened = openedBy(layouts)
  return supplies.reduce((sum, supply) => sum + sheetWorth(supply, supplies) * (opened.get(supply.key) ?? 0), 0)
}
