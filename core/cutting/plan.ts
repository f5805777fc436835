import { itemAt, lookUp } from '../lists'
import type { PaceEntry, SupplyKind, Turn, WayOfWorking } from '../document'
import type { Length } from '../lengths'

/** Rectangles wanted of one size from one paper. */
export interface Demand {
  key: string
  name: string
  width: Length
  height: Length
  quantity: number
  turn: Turn
}

/** Rectangles of one size to cut from. */
export interface Supply {
  key: string
  kind: SupplyKind
  width: Length
  height: Length
  onHand: number
  /** Price of one more sheet in cents, `null` where none can be bought. */
  price: number | null
  /** Nothing is cut from it but the layouts that are in the plan whatever else is. */
  onlyFixed?: boolean
}

/** The maker's trimmer and habits. */
export interface Cutter {
  /** Longest cut. */
  length: Length
  /** Smallest mark of its scale. */
  mark: Length
  /** Narrowest piece that can be held safely. */
  smallestPiece: Length
  /** Sheets cut in one go. */
  stack: number
  /** Trimmed off every sheet edge to square it; zero for none. */
  squaring: Length
  /** Paper that turns to dust at every cut; zero for a blade. */
  kerf: Length
  /** Smallest side and largest side an offcut needs to be worth keeping. */
  offcut: { short: Length, long: Length }
}

/**
 * What the first plan makes least of: fresh sheets, or money for sheets that are not on hand. The others weigh paper
 * against time.
 */
export type Objective = 'sheets' | 'money'

/** How a maker works, what time is worth, and what a plan must keep to. */
export interface Work {
  pace: PaceEntry
  /** Cents for an hour. */
  hour: number
  way: WayOfWorking
  /**
   * Piles of strips that may lie waiting, distinct layouts, changes of direction within a sheet; `null` for any number.
   */
  piles: number | null
  layouts: number | null
  stages: number | null
  /** The narrowest strip that may come off a sheet. */
  strip: Length
}

/** Kits that take the same pieces from a paper. */
export interface KitNeed {
  kits: number
  /** Pieces in one of them, by demand key. */
  pieces: ReadonlyMap<string, number>
}

/** The cutting problem of one paper. */
export interface CuttingProblem {
  demands: Demand[]
  supplies: Supply[]
  cutter: Cutter
  objective: Objective
  /** Layouts that are set up already: of equal plans the one that uses them is taken. */
  setUp?: SetUp[]
  /** Layouts that are in the plan whatever else is. */
  fixed?: Layout[]
  /** A plan that another search has found, for as many pieces or more: what is planned takes no more sheets. */
  known?: Layout[]
  /** How the maker works and what a plan keeps to; `USUAL_WORK` where it is missing. */
  work?: Work
  /** Which pieces make kits: where the sheets do not give everything, as many of them as possible are made complete. */
  kits?: KitNeed[]
  /** What is cut from offcuts counts as if it saved as much of a sheet: they are used up before sheets are opened. */
  offcutsFirst?: boolean
}

/** A layout that the maker has the settings for. */
export type SetUp = Required<Omit<Layout, 'repeats'>>

/** Pieces narrower than this cannot be cut by anybody. */
export const LEAST_PIECE = 1_000_000 as Length

export interface Size {
  width: Length
  height: Length
}

/**
 * A guillotine cut tree. A `cut` divides its rectangle with parallel full cuts:
 * `side: 'width'` sets parts next to each other from left to right,
 * `side: 'height'` sets them on top of each other from bottom to top.
 */
export type CutNode = Size
  & (
    | { kind: 'piece', demand: string, turned: boolean }
    | { kind: 'offcut' | 'waste' }
    | { kind: 'cut', side: 'width' | 'height', parts: CutNode[] }
  )

export interface Layout {
  /** Tells it from the others of a finished plan; a layout that is kept has the key it is kept under. */
  key?: string
  supply: string
  /** How many sheets are cut like this. */
  repeats: number
  root: CutNode
}

/** A layout of a finished plan. */
export type KeyedLayout = Layout & { key: string }

/**
 * Piles by the order in which they come about, sheets first, each followed by the group of parts that is cut off it.
 */
export type Order = number[]

export interface Unplaced {
  demand: string
  quantity: number
  reason: string
}

/** A complete answer for one paper. */
export interface Plan {
  layouts: KeyedLayout[]
  unplaced: Unplaced[]
  /** Fresh sheets opened; offcuts and drop-outs do not count. */
  sheets: number
  /** No plan can need fewer fresh sheets than this for what was placed. */
  bound: number
  /** Cents for sheets that are not on hand. */
  spending: number
  /** No plan costs fewer cents than this, where there are several formats to buy. */
  moneyBound?: number
  /** Share of the sheets' area that ends up in pieces, 0 to 1. */
  yield: number
  /** In which order it is cut, where that was looked for with care. */
  order?: Order
  /** Of the plans that cost about least of paper and time together the one with fewest layouts. */
  favoured?: boolean
}

/** A rectangle of a cut tree at its place on the sheet, origin bottom left. */
export type Placed = Size & { x: Length, y: Length, node: CutNode }

/**
 * All leaves of a cut tree at their places.
 * @param kerf paper that is lost between two parts
 */
export function leavesOf(root: CutNode, kerf = 0): Placed[] {
  const leaves: Placed[] = []
  const visit = (node: CutNode, x: number, y: number): void => {
    if (node.kind !== 'cut') {
      leaves.push({ x: x as Length, y: y as Length, width: node.width, height: node.height, node })
      return
    }
    for (const part of node.parts) {
      visit(part, x, y)
      if (node.side === 'width') x += part.width + kerf
      else y += part.height + kerf
    }
  }
  visit(root, 0, 0)
  return leaves
}

const counted = new WeakMap<CutNode, ReadonlyMap<string, number>>()

/** How many of each demand one sheet of a layout yields. It is counted once for each node. */
export function countsOf(node: CutNode): ReadonlyMap<string, number> {
  if (node.kind !== 'cut') return node.kind === 'piece' ? new Map([[node.demand, 1]]) : NO_PIECES
  const known = counted.get(node)
  if (known) return known
  const counts = new Map<string, number>()
  for (let at = 0; at < node.parts.length;) {
    const part = itemAt(node.parts, at)
    // Hundreds of one strip may lie side by side.
    let next = at + 1
    while (node.parts[next] === part) next++
    const add = (key: string, count: number) => counts.set(key, (counts.get(key) ?? 0) + count * (next - at))
    if (part.kind === 'piece') add(part.demand, 1)
    else for (const [key, count] of countsOf(part)) add(key, count)
    at = next
  }
  counted.set(node, counts)
  return counts
}
const NO_PIECES: ReadonlyMap<string, number> = new Map()

export const isFresh = ({ kind }: Pick<Supply, 'kind'>): boolean => kind === 'sheet'

const contents = new WeakMap<CutNode, string>()

/** The same ones that follow each other once, with their number: a sheet may hold thousands of one piece. */
function inRuns(contents: string[]): string[] {
  const runs: string[] = []
  for (let at = 0; at < contents.length;) {
    let next = at + 1
    while (contents[next] === contents[at]) next++
    runs.push(next - at > 1 ? `${contents[at]}^${next - at}` : String(contents[at]))
    at = next
  }
  return runs
}

/** A cut tree in short: two trees that are cut alike have the same. It is worked out once for each node. */
export function contentOf(node: CutNode): string {
  const known = contents.get(node)
  if (known !== undefined) return known
  const inside
    = node.kind === 'cut'
      ? `${node.side}(${inRuns(node.parts.map(contentOf)).join()})`
      : node.kind === 'piece'
        ? `${node.demand}${node.turned ? '*' : ''}`
        : node.kind
  const content = `${node.width}:${node.height}:${inside}`
  contents.set(node, content)
  return content
}

/** Layouts that turned out alike on the same supply are one layout; it has the key of the first one. */
export function mergedLayouts(layouts: Layout[]): Layout[] {
  const merged = new Map<string, Layout>()
  for (const layout of layouts) {
    const key = `${layout.supply} ${contentOf(layout.root)}`
    const same = merged.get(key)
    if (same) same.repeats += layout.repeats
    else merged.set(key, { ...layout })
  }
  return [...merged.values()]
}

/**
 * Gives a key to every layout that has none yet: that of the one set up alike, or its number, which no kept layout can
 * have.
 */
export function keyedLayouts(layouts: Layout[], setUp: SetUp[] = []): KeyedLayout[] {
  const ready = new Map(setUp.map(({ key, supply, root }) => [`${supply} ${contentOf(root)}`, key]))
  return layouts.map((layout, index) => ({
    ...layout,
    key: layout.key ?? ready.get(`${layout.supply} ${contentOf(layout.root)}`) ?? `layout ${index + 1}`,
  }))
}

/** How many of each supply some layouts open, by key. */
export function openedBy(layouts: Layout[]): Map<string, number> {
  const opened = new Map<string, number>()
  for (const { supply, repeats } of layouts) opened.set(supply, (opened.get(supply) ?? 0) + repeats)
  return opened
}

/** Fresh sheets that some layouts open. */
export function freshSheets(layouts: Layout[], supplies: Supply[]): number {
  const opened = openedBy(layouts)
  return supplies.filter(isFresh).reduce((sum, { key }) => sum + (opened.get(key) ?? 0), 0)
}

/** Cents for the sheets of some layouts that are not on hand. */
export function spendingOf(layouts: Layout[], supplies: Supply[]): number {
  const opened = openedBy(layouts)
  return supplies.reduce(
    (sum, { key, onHand, price }) => sum + (price ?? 0) * Math.max(0, (opened.get(key) ?? 0) - onHand), 0,
  )
}

/** How many of each demand some layouts give, by key. */
export function madeBy(layouts: Layout[]): Map<string, number> {
  const made = new Map<string, number>()
  for (const { root, repeats } of layouts)
    for (const [key, count] of countsOf(root)) made.set(key, (made.get(key) ?? 0) + count * repeats)
  return made
}

/** What the pieces of a cut tree are worth, by the worth of one piece of each demand. */
export const worthOf = (root: CutNode, worths: ReadonlyMap<string, number>): number =>
  [...countsOf(root)].reduce((sum, [key, count]) => sum + lookUp(worths, key) * count, 0)

/** Whether one list of figures comes before another, the first that differs deciding; nothing when they are equal. */
export function before(a: number[], b: number[]): boolean | undefined {
  const decisive = a.findIndex((value, index) => value !== b[index])
  return decisive < 0 ? undefined : itemAt(a, decisive) < itemAt(b, decisive)
}

export const area = ({ width, height }: Size): number => width * height
