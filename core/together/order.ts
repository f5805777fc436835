import type { BenchStep, Cutter, Effort, Layout, Pile, Work } from '../cutting'
import { benchSequence, effortOf, looseIn, secondsOf, sequenceOf, sequenceOfClass, workOf } from '../cutting'
import { byKey, itemAt, lookUp, sumOf } from '../lists'
import { stackOf } from '../paper'
import type { OrderFigures, PaperCut } from './papers'
import type { PaperPart, PaperShare, SheetStack } from './stacks'
import { lotsOf, sharesOf, sheetsIn, stacksOf } from './stacks'
import { placeNames } from './words'

/*
 * One order of cuts for several papers: the fence is set once for whatever waits at that measure, and sheets of
 * several papers that are cut alike are cut in one stack.
 */

/** A step: what is held, comes off and remains of each paper. */
export interface StepTogether extends BenchStep {
  held: PaperShare[]
  kept: PaperPart[]
  left: PaperPart[]
  /** How what is held lies under the blade, one list for each stack. */
  lots: PaperShare[][]
}

export interface OrderTogether extends OrderFigures {
  stacks: SheetStack[]
  steps: StepTogether[]
  effort: Effort
  /** Most piles of strips that lie waiting at once. */
  loose: number
  /** The same papers each by itself, one after the other. */
  apart: OrderFigures
}

/** How papers are cut together. */
export interface Together {
  /** Sheets of ordinary weight that the trimmer takes at once. */
  stack: number
  /** Keys of papers whose sheets lie in no stack with others. */
  apart?: ReadonlySet<string>
}

/** A full stack is counted in so many parts at most; what is finer is rounded up. */
const FINEST = 5040

/**
 * The order of cuts for the plans of some papers. It takes no longer than cutting them one after the other, which is
 * what it says where nothing can be saved.
 */
export function orderOf(papers: readonly PaperCut[], { stack, apart }: Together): OrderTogether {
  const alone = papers.map(({ alone, settings, effort: { strokes }, minutes }) =>
    alone ?? { settings, strokes, minutes })
  const oneByOne: OrderFigures = {
    settings: sumOf(alone.map(({ settings }) => settings)),
    strokes: sumOf(alone.map(({ strokes }) => strokes)),
    minutes: sumOf(alone.map(({ minutes }) => minutes)),
  }
  const [first] = papers
  if (!first) return { stacks: [], steps: [], effort: effortOf([]), loose: 0, ...oneByOne, apart: oneByOne }
  const { cutter } = first.problem
  const work = workOf(first.problem)
  const bench: Bench = { cutter: { ...cutter, stack }, work }
  const together = stacksOf(papers, apart)
  const single = stacksOf(papers, new Set(papers.map(({ paper }) => paper.key)))
  const orders = [
    inOrder(together, sequenceOfClass(loadsOf(together, stack), loadCutter(together, bench), work).order, bench),
    inOrder(single, oneAfterTheOther(papers, work), bench),
  ].map(order => ({ ...order, seconds: secondsOf(order.effort, work.pace) }))
  const { seconds, ...best } = orders.reduce((least, one) => (one.seconds < least.seconds ? one : least))
  return {
    ...best, loose: looseIn(best.steps), settings: best.effort.settings, strokes: best.effort.strokes,
    minutes: seconds / 60, apart: oneByOne,
  }
}

interface Bench {
  cutter: Cutter
  work: Work
}

/** The papers' own orders, one after the other, told by the numbers that their piles have then. */
function oneAfterTheOther(papers: readonly PaperCut[], work: Work): number[] {
  const sheets = sumOf(papers.map(({ plan }) => plan.layouts.length))
  let [laid, strips] = [0, 0]
  return papers.flatMap(({ plan: { layouts, order }, problem }) => {
    const own = order ?? sequenceOf(layouts, problem.cutter, work).order
    const [firstSheet, firstStrip] = [laid, sheets + strips - layouts.length]
    laid += layouts.length
    strips += Math.max(0, ...own.map((pile, at) => (at % 2 === 0 ? pile + 1 - layouts.length : 0)))
    return own.map((number, at) =>
      at % 2 === 1 ? number : number + (number < layouts.length ? firstSheet : firstStrip))
  })
}

/** How many parts of a full stack there are that every paper's sheets are so many whole parts of. */
function partsOf(stacks: readonly SheetStack[], stack: number): number {
  const sizes = new Set(stacks.flatMap(({ members }) => members.map(({ paper }) => stackOf(stack, paper.weight))))
  const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b))
  return [...sizes].reduce((parts, size) => Math.min(FINEST, (parts * size) / common(parts, size)), 1)
}

/** The stacks for the search, where a stack weighs as much as it fills of what the trimmer takes. */
function loadsOf(stacks: readonly SheetStack[], stack: number): Layout[] {
  const parts = partsOf(stacks, stack)
  return stacks.map(({ key, root, members }) => ({
    supply: key, root,
    repeats: sumOf(members.map(({ paper, quantity }) => Math.ceil(quantity * parts / stackOf(stack, paper.weight)))),
  }))
}

const loadCutter = (stacks: readonly SheetStack[], { cutter }: Bench): Cutter =>
  ({ ...cutter, stack: partsOf(stacks, cutter.stack) })

/** The stacks by when they are taken up, those that need no cut last, and their order told by those numbers. */
function asTakenUp(stacks: readonly SheetStack[], order: readonly number[]) {
  const met = order.filter((pile, at) => at % 2 === 0 && pile < stacks.length)
  const places = [...new Set([...met, ...stacks.keys()])]
  return {
    stacks: places.map(place => itemAt(stacks, place)),
    order: order.map((pile, at) => (at % 2 === 0 && pile < stacks.length ? places.indexOf(pile) : pile)),
  }
}

/** The steps of some stacks in an order, with the part of each paper in them. */
function inOrder(found: readonly SheetStack[], piles: readonly number[], { cutter, work }: Bench) {
  const { stacks, order } = asTakenUp(found, piles)
  const members = (key: string): PaperShare[] => byKey(stacks, key).members
  const lots = (layouts: readonly string[]) => lotsOf(sharesOf(layouts.flatMap(members)), cutter.stack)
  const layouts = stacks.map((stack): Layout =>
    ({ key: stack.key, supply: stack.key, root: stack.root, repeats: sheetsIn(stack) }))
  const supplies = stacks.map(({ key, supply }) => ({ key, ...supply, onHand: 0, price: null }))
  const cuts = benchSequence(layouts, cutter, {
    names: placeNames(stacks), work, order, supplies, stacked: layouts => lots(layouts).length,
  })
  const parted = new PartedSteps(stacks, cutter.stack)
  return { stacks, steps: cuts.map(step => parted.of(step)), effort: effortOf(cuts) }
}

/** Follows what belongs to which paper through the steps. */
class PartedSteps {
  /** What lies on the table under each name. */
  private readonly piles = new Map<string, PaperShare[]>()
  /** The sheets that are squared in one pile, in the order in which they are dealt out again. */
  private gathered: PaperShare[][] = []

  constructor(private readonly stacks: SheetStack[], private readonly stack: number) {
    stacks.forEach(({ supply, members }, at) => this.piles.set(`${supply.kind} ${at + 1}`, sharesOf(members)))
  }

  of(step: BenchStep): StepTogether {
    if (step.gathers) {
      this.gathered = step.gathers.map(name => lookUp(this.piles, name))
      this.piles.set(step.hold, sharesOf(this.gathered.flat()))
    }
    const held = lookUp(this.piles, step.hold)
    const kept = this.put(step.keep, held, step.quantity)
    const left = step.rest ? this.put(step.rest, held, step.quantity) : []
    step.deals?.forEach((pile, at) => this.put(pile, itemAt(this.gathered, at), pile.quantity))
    return { ...step, held, kept, left, lots: lotsOf(held, this.stack) }
  }

  /**
   * Puts down what came off things in hand.
   * @param quantity how many those were
   */
  private put({ kind, name, demand, quantity: all }: Pile, held: PaperShare[], quantity: number): PaperPart[] {
    const shares = held.map(share => ({ ...share, quantity: share.quantity * (all / quantity) }))
    if (kind === 'strip') this.piles.set(name, sharesOf([...this.piles.get(name) ?? [], ...shares]))
    return demand === undefined ? shares : shares.map(share => ({ ...share, ...this.pieceOf(demand, share) }))
  }

  /** What a piece of some place is in the plan of a paper. */
  private pieceOf(place: string, { paper }: PaperShare): Pick<PaperPart, 'demand' | 'name'> {
    for (const { members } of this.stacks)
      for (const { paper: own, pieces, of } of members) {
        const demand = own.key === paper.key ? pieces.get(place) : undefined
        if (demand !== undefined) return { demand, name: of.names.get(demand) }
      }
    return {}
  }
}
