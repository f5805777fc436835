import type { Cutter, Demand, Layout, MeasuredPlan, CuttingProblem } from '../cutting'
import { isOffcut, wishFor } from '../cutting'
import type { Batch, CuttingEntry, LayoutEntry, MiscutEntry, PaperEntry, Priority, TreeEntry } from '../document'
import { BOUNDS, freeKey, newCutting } from '../document'
import type { Length, Units } from '../lengths'
import { lengthFrom, writeLength } from '../lengths'
import { keyOfRef, pieceRef, writeLayout, formatsFor, readTools } from '../batch'
import type { Paper } from '../paper'
import { ownFormats } from '../paper'
import type { SheetStack, StackMember } from '../together'
import type { Leftover, UsedUp } from './leftovers'
import type { PaperOutcome } from './outcome'
import { goneOf } from './leftovers'

/*
 * What a maker notes about the cutting of one paper: wishes, layouts that stay, what
 * is cut and spoiled. Each function changes the draft of a class that it is given.
 */

/** A layout of a finished plan with the problem that it is a part of. */
export interface Planned {
  layout: Layout
  /** What it is kept under where it is new to the class. */
  key: string
  problem: Pick<CuttingProblem, 'supplies' | 'demands'>
}

const isNothing = (
  { priority, moreSheets, without, also, apart, layouts, spoiled, miscut }: CuttingEntry,
): boolean =>
  priority === null
  && moreSheets === null
  && !apart
  && without.length + also.length + layouts.length + spoiled.length + miscut.length === 0

/** Changes the entry of a paper; one that says nothing is not kept. */
function change(batch: Batch, paper: string, edit: (entry: CuttingEntry) => void): void {
  const there = batch.cutting.find(entry => entry.paper === paper)
  const entry = there ?? newCutting(paper)
  edit(entry)
  if (!there && !isNothing(entry)) batch.cutting.push(entry)
  if (there && isNothing(entry)) batch.cutting.splice(batch.cutting.indexOf(there), 1)
}

/** Takes one of the plans that are worth a thought. */
export const takePlan = (batch: Batch, paper: string, choice: MeasuredPlan, choices: MeasuredPlan[]): void =>
  change(batch, paper, entry => void Object.assign(entry, wishFor(choice, choices)))

/** What counts most for this paper, at any cost of the rest. */
export const wishForPaper = (batch: Batch, paper: string, priority: Priority): void =>
  change(batch, paper, (entry) => {
    Object.assign(entry, { priority: priority === batch.wishes.priority ? null : priority, moreSheets: null })
  })

/** Goes by the wishes of the class again. */
export const takeAsUsual = (batch: Batch, paper: string): void =>
  change(batch, paper, entry => void Object.assign(entry, { priority: null, moreSheets: null }))

/** Cuts a paper by itself, or in stacks with others again. */
export const setApart = (batch: Batch, paper: string, apart: boolean): void =>
  change(batch, paper, entry => void (entry.apart = apart))

/** The keys of the sheet formats that a class cuts a paper from. */
export const formatsInUse = (batch: Batch, paper: Paper): string[] => {
  const without = batch.cutting.find(entry => entry.paper === paper.key)?.without ?? []
  return formatsFor(batch, paper).map(({ key }) => key).filter(key => !without.includes(key))
}

/** Uses a sheet format, or does without it; one of the other units is only used where it is named. */
export const setFormat = (batch: Batch, { key: paper, stocks }: Paper, stock: string, used: boolean): void =>
  change(batch, paper, (entry) => {
    const own = ownFormats(stocks, batch.class.units).some(({ key }) => key === stock)
    const keep = (keys: string[], named: boolean) => [...keys.filter(key => key !== stock), ...(named ? [stock] : [])]
    entry.without = keep(entry.without, own && !used)
    entry.also = keep(entry.also, !own && used)
  })

/** The kept layout that a layout of the plan is; what the shelf knows of is past. */
const keptAs = (entry: CuttingEntry, { key }: Layout): LayoutEntry | undefined =>
  entry.layouts.find(kept => kept.key === key && !kept.shelved)

function add(entry: CuttingEntry, { layout, key, problem }: Planned, cut: number, units: Units): void {
  entry.layouts.push(
    writeLayout(
      layout,
      freeKey(
        key,
        entry.layouts.map(({ key }) => key),
      ),
      cut,
      problem,
      units,
    ),
  )
}

/** Keeps a layout in the plan as it is, or lets it go again; sheets of it that are cut stay counted. */
export const keepLayout = (batch: Batch, paper: string, planned: Planned, keep: boolean): void =>
  change(batch, paper, (entry) => {
    const kept = keptAs(entry, planned.layout)
    if (keep && kept) kept.repeats = kept.cut + planned.layout.repeats
    else if (keep) add(entry, planned, 0, batch.class.units)
    else if (kept?.cut) kept.repeats = kept.cut
    else if (kept) entry.layouts.splice(entry.layouts.indexOf(kept), 1)
  })

function cutMore(entry: CuttingEntry, planned: Planned, sheets: number, units: Units): void {
  const kept = keptAs(entry, planned.layout)
  if (kept) Object.assign(kept, { cut: kept.cut + sheets, repeats: Math.max(kept.repeats, kept.cut + sheets) })
  else add(entry, { ...planned, layout: { ...planned.layout, repeats: sheets } }, sheets, units)
}

/** Notes that some more sheets of a layout are cut; what is missing then is planned anew. */
export const noteCut = (batch: Batch, paper: string, planned: Planned, sheets: number): void =>
  change(batch, paper, entry => cutMore(entry, planned, sheets, batch.class.units))

/** Whether sheets of a stack can be noted as cut: what is cut from scrap is not told apart. */
export const isNoted = ({ of: { paperOf } }: StackMember): boolean => paperOf === undefined

/**
 * Notes that a stack is cut, the sheets of every paper in it. The other stacks stay in the plan as they are, so that an
 * order that somebody is cutting by does not change under their hands.
 * @param freshKey makes a key for a layout that is new to the class
 */
export function noteStackCut(batch: Batch, key: string, stacks: readonly SheetStack[], freshKey: () => string): void {
  for (const stack of stacks)
    for (const { of: { paper, problem }, layout, quantity } of stack.members.filter(isNoted)) {
      const planned = { layout, key: freshKey(), problem }
      if (stack.key === key) noteCut(batch, paper.key, planned, quantity)
      else keepLayout(batch, paper.key, planned, true)
    }
}

/** Notes how many of a piece were spoiled in all. */
export const noteSpoiled = (
  batch: Batch, paper: string, demand: string, { demands }: Pick<CuttingProblem, 'demands'>, count: number): void =>
  change(batch, paper, (entry) => {
    entry.spoiled = entry.spoiled.filter(({ piece }) => keyOfRef(piece) !== demand)
    const wanted = demands.find(({ key }) => key === demand)
    if (wanted && count > 0) entry.spoiled.push({ piece: pieceRef(wanted, batch.class.units), count })
  })

/** Notes pieces that came out in a wrong size: the first of a paper, or other ones. */
export const noteMiscut = (batch: Batch, paper: string, miscut: MiscutEntry[]): void =>
  change(batch, paper, entry => void Object.assign(entry, { miscut }))

/**
 * One more kind of pieces cut wrong: one piece of a size, as it should have been, for the maker to say what it
 * measures.
 */
export const newMiscut = (demand: Demand, units: Units): MiscutEntry => {
  const piece = pieceRef(demand, units)
  return { piece, count: 1, width: piece.width, height: piece.height }
}

/** Offcuts that one sheet of a kept layout leaves. */
function leftBy({ width, height, parts, piece }: TreeEntry, cutter: Cutter): { width: Length, height: Length }[] {
  if (parts) return parts.flatMap(part => leftBy(part, cutter))
  const size = { width: lengthFrom(width), height: lengthFrom(height) }
  return piece === undefined && isOffcut(size, cutter) ? [size] : []
}

/**
 * Takes back all sheets of a layout that were noted as cut. Where the shelf knows of
 * them, their sheets go back onto it and what they left comes off it again.
 */
export function forgetCut(batch: Batch, paper: string, key: string): void {
  change(batch, paper, (entry) => {
    const kept = entry.layouts.find(layout => layout.key === key)
    if (!kept) return
    entry.layouts.splice(entry.layouts.indexOf(kept), 1)
    const shelf = batch.papers.find(other => other.key === paper)
    if (!kept.shelved || !shelf) return
    for (const left of leftBy(kept.tree, readTools(batch.tools, batch.class.units)))
      takeOffcut(shelf, { ...left, count: kept.cut })
    const stock = shelf.stocks.find(({ key }) => key === kept.supply)
    if (stock) stock.onHand = Math.min(BOUNDS.onHand, stock.onHand + kept.cut)
    else if (kept.from === 'offcut')
      putOffcut(
        shelf,
        { width: lengthFrom(kept.tree.width), height: lengthFrom(kept.tree.height), count: kept.cut },
        batch.class.units,
        kept.supply,
      )
  })
}

/**
 * The whole plan of a paper is cut: sheets and offcuts that it used up leave the shelf, what
 * it leaves is put there, and the class notes both as done, all in one change.
 */
export function shelve(
  batch: Batch,
  paper: string,
  layouts: Omit<Planned, 'problem'>[],
  problem: Planned['problem'],
  { usedUp, leaves }: { usedUp: UsedUp[], leaves: Leftover[] },
): void {
  const shelf = batch.papers.find(({ key }) => key === paper)
  if (!shelf) return
  takeOff(shelf, usedUp)
  for (const left of leaves) putOffcut(shelf, left, batch.class.units)
  change(batch, paper, (entry) => {
    for (const { layout, key } of layouts) cutMore(entry, { layout, key, problem }, layout.repeats, batch.class.units)
    for (const layout of entry.layouts) layout.shelved ||= layout.cut > 0
  })
}

/** What is used up leaves the shelf. Changes the paper that it is given. */
function takeOff(shelf: PaperEntry, usedUp: UsedUp[]): void {
  for (const stock of shelf.stocks) stock.onHand = Math.max(0, stock.onHand - goneOf(usedUp, stock.key))
  for (const offcut of shelf.offcuts) offcut.count -= goneOf(usedUp, offcut.key)
  shelf.offcuts = shelf.offcuts.filter(({ count }) => count > 0)
}

/**
 * A paper once it is cut for several classes: what is used up is gone, and what is cut lies there in its size, where
 * each class finds its own. Changes the paper that it is given.
 */
export function shelvePieces(
  shelf: PaperEntry,
  { usedUp, leaves, plan, entry }: Pick<PaperOutcome, 'usedUp' | 'leaves' | 'plan' | 'entry'>,
  units: Units,
): void {
  takeOff(shelf, usedUp)
  const missing = new Map(plan.unplaced.map(({ demand, quantity }) => [demand, quantity]))
  const pieces = entry.problem.demands
    .map(({ key, width, height, quantity }) => ({ width, height, count: quantity - (missing.get(key) ?? 0) }))
    .filter(({ count }) => count > 0)
  for (const left of [...pieces, ...leaves]) putOffcut(shelf, left, units)
}

const measures = (offcut: { width: string, height: string }, { width, height }: { width: Length, height: Length }) =>
  lengthFrom(offcut.width) === width && lengthFrom(offcut.height) === height

function putOffcut(shelf: PaperEntry, { width, height, count }: Leftover, units: Units, key?: string): void {
  const same = shelf.offcuts.find(offcut => (key ? offcut.key === key : measures(offcut, { width, height })))
  if (same) same.count = Math.min(BOUNDS.onHand, same.count + count)
  else {
    const taken = [...shelf.stocks, ...shelf.offcuts].map(({ key }) => key)
    shelf.offcuts.push({
      key: key ?? freeKey('offcut', taken),
      width: writeLength(width, units),
      height: writeLength(height, units),
      count,
    })
  }
  shelf.offcuts.sort((a, b) => lengthFrom(b.width) * lengthFrom(b.height) - lengthFrom(a.width) * lengthFrom(a.height))
}

/** Takes offcuts of one size off again, as many as are still there. */
function takeOffcut(shelf: PaperEntry, { width, height, count }: Leftover): void {
  let left = count
  for (const offcut of shelf.offcuts.filter(offcut => measures(offcut, { width, height }))) {
    const taken = Math.min(left, offcut.count)
    offcut.count -= taken
    left -= taken
  }
  shelf.offcuts = shelf.offcuts.filter(({ count }) => count > 0)
}
