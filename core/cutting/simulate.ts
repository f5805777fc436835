import { byKey } from '../lists'
import type { BenchStep, Pile } from './bench-step'
import type { Plan, CuttingProblem, Layout, Size } from './plan'

const SIDES = ['width', 'height'] as const

/** What lies on the virtual bench: alike things under one name. */
interface OnBench extends Size {
  quantity: number
  /** How many of its two edges along each side are as they came, out of square. */
  raw: Size
}

export interface Simulated {
  /** Pieces by demand key. */
  pieces: Map<string, number>
  /** What cannot be done as the steps say; empty for a sequence that works. */
  violations: string[]
}

/**
 * Does a bench sequence step by step with virtual paper: takes up what a step names,
 * moves the fence, cuts, and puts the parts down. It reads nothing but the steps and
 * the sheets they begin with.
 */
export function simulate(
  steps: BenchStep[], { layouts }: Pick<Plan, 'layouts'>, problem: CuttingProblem,
): Simulated {
  const bench = new VirtualBench(problem)
  layouts.forEach((layout, index) => bench.lay(layout, index + 1))
  steps.forEach((step, index) => bench.follow(step, index + 1))
  // Where nothing is cut at all, the sheets stay as they are.
  bench.clear(layouts.every(({ root }) => root.kind !== 'cut'))
  return { pieces: bench.pieces, violations: bench.violations }
}

/** What lies on the table while steps are followed, and what was wrong with them. */
class VirtualBench {
  readonly pieces = new Map<string, number>()
  readonly violations: string[] = []
  private readonly there = new Map<string, OnBench>()
  private readonly inHand = new Set<string>()
  private step = 0

  constructor(private readonly problem: CuttingProblem) {}

  private say(what: string): void {
    this.violations.push(`step ${this.step}: ${what}`)
  }

  /** Lays down the sheets of a layout; one that is a piece as it is needs no cut. */
  lay({ supply, root, repeats }: Layout, number: number): void {
    const { width, height, kind } = byKey(this.problem.supplies, supply)
    if (root.kind === 'piece') return this.gain(root.demand, repeats)
    // Fresh sheets are out of square where the maker squares them.
    const edges = (this.problem.cutter.squaring > 0 && kind === 'sheet' ? 2 : 0) as Size['width']
    this.there.set(`${kind} ${number}`, { width, height, quantity: repeats, raw: { width: edges, height: edges } })
  }

  /** Does one step. */
  follow(step: BenchStep, number: number): void {
    this.step = number
    if (step.gathers) this.gather(step.hold, step.gathers)
    const held = this.there.get(step.hold)
    if (!held) return this.say(`there is no ${step.hold}`)
    const { kerf } = this.problem.cutter
    const left = held[step.side] - step.cuts * (step.fence + kerf)
    this.check(step, held, left)
    this.inHand.add(step.hold)
    // A straight edge lies at the fence where there is one; the other one stays with what remains.
    const ends = held.raw[step.side]
    const off = { ...held, [step.side]: step.fence, raw: { ...held.raw, [step.side]: Math.max(0, ends - 1) } }
    const remains = { ...held, [step.side]: left, raw: { ...held.raw, [step.side]: Math.min(1, ends) } }
    // The last of alike parts is what remains; it counts among those that came off.
    const alike = step.last && !step.rest && left === step.fence
    const kept = alike ? { ...off, raw: { ...off.raw, [step.side]: Math.min(1, ends) } } : off
    this.put(step.keep, kept, held.quantity * (step.cuts + (alike ? 1 : 0)))
    if (step.rest) this.put(step.rest, remains, held.quantity)
    else if (step.last && !alike && left > 0) this.say(`what remains of ${step.hold} is not named`)
    if (step.deals) this.deal(step.keep, step.deals)
    if (step.last) this.there.delete(step.hold)
    else this.there.set(step.hold, { ...held, ...remains })
  }

  /** Whether a step can be done with what is held. */
  private check(step: BenchStep, held: OnBench, left: number): void {
    const { kerf, length } = this.problem.cutter
    const across = step.side === 'width' ? 'height' : 'width'
    if (step.size.width !== held.width || step.size.height !== held.height)
      this.say(`${step.hold} measures something else`)
    if (!this.inHand.has(step.hold) && held.quantity !== step.quantity)
      this.say(`there are ${held.quantity} of ${step.hold}, not ${step.quantity}`)
    if (left < -kerf) this.say(`${step.hold} is too small for ${step.cuts} cuts`)
    if (left === 0 && kerf === 0) this.say(`the last cut of ${step.hold} parts nothing`)
    if (held[across] > length && !step.byKnife) this.say(`the cut across ${step.hold} is longer than the trimmer`)
  }

  /** At the end nothing lies there that was to be cut. */
  clear(isUncut: boolean): void {
    for (const [name, { quantity }] of this.there) {
      const isSheet = /^(sheet|offcut|drop-out|miscut) /.test(name)
      if (name !== 'offcut' && name !== 'waste' && !(isSheet && isUncut))
        this.violations.push(`${quantity} × ${name} is never cut up`)
    }
  }

  /** Sheets of one size as one pile. */
  private gather(name: string, names: string[]): void {
    for (const each of names) {
      const sheet = this.there.get(each)
      const pile = this.there.get(name)
      if (!sheet) return this.say(`there is no ${each}`)
      if (pile && (pile.width !== sheet.width || pile.height !== sheet.height))
        this.say(`${each} lies on others of another size`)
      this.there.set(name, { ...sheet, quantity: sheet.quantity + (pile?.quantity ?? 0) })
      this.there.delete(each)
    }
  }

  /** A pile dealt out again. */
  private deal({ name }: Pile, piles: Pile[]): void {
    const held = this.there.get(name)
    if (!held) return this.say(`there is no ${name}`)
    if (piles.reduce((sum, { quantity }) => sum + quantity, 0) !== held.quantity)
      this.say(`${name} are not dealt out as many as there are`)
    this.there.delete(name)
    for (const pile of piles) this.put(pile, held, pile.quantity)
  }

  private gain(demand: string, quantity: number): void {
    this.pieces.set(demand, (this.pieces.get(demand) ?? 0) + quantity)
  }

  /** Puts down what came off. */
  private put(pile: Pile, { raw, ...size }: Omit<OnBench, 'quantity'>, quantity: number): void {
    const edges = raw.width + raw.height
    const { squaring } = this.problem.cutter
    if (edges > 0 && (pile.kind === 'piece' || pile.kind === 'offcut'))
      this.say(`${pile.name} has an edge that was never cut`)
    if (edges > 0 && pile.kind === 'waste' && SIDES.some(side => raw[side] > 0 && size[side] < squaring))
      this.say('less than the margin comes off an edge')
    if (pile.width !== size.width || pile.height !== size.height) this.say(`${pile.name} does not measure what was cut`)
    if (pile.quantity !== quantity) this.say(`${quantity} × ${pile.name} came off, not ${pile.quantity}`)
    if (pile.kind === 'piece') {
      const demand = this.problem.demands.find(({ key }) => key === pile.demand)
      const fits
        = demand
          && ((demand.width === size.width && demand.height === size.height)
            || (demand.width === size.height && demand.height === size.width))
      if (!fits) return this.say(`${pile.name} has not the size of a wanted piece`)
      return this.gain(demand.key, quantity)
    }
    if (pile.kind === 'strip') this.wait(pile.name, { ...size, raw, quantity })
  }

  /** Lays strips aside, on alike ones that wait already. */
  private wait(name: string, strips: OnBench): void {
    const before = this.there.get(name)
    if (before && (before.width !== strips.width || before.height !== strips.height))
      this.say(`${name} lies on others of another size`)
    if (this.inHand.has(name)) this.say(`${name} is in hand already`)
    const worst = (side: 'width' | 'height') => Math.max(strips.raw[side], before?.raw[side] ?? 0) as Size['width']
    this.there.set(name, {
      ...strips, quantity: (before?.quantity ?? 0) + strips.quantity,
      raw: { width: worst('width'), height: worst('height') },
    })
  }
}

/** Whether a maker who follows the steps ends with the pieces of the plan, and nothing else is amiss. */
export function sequenceViolations(
  steps: BenchStep[], plan: Pick<Plan, 'layouts' | 'unplaced'>, problem: CuttingProblem,
): string[] {
  const { pieces, violations } = simulate(steps, plan, problem)
  const short = problem.demands.flatMap(({ key, name, quantity }) => {
    const promised
      = quantity - plan.unplaced.filter(({ demand }) => demand === key).reduce((sum, entry) => sum + entry.quantity, 0)
    const made = pieces.get(key) ?? 0
    return made < promised ? [`${name}: ${made} in the piles, ${promised} promised`] : []
  })
  return [...violations, ...short]
}
