import { leavesOf } from '../cutting'
import { byKey, tally } from '../lists'
import { STACKED_WEIGHT } from '../paper'
import type { OrderTogether, StepTogether } from './order'
import type { PaperCut } from './papers'
import type { PaperPart, PaperShare } from './stacks'

/*
 * Cuts several papers once more with sheets of its own, each rectangle with its place on the sheet that it came from,
 * by nothing but the steps. It shares no code with what found the order.
 */

/** A rectangle of paper on the bench, with its place on the sheet that it was. */
interface Rectangle {
  sheet: Sheet
  x: number
  y: number
  width: number
  height: number
  /** Edges that are as they came, along each side. */
  raw: { width: number, height: number }
}

interface Sheet {
  paper: string
  weight: number
  of: PaperCut
  layout: string
  /** What it has become: pieces by their demand, offcuts and waste. */
  parts: (Omit<Rectangle, 'sheet'> & { is: string })[]
}

/**
 * What is wrong with an order of cuts for some papers; empty where it can be cut as it says and gives what the papers'
 * plans give.
 * @param stack sheets of ordinary weight that the trimmer takes at once
 */
export function orderViolations(order: OrderTogether, papers: readonly PaperCut[], stack: number): string[] {
  const bench = new ReplayedBench(order, stack)
  order.steps.forEach((step, index) => bench.follow(step, index + 1))
  bench.clear()
  return [...bench.violations, ...bench.compare(papers)]
}

class ReplayedBench {
  readonly violations: string[] = []
  private readonly piles = new Map<string, Rectangle[]>()
  private readonly sheets: Sheet[] = []
  private dealt: Rectangle[][] = []
  private step = 0

  constructor({ stacks }: OrderTogether, private readonly stack: number) {
    stacks.forEach(({ supply: { kind, width, height }, members }, at) => {
      const pile = members.flatMap(({ paper, of, layout, quantity }) =>
        Array.from({ length: quantity }, (): Rectangle => {
          const sheet: Sheet = { paper: paper.key, weight: paper.weight, of, layout: layout.key, parts: [] }
          this.sheets.push(sheet)
          const edges = kind === 'sheet' && of.problem.cutter.squaring > 0 ? 2 : 0
          return { sheet, x: 0, y: 0, width, height, raw: { width: edges, height: edges } }
        }))
      this.piles.set(`${kind} ${at + 1}`, pile)
    })
  }

  private say(what: string): void {
    this.violations.push(`step ${this.step}: ${what}`)
  }

  follow(step: StepTogether, number: number): void {
    this.step = number
    if (step.gathers) this.gather(step, step.gathers)
    const pile = this.piles.get(step.hold) ?? []
    if (pile.length !== step.quantity) return this.say(`there are ${pile.length} of ${step.hold}, not ${step.quantity}`)
    this.checkLots(step, pile)
    this.checkShares(step.held, pile, 'held')
    const halves = pile.map(one => this.cut(step, one))
    const off = halves.flatMap(({ off }) => off)
    const rest = halves.flatMap(({ rest }) => rest)
    this.put(step.keep, off, step.kept)
    if (step.rest) this.put(step.rest, rest, step.left)
    else if (!step.last) this.piles.set(step.hold, rest)
    else if (rest.length > 0) this.say(`what remains of ${step.hold} is not named`)
    if (step.last || step.rest) this.piles.delete(step.hold)
    if (step.deals) this.deal(step)
  }

  /** What comes off one thing in hand, and what remains of it. */
  private cut({ side, fence, cuts, last, rest }: StepTogether, whole: Rectangle) {
    const at = side === 'width' ? 'x' : 'y'
    const { kerf, length, squaring } = whole.sheet.of.problem.cutter
    const off: Rectangle[] = []
    let left = whole
    if (whole[side === 'width' ? 'height' : 'width'] > length && !this.mayBeLong) this.say('longer than the trimmer')
    for (let cut = 0; cut < cuts; cut++) {
      if (left[side] + kerf < fence) this.say(`${left[side]} is too little for ${fence}`)
      off.push({ ...left, [side]: fence, raw: { ...left.raw, [side]: Math.max(0, left.raw[side] - 1) } })
      left = {
        ...left, [at]: left[at] + fence + kerf, [side]: left[side] - fence - kerf,
        raw: { ...left.raw, [side]: Math.min(1, left.raw[side]) },
      }
    }
    if (squaring > 0 && left.raw[side] > 0 && rest?.kind === 'waste' && left[side] < squaring)
      this.say('less than the margin comes off an edge')
    // The last of alike parts is what remains.
    if (last && !rest && left[side] === fence) return { off: [...off, left], rest: [] }
    return { off, rest: left[side] > 0 ? [left] : [] }
  }

  private mayBeLong = false

  private gather({ hold }: StepTogether, names: string[]): void {
    this.dealt = names.map((name) => {
      const pile = this.piles.get(name)
      if (!pile) this.say(`there is no ${name}`)
      this.piles.delete(name)
      return pile ?? []
    })
    const all = this.dealt.flat()
    if (all.some(({ width, height }) => width !== all[0]?.width || height !== all[0]?.height))
      this.say(`${hold} are not of one size`)
    this.piles.set(hold, all)
  }

  /** Sheets that were squared in one pile, each to its own kind again. */
  private deal({ keep, deals = [] }: StepTogether): void {
    const pile = this.piles.get(keep.name) ?? []
    this.piles.delete(keep.name)
    deals.forEach(({ name, quantity }, at) => {
      const own = new Set((this.dealt[at] ?? []).map(({ sheet }) => sheet))
      const part = pile.filter(({ sheet }) => own.has(sheet))
      if (part.length !== quantity) this.say(`${part.length} are dealt out as ${name}, not ${quantity}`)
      this.piles.set(name, part)
    })
  }

  private put(
    { kind, name, width, height, quantity }: StepTogether['keep'], pile: Rectangle[], parts: PaperPart[],
  ): void {
    if (pile.length !== quantity) this.say(`${pile.length} × ${name} came off, not ${quantity}`)
    if (pile.some(one => one.width !== width || one.height !== height)) this.say(`${name} measures something else`)
    if (kind !== 'waste' || parts.length > 0) this.checkShares(parts, pile, name)
    if (kind === 'strip') {
      this.piles.set(name, [...this.piles.get(name) ?? [], ...pile])
      return
    }
    for (const { sheet, ...one } of pile) {
      const part = parts.find(({ paper }) => paper.key === sheet.paper)
      if (kind !== 'waste' && one.raw.width + one.raw.height > 0) this.say(`${name} has an edge that was never cut`)
      sheet.parts.push({ ...one, is: kind === 'piece' ? part?.demand ?? 'no piece' : kind })
    }
  }

  private checkShares(shares: readonly PaperShare[], pile: Rectangle[], name: string): void {
    const there = tally(pile, ({ sheet }) => sheet.paper)
    const said = tally(shares, ({ paper }) => paper.key, ({ quantity }) => quantity)
    for (const paper of new Set([...there.keys(), ...said.keys()]))
      if (there.get(paper) !== said.get(paper))
        this.say(`${name}: ${there.get(paper) ?? 0} are of ${paper}, not ${said.get(paper) ?? 0}`)
  }

  /** Every sheet is in one lot, and no lot is thicker than the trimmer takes. */
  private checkLots({ lots, cuts, strokes, byKnife }: StepTogether, pile: Rectangle[]): void {
    this.mayBeLong = byKnife
    this.checkShares(lots.flat(), pile, 'under the blade')
    for (const lot of lots) {
      const weight = lot.reduce((sum, { paper, quantity }) => sum + paper.weight * quantity, 0)
      const sheets = lot.reduce((sum, { quantity }) => sum + quantity, 0)
      if (sheets > 1 && weight > this.stack * STACKED_WEIGHT) this.say('a stack is thicker than the trimmer takes')
    }
    if (strokes !== cuts * lots.length) this.say(`${cuts} cuts of ${lots.length} stacks are not ${strokes} strokes`)
  }

  clear(): void {
    for (const [name, pile] of this.piles)
      for (const { sheet, ...one } of pile) {
        const layout = byKey(sheet.of.plan.layouts, sheet.layout)
        // A sheet that is a piece as it is needs no cut.
        if (layout.root.kind === 'piece') sheet.parts.push({ ...one, is: layout.root.demand })
        else this.violations.push(`${name} is never cut up`)
      }
  }

  /** Whether every sheet has become what its paper's plan says of it, and whether the plans' sheets are all there. */
  compare(papers: readonly PaperCut[]): string[] {
    const wrong: string[] = []
    for (const { paper, plan: { layouts }, problem } of papers) {
      for (const { key, repeats, root } of layouts) {
        const own = this.sheets.filter(({ of, layout }) => of.paper.key === paper.key && layout === key)
        if (own.length !== repeats) wrong.push(`${own.length} sheets of ${paper.key} ${key} are cut, not ${repeats}`)
        const inPlan = leavesOf(root, problem.cutter.kerf)
          .filter(({ node }) => node.kind === 'piece' || node.kind === 'offcut')
          .map(({ width, height, node }) => `${node.kind === 'piece' ? node.demand : 'offcut'} ${width}x${height}`)
        for (const { parts } of own) {
          const cut = parts.filter(({ is }) => is !== 'waste')
            .map(({ is, width, height }) => `${is} ${width}x${height}`)
          if (cut.sort().join() !== inPlan.sort().join()) wrong.push(`${paper.key} ${key} has become ${cut.join(', ')}`)
          if (parts.some((one, at) => parts.slice(at + 1).some(other => overlap(one, other))))
            wrong.push(`parts of ${paper.key} ${key} overlap`)
          if (parts.some(({ x, y, width, height }) => x + width > root.width || y + height > root.height))
            wrong.push(`parts of ${paper.key} ${key} reach over its edge`)
        }
      }
    }
    return wrong
  }
}

type Box = Pick<Rectangle, 'x' | 'y' | 'width' | 'height'>
const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height
