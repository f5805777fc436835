import type { Length } from '../lengths'
import { itemAt, lookUp } from '../lists'
import { tidy } from './tidy'
import { ways } from './bound'
import type { CutNode, Cutter, Demand, Layout, CuttingProblem, Size, Supply } from './plan'
import { area, countsOf, isFresh } from './plan'
import type { Side } from './squaring'
import { OTHER, isCuttable, squared, withMargins } from './squaring'
import { stripLayout } from './strips'

/*
 * Simple families of layouts, such as hands like to cut: strips of one size each, and strips beside a block of another
 * size that may lie turned; with one or two changes of direction and few settings. They are priced by what pieces are
 * worth, as any pattern is.
 */

const SIDES = ['width', 'height'] as const

/** A demand in one of the ways it may lie. */
interface Way {
  demand: Demand
  turned: boolean
  size: Size
}

const waysOf = (demand: Demand): Way[] =>
  ways(demand).filter(({ width }, at, all) => at === 0 || width !== all[0]?.width).map((size, at) => ({
    demand, size, turned: demand.turn === 'turned' || at === 1,
  }))

const sized = (size: Size, side: Side, length: number): Size => ({
  width: size.width, height: size.height, [side]: length as Length,
})

/** Parts side by side in a rectangle, with waste up to the whole. */
function beside(whole: Size, side: Side, parts: CutNode[]): CutNode {
  const left = whole[side] - parts.reduce((sum, part) => sum + part[side], 0)
  const all: CutNode[] = left > 0 ? [...parts, { kind: 'waste', ...sized(whole, side, left) }] : parts
  const [only] = all
  return all.length === 1 && only ? only : { kind: 'cut', side, width: whole.width, height: whole.height, parts: all }
}

/** A strip of one size, pieces side by side along a side of it. */
function stripOf(whole: Size, side: Side, { demand, turned, size }: Way): CutNode {
  const across = OTHER[side]
  const count = Math.floor(whole[side] / size[side])
  const piece: CutNode = { kind: 'piece', demand: demand.key, turned, width: size.width, height: size.height }
  const strip = sized(whole, across, size[across])
  return beside(strip, side, Array.from({ length: count }, () => piece))
}

interface Filled {
  value: number
  /** Strips from the first to the last, each with how it is filled. */
  strips: Way[]
}

/** The strips worth most across a rectangle, each of one size: a knapsack over the sums of their heights. */
function bestStrips(whole: Size, side: Side, all: Way[], worth: (demand: Demand) => number): Filled {
  const across = OTHER[side]
  const fitting = all.filter(({ size }) => size.width <= whole.width && size.height <= whole.height)
    .map(way => ({
      way, high: way.size[across] as number, value: worth(way.demand) * Math.floor(whole[side] / way.size[side]),
    }))
    .filter(({ value }) => value > 0)
  let states = new Map<number, Filled>([[0, { value: 0, strips: [] }]])
  for (const { way, high, value } of fitting) {
    const next = new Map(states)
    for (const [used, state] of [...states].sort(([a], [b]) => a - b)) {
      let at = used
      let now = state
      while (at + high <= whole[across]) {
        at += high
        now = { value: now.value + value, strips: [...now.strips, way] }
        const rival = next.get(at)
        if (rival && rival.value >= now.value) break
        next.set(at, now)
      }
    }
    states = next.size > MOST_STATES ? undominated(next) : next
  }
  return [...states.values()].reduce((best, one) => (one.value > best.value ? one : best))
}
const MOST_STATES = 400

/** Only what uses more where it is worth more; of many the first ones. */
function undominated(states: Map<number, Filled>): Map<number, Filled> {
  let best = -1
  const kept = [...states].sort(([a], [b]) => a - b).filter(([, { value }]) => {
    if (value <= best) return false
    best = value
    return true
  })
  return new Map(kept.slice(0, MOST_STATES))
}

/** Layouts of a sheet in simple families that are worth most. */
export function simpleLayouts(
  supply: Supply, cutter: Cutter, demands: Demand[], worth: (demand: Demand) => number,
): CutNode[] {
  if (!isCuttable(supply, cutter)) return []
  const sheet = squared(supply, cutter)
  const all = demands.filter(demand => worth(demand) > 0).flatMap(waysOf)
  const found: CutNode[] = []
  for (const side of SIDES) {
    const across = OTHER[side]
    // Cuts between strips are as long as the sheet, those across a strip as long as it is high.
    if (sheet[side] > cutter.length) continue
    const low = all.filter(({ size }) => size[across] <= cutter.length)
    const { strips } = bestStrips(sheet, side, low, worth)
    if (strips.length > 0) found.push(beside(sheet, across, strips.map(way => stripOf(sheet, side, way))))
    const block = bestBlock(sheet, side, low, worth, cutter)
    if (block) found.push(block)
  }
  return found.map(root => withMargins(supply, cutter, tidy(root, cutter)))
}

/**
 * Every layout of strips of one or two sizes, each strip of one size and as many of the second kind as there is room
 * and use for: of few sizes few enough to look at all.
 */
export function twoStrips(supply: Supply, cutter: Cutter, demands: Demand[]): CutNode[] {
  if (!isCuttable(supply, cutter)) return []
  const sheet = squared(supply, cutter)
  const all = demands.flatMap(waysOf)
  return SIDES.flatMap((side) => {
    const across = OTHER[side]
    if (sheet[side] > cutter.length) return []
    const fitting = all.filter(({ size }) =>
      size[across] <= cutter.length && size.width <= sheet.width && size.height <= sheet.height)
    /** Strips of a size in some room: no more than all pieces that are wanted of it fill. */
    const inRoom = ({ demand, size }: Way, room: number) => Math.min(
      Math.floor(room / size[across]), Math.ceil(demand.quantity / Math.floor(sheet[side] / size[side])),
    )
    // Strips and blocks are made once, and shared by all layouts that have them.
    const stripAt = fitting.map(way => stripOf(sheet, side, way))
    const tidied = new Map<CutNode, CutNode>()
    return fitting.flatMap((first, at) => {
      const most = inRoom(first, sheet[across])
      return fitting.slice(at).flatMap((second, after) => {
        const least = first === second ? most : 1
        return Array.from({ length: Math.max(0, most - least + 1) }, (_, more) => {
          const strips = Array.from({ length: least + more }, () => itemAt(stripAt, at))
          const rest = sheet[across] - strips.length * first.size[across]
          const room = first === second ? 0 : inRoom(second, rest)
          const others = Array.from({ length: room }, () => itemAt(stripAt, at + after))
          return withMargins(supply, cutter, tidy(beside(sheet, across, [...strips, ...others]), cutter, tidied))
        })
      })
    })
  })
}

/** Sheets that are halved or quartered first, and all parts then cut alike in one stack. */
export function dividedLayouts(
  supply: Supply, cutter: Cutter, demands: Demand[], worth: (demand: Demand) => number,
): CutNode[] {
  if (!isCuttable(supply, cutter)) return []
  const sheet = squared(supply, cutter)
  return DIVISIONS.flatMap((sides) => {
    const part = sides.reduce<Size>((size, side) => sized(size, side, size[side] / 2), sheet)
    const isEven = Number.isInteger(part.width) && Number.isInteger(part.height)
    const isLong = sides.some((side, at) => (at === 0 ? sheet : part)[OTHER[side]] > cutter.length)
    if (!isEven || isLong) return []
    // The parts have edges that were cut.
    const halves = simpleLayouts({ ...supply, kind: 'drop-out', ...part }, cutter, demands, worth)
    return halves.map(half => withMargins(supply, cutter, [...sides].reverse().reduce<CutNode>(twice, half)))
  })
}
const DIVISIONS = [['width'], ['height'], ['width', 'height']] as const

const twice = (half: CutNode, side: Side): CutNode =>
  ({ kind: 'cut', side, width: half.width, height: half.height, [side]: half[side] * 2, parts: [half, half] })

/** Some strips of one size, and what is left of the sheet in strips of another one that run the other way. */
function bestBlock(
  sheet: Size, side: Side, all: Way[], worth: (demand: Demand) => number, cutter: Cutter,
): CutNode | undefined {
  const across = OTHER[side]
  let best: { value: number, way: Way, strips: number, other: Way } | undefined
  for (const way of all) {
    const most = Math.floor(sheet[across] / way.size[across])
    const each = worth(way.demand) * Math.floor(sheet[side] / way.size[side])
    for (let strips = 1; strips < most; strips++) {
      const rest = sheet[across] - strips * way.size[across]
      if (rest > cutter.length) continue
      for (const other of all) {
        if (other.size[side] > cutter.length) continue
        const value = strips * each
          + worth(other.demand) * Math.floor(rest / other.size[across]) * Math.floor(sheet[side] / other.size[side])
        const fitsIn = other.size[across] <= rest && other.size[side] <= sheet[side]
        if (fitsIn && (!best || value > best.value)) best = { value, way, strips, other }
      }
    }
  }
  if (!best) return undefined
  const { way, strips, other } = best
  const rest = sized(sheet, across, sheet[across] - strips * way.size[across])
  const columns = Math.floor(rest[side] / other.size[side])
  const strip = stripOf(sheet, side, way)
  const column = stripOf(rest, across, other)
  const block = beside(rest, side, Array.from({ length: columns }, () => column))
  return beside(sheet, across, [...Array.from({ length: strips }, () => strip), block])
}

/** A whole sheet of one size, the way that gives most pieces. */
export function oneSize(supply: Supply, cutter: Cutter, demand: Demand): CutNode | undefined {
  const left = new Map([[demand.key, Math.max(demand.quantity, 1e6)]])
  return SIDES.flatMap(along => stripLayout(supply, cutter, along, [demand], left, area) ?? [])
    .sort((a, b) => (countsOf(b).get(demand.key) ?? 0) - (countsOf(a).get(demand.key) ?? 0))[0]
}

/**
 * How a careful maker cuts: whole sheets of one size as long as they are filled, and what is left of all sizes in
 * strips on sheets of its own, the tallest pieces first.
 */
export function byHand({ supplies, cutter }: Pick<CuttingProblem, 'supplies' | 'cutter'>, demands: Demand[]): Layout[] {
  const sheets = supplies
    .filter(supply => isFresh(supply) && (supply.price !== null || supply.onHand > 0) && isCuttable(supply, cutter))
    .sort((a, b) => (a.price ?? Infinity) / area(a) - (b.price ?? Infinity) / area(b))
  const left = new Map(demands.map(({ key, quantity }) => [key, quantity]))
  const there = new Map(sheets.map(({ key, onHand, price }) => [key, price === null ? onHand : Infinity]))
  const layouts: Layout[] = []
  const take = (supply: Supply, root: CutNode) => {
    const counts = [...countsOf(root)]
    const repeats = Math.min(
      lookUp(there, supply.key), ...counts.map(([key, count]) => Math.floor(lookUp(left, key) / count)),
    )
    if (repeats < 1 || counts.length === 0) return false
    for (const [key, count] of counts) left.set(key, lookUp(left, key) - count * repeats)
    there.set(supply.key, lookUp(there, supply.key) - repeats)
    layouts.push({ supply: supply.key, repeats, root })
    return true
  }
  for (const demand of demands) {
    for (const supply of sheets) {
      const root = oneSize(supply, cutter, demand)
      if (root) take(supply, root)
    }
  }
  const tallest = (demand: Demand) => area(demand) * (1 + Math.max(demand.width, demand.height) / 1e12)
  const order = [...supplies.filter(supply => !isFresh(supply) && isCuttable(supply, cutter)), ...sheets]
  for (const supply of order) if (!isFresh(supply)) there.set(supply.key, supply.onHand)
  for (;;) {
    const filled = order.some(supply => lookUp(there, supply.key) > 0 && SIDES
      .flatMap(along => stripLayout(supply, cutter, along, demands, left, tallest) ?? [])
      .sort((a, b) => used(b) - used(a))
      .slice(0, 1)
      .some(root => take(supply, root)))
    if (!filled) return layouts
  }

  function used(root: CutNode): number {
    return demands.reduce((sum, demand) => sum + area(demand) * (countsOf(root).get(demand.key) ?? 0), 0)
  }
}
