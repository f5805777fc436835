import type { CutNode, KeyedLayout, Supply } from '../cutting'
import { contentOf, lettersOf } from '../cutting'
import { byKey, itemAt, sumOf } from '../lists'
import { STACKED_WEIGHT } from '../paper'
import type { PaperCut, SheetPaper } from './papers'

/*
 * Stacks across papers: sheets of one size that are cut alike lie on each other, whatever paper they are. Hands tell
 * papers apart by sight, so whatever comes off such a stack is dealt out by paper and by nothing else.
 */

/** How many there are of one paper. */
export interface PaperShare {
  paper: SheetPaper
  quantity: number
}

/** What comes off: how many of each paper, and which of its pieces that is. */
export interface PaperPart extends PaperShare {
  /** Of pieces, the key of the demand in the paper's plan, and what it is called there. */
  demand?: string
  name?: string
}

/** Sheets of one paper in a stack, and the layout of its plan that they are cut by. */
export interface StackMember extends PaperShare {
  /** The paper whose plan the layout belongs to: scrap has one plan for sheets of several papers. */
  of: PaperCut
  layout: KeyedLayout
  /** What its paper's own plan calls it: `Sheet 2`. */
  number: number
  /** What each place of a piece is in this paper's plan: keys of demands. */
  pieces: ReadonlyMap<string, string>
}

/** Sheets that are cut in one go, of one paper or several. */
export interface SheetStack {
  key: string
  /** What it is cut from. */
  supply: Pick<Supply, 'kind' | 'width' | 'height'>
  /** The cuts; its pieces stand for places that each paper fills with its own. */
  root: CutNode
  members: StackMember[]
}

/**
 * Sheets as they lie under the blade, heavy papers first: a lot holds as many as the trimmer takes by their weight, and
 * one sheet at least.
 * @param stack sheets of ordinary weight that it takes
 */
export function lotsOf(shares: readonly PaperShare[], stack: number): PaperShare[][] {
  const capacity = stack * STACKED_WEIGHT
  const lots: PaperShare[][] = []
  let room = 0
  for (const { paper, quantity } of [...shares].sort((a, b) => b.paper.weight - a.paper.weight)) {
    for (let left = quantity; left > 0;) {
      const fits = Math.floor(room / paper.weight)
      if (fits === 0) {
        lots.push([])
        room = Math.max(capacity, paper.weight)
        continue
      }
      const taken = Math.min(left, fits)
      itemAt(lots, -1).push({ paper, quantity: taken })
      room -= taken * paper.weight
      left -= taken
    }
  }
  return lots
}

/** Shares of the same paper put together, in the order in which the papers come. */
export function sharesOf(shares: readonly PaperShare[]): PaperShare[] {
  const found = new Map<string, PaperShare>()
  for (const { paper, quantity } of shares)
    found.set(paper.key, { paper, quantity: (found.get(paper.key)?.quantity ?? 0) + quantity })
  return [...found.values()]
}

/**
 * The stacks of some papers' plans, in the order of the plans.
 * @param apart keys of papers that are cut by themselves
 */
export function stacksOf(papers: readonly PaperCut[], apart: ReadonlySet<string> = new Set()): SheetStack[] {
  const stacks = new Map<string, SheetStack>()
  for (const cut of papers) {
    const { plan: { layouts }, problem, paperOf, paper } = cut
    // Scrap of several papers is told apart by what is written on it, not by sight.
    const own = apart.has(paper.key) || paperOf !== undefined ? `${paper.key}/` : ''
    const places = placesOf(cut, own)
    const pieces = new Map([...places].map(([demand, place]) => [place, demand]))
    layouts.forEach((layout, index) => {
      const { kind, width, height } = byKey(problem.supplies, layout.supply)
      const root = placed(layout.root, places)
      const key = `${own}${kind} ${contentOf(root)}`
      const member: StackMember = {
        paper: paperOf?.get(layout.supply) ?? paper, quantity: layout.repeats,
        of: cut, layout, number: index + 1, pieces,
      }
      const same = stacks.get(key)
      if (same) same.members.push(member)
      else stacks.set(key, { key, supply: { kind, width, height }, root, members: [member] })
    })
  }
  return [...stacks.values()]
}

/** Sheets in a stack. */
export const sheetsIn = ({ members }: SheetStack): number => sumOf(members.map(({ quantity }) => quantity))

/**
 * A name for each piece of a plan by which other papers' pieces of its size find it: its size, and which one of its
 * paper's pieces of that size it is, in the order in which they come up.
 */
function placesOf({ plan: { layouts }, problem }: PaperCut, own: string): Map<string, string> {
  const met = new Map<string, number>()
  const places = new Map<string, string>()
  for (const demand of lettersOf(layouts).keys()) {
    const { width, height } = byKey(problem.demands, demand)
    const size = `${own}${Math.min(width, height)}x${Math.max(width, height)}`
    const number = (met.get(size) ?? 0) + 1
    met.set(size, number)
    places.set(demand, `${size} ${number}`)
  }
  return places
}

function placed(node: CutNode, places: ReadonlyMap<string, string>): CutNode {
  if (node.kind === 'cut') return { ...node, parts: node.parts.map(part => placed(part, places)) }
  // Which way round a print lies in it is the paper's own business.
  return node.kind === 'piece' ? { ...node, demand: places.get(node.demand) ?? node.demand, turned: false } : node
}
