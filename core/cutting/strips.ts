import { itemAt, lookUp } from '../lists'
import type { Length } from '../lengths'
import type { Cutter, CutNode, Demand, Size, Supply } from './plan'
import { isCuttable, squared, withMargins } from './squaring'

/**
 * One sheet filled with strips: full cuts divide the sheet into strips, cross
 * cuts divide a strip into columns, and a last cut trims or parts a column.
 * Exact in its arithmetic; the choice of strips is greedy.
 */

/** Heights of a strip up to which all are tried. */
const FEW_HEIGHTS = 12

/** What one more piece of a demand is worth to the sheet at hand. */
export type Worth = (demand: Demand) => number

/** A demand lying one way round, repeated upwards in a column of its strip. */
interface Column {
  demand: Demand
  turned: boolean
  /** Along the strip. */
  width: number
  /** Of one piece, across the strip. */
  height: number
  pieces: number
}

interface Strip {
  height: number
  columns: Column[]
  worth: number
}

const orientations = (demand: Demand, along: 'width' | 'height') => {
  const drawn = { turned: false, x: demand.width, y: demand.height }
  const turned = { turned: true, x: demand.height, y: demand.width }
  const allowed = demand.turn === 'either' ? [drawn, turned] : demand.turn === 'turned' ? [turned] : [drawn]
  return allowed.map(({ turned, x, y }) =>
    along === 'width' ? { turned, along: x, across: y } : { turned, along: y, across: x },
  )
}

/** Whether a strip makes more of its height than another; of equals the one that holds more. */
function denser(a: Strip, b: Strip): boolean {
  const lead = a.worth * b.height - b.worth * a.height
  return lead > 0 || (lead === 0 && a.worth > b.worth)
}

/** A strip filled up to some length: the last column in it, and how many pieces of its demand it holds. */
interface State {
  used: number
  worth: number
  ofThis: number
  previous?: State
  column?: Column
}

/** The best columns for one strip: a bounded knapsack over the reachable lengths. */
function fillStrip(
  length: number,
  height: number,
  along: 'width' | 'height',
  demands: Demand[],
  left: ReadonlyMap<string, number>,
  worth: Worth,
): Strip {
  let states: State[] = [{ used: 0, worth: 0, ofThis: 0 }]
  for (const demand of demands) {
    const available = left.get(demand.key) ?? 0
    if (available === 0) continue
    let touched = false
    for (const way of orientations(demand, along)) {
      if (way.across > height || way.along > length) continue
      const perColumn = Math.min(available, Math.floor(height / way.across))
      const column: Column = { demand, turned: way.turned, width: way.along, height: way.across, pieces: perColumn }
      const value = worth(demand) * perColumn
      if (value <= 0) continue
      const isPlenty = states.every(({ used, ofThis }) =>
        ofThis + perColumn * Math.floor((length - used) / column.width) <= available)
      states = (isPlenty ? withPlenty : withFew)(states, { column, value, length, available })
      touched = true
    }
    // The count is of one demand; the next one starts from none.
    if (touched) states = states.map(state => (state.ofThis > 0 ? { ...state, ofThis: 0 } : state))
  }
  const best = states.reduce((a, b) => (b.worth > a.worth ? b : a))
  const columns: Column[] = []
  for (let state: State | undefined = best; state?.column; state = state.previous) columns.push(state.column)
  columns.sort((a, b) => b.height * b.pieces - a.height * a.pieces || b.width - a.width)
  return { height, columns, worth: best.worth }
}

/** Columns of one kind that strips may be filled with further. */
interface More {
  column: Column
  /** What each is worth. */
  value: number
  length: number
  /** Pieces of its demand that are left. */
  available: number
}

const filledFurther = (state: State, { column, value }: More): State => ({
  used: state.used + column.width,
  worth: state.worth + value,
  ofThis: state.ofThis + column.pieces,
  previous: state,
  column,
})

/** Strips with some more columns, as many as there are pieces for. */
function withFew(states: State[], more: More): State[] {
  const next = new Map<number, State>()
  for (const state of states) next.set(state.used, state)
  for (const start of states) {
    let state = start
    while (state.used + more.column.width <= more.length && state.ofThis + more.column.pieces <= more.available) {
      state = filledFurther(state, more)
      const rival = next.get(state.used)
      if (!rival || rival.worth < state.worth) next.set(state.used, state)
    }
  }
  return undominated([...next.values()])
}

/**
 * The same where pieces never run out: then each length follows from the best one a column shorter. Strips as they were
 * and strips with columns more are both in the order of their lengths, so that they are merged as they come about.
 * @param states in the order of their lengths, each worth more than the one before
 */
function withPlenty(states: State[], more: More): State[] {
  const { column: { width }, value, length } = more
  /** With one column more at least, whether or not something is better; some lead on to others. */
  const further: State[] = []
  const found: State[] = []
  let [plain, from, again] = [0, 0, 0]
  let best = -1
  for (;;) {
    const [one, other] = [states[from], further[again]]
    const fromOne = one ? one.used + width : Infinity
    const fromOther = other ? other.used + width : Infinity
    const [as, next] = [states[plain]?.used ?? Infinity, Math.min(fromOne, fromOther)]
    const used = Math.min(as, next)
    if (used === Infinity || used > length) break
    let state: State | undefined
    if (next === used) {
      // Of equal ones that with more columns of this kind.
      const isOther = fromOther < fromOne
        || (fromOther === fromOne && (other?.worth ?? 0) + value >= (one?.worth ?? 0) + value)
      const before = isOther ? other : one
      state = before && filledFurther(before, more)
      if (fromOne === used) from++
      if (fromOther === used) again++
      if (state && state.worth > best) further.push(state)
    }
    if (as === used) {
      const asItWas = states[plain++]
      if (asItWas && (!state || state.worth <= asItWas.worth)) state = asItWas
    }
    if (!state || state.worth <= best) continue
    best = state.worth
    found.push(state)
  }
  return found
}

/** Heights of strips that are tried: all of a few, else the tallest and some between. */
function heightsToTry(heights: number[]): number[] {
  const sorted = [...new Set(heights)].sort((a, b) => b - a)
  if (sorted.length <= FEW_HEIGHTS) return sorted
  const half = FEW_HEIGHTS / 2
  const step = (sorted.length - half) / half
  return [
    ...sorted.slice(0, half),
    ...Array.from({ length: half }, (_, index) => itemAt(sorted, Math.floor(half + index * step))),
  ]
}

/** Drops every state that is longer and worth no more than another. */
function undominated<S extends { used: number, worth: number }>(states: S[]): S[] {
  states.sort((a, b) => a.used - b.used)
  let best = -1
  return states.filter((state) => {
    if (state.worth <= best) return false
    best = state.worth
    return true
  })
}

/** Strips that were filled before for the same worths, by direction, room and what is wanted of each size. */
export type KnownStrips = Map<string, Strip>

/**
 * Fills one sheet with strips of what is left to cut.
 * @param framed whether the squaring cuts are put around it
 * @param known takes in the strips that are filled, for whoever fills many sheets with the same worths
 * @returns nothing when not a single piece fits
 */
export function stripLayout(
  supply: Supply,
  cutter: Cutter,
  along: 'width' | 'height',
  demands: Demand[],
  left: ReadonlyMap<string, number>,
  worth: Worth,
  { framed = true, known = new Map() }: { framed?: boolean, known?: KnownStrips } = {},
): CutNode | undefined {
  const inner = squared(supply, cutter)
  const length = along === 'width' ? inner.width : inner.height
  let room: number = along === 'width' ? inner.height : inner.width
  // The strips are parted by cuts along the strip, which the trimmer must be able to make.
  if (length > cutter.length || !isCuttable(supply, cutter)) return undefined
  const remaining = new Map(left)
  const strips: Strip[] = []
  for (;;) {
    const heights = heightsToTry(
      demands
        .filter(demand => (remaining.get(demand.key) ?? 0) > 0)
        .flatMap(demand => orientations(demand, along).map(way => way.across as number))
        .filter(height => height <= room),
    )
    let best: Strip | undefined
    for (const height of heights) {
      const strip = filledOnce(height)
      if (strip.worth > 0 && canCross(strip) && (!best || denser(strip, best))) best = strip
    }
    if (!best) break
    strips.push(best)
    room -= best.height
    for (const { demand, pieces } of best.columns) remaining.set(demand.key, lookUp(remaining, demand.key) - pieces)
  }
  if (strips.length === 0) return undefined
  strips.sort((a, b) => b.height - a.height)
  const body = treeOf(inner, cutter, along, strips)
  return framed ? withMargins(supply, cutter, body) : body

  /** More of a size than a strip has room for is as good as that many. */
  function filledOnce(height: number): Strip {
    const wanted = demands.map(({ key, width, height: high }) =>
      Math.min(lookUp(remaining, key), Math.floor((length * height) / (width * high))))
    const place = `${along} ${length} ${height} ${wanted.join(' ')}`
    const strip = known.get(place) ?? fillStrip(length, height, along, demands, remaining, worth)
    known.set(place, strip)
    return strip
  }

  /** A strip higher than the trimmer is long must need no cut across it. */
  function canCross({ height, columns }: Strip): boolean {
    return height <= cutter.length || (columns.length === 1 && columns[0]?.width === length)
  }
}

function treeOf(inner: Size, cutter: Cutter, along: 'width' | 'height', strips: Strip[]): CutNode {
  const across = along === 'width' ? 'height' : 'width'
  const size = (alongSize: number, acrossSize: number): Size =>
    along === 'width'
      ? { width: alongSize as Length, height: acrossSize as Length }
      : { width: acrossSize as Length, height: alongSize as Length }
  const length = along === 'width' ? inner.width : inner.height
  const depth = along === 'width' ? inner.height : inner.width
  const leftover = (rest: Size): CutNode => ({ kind: isOffcut(rest, cutter) ? 'offcut' : 'waste', ...rest })
  const divide = (whole: Size, side: 'width' | 'height', parts: CutNode[], rest: Size): CutNode => {
    const all = rest[side] > 0 ? [...parts, leftover(rest)] : parts
    return all.length === 1 ? itemAt(all, 0) : { kind: 'cut', side, ...whole, parts: all }
  }

  const stripNodes = strips.map(({ height, columns }) => {
    const columnNodes = columns.map(({ demand, turned, width, height: pieceHeight, pieces }) => {
      const piece: CutNode = { kind: 'piece', demand: demand.key, turned, ...size(width, pieceHeight) }
      return divide(
        size(width, height),
        across,
        Array.from({ length: pieces }, () => piece),
        size(width, height - pieces * pieceHeight),
      )
    })
    const used = columns.reduce((total, column) => total + column.width, 0)
    return divide(size(length, height), along, columnNodes, size(length - used, height))
  })
  const used = strips.reduce((total, strip) => total + strip.height, 0)
  return divide(inner, across, stripNodes, size(length, depth - used))
}

/** Whether a leftover is worth keeping by the maker's own rule. */
export const isOffcut = ({ width, height }: Size, { offcut }: Cutter): boolean =>
  Math.min(width, height) >= offcut.short && Math.max(width, height) >= offcut.long
