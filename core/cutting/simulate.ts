import { byKey } from '../lists'
import type { BenchStep, Pile } from './bench-step'
import type { Plan, CuttingProblem, Size } from './plan'

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
  steps: BenchStep[], { layouts }: Pick<Plan, 'layouts'>, { supplies, demands, cutter }: CuttingProblem,
): Simulated {
  const violations: string[] = []
  const bench = new Map<string, OnBench>()
  const pieces = new Map<string, number>()
  const inHand = new Set<string>()
  layouts.forEach((layout, index) => {
    const { width, height, kind } = byKey(supplies, layout.supply)
    if (layout.root.kind === 'piece') gain(layout.root.demand, layout.repeats)
    else {
      const raw = rawOf(layout.supply)
      bench.set(`${kind} ${index + 1}`, { width, height, quantity: layout.repeats, raw })
    }
  })
  steps.forEach((step, index) => {
    const say = (what: string) => violations.push(`step ${index + 1}: ${what}`)
    if (step.gathers) gather(step.hold, step.gathers, say)
    const held = bench.get(step.hold)
    if (!held) return void say(`there is no ${step.hold}`)
    if (step.size.width !== held.width || step.size.height !== held.height) say(`${step.hold} measures something else`)
    if (!inHand.has(step.hold) && held.quantity !== step.quantity)
      say(`there are ${held.quantity} of ${step.hold}, not ${step.quantity}`)
    inHand.add(step.hold)
    const across = step.side === 'width' ? 'height' : 'width'
    const left = held[step.side] - step.cuts * (step.fence + cutter.kerf)
    if (left < -cutter.kerf) say(`${step.hold} is too small for ${step.cuts} cuts`)
    if (left === 0 && cutter.kerf === 0) say(`the last cut of ${step.hold} parts nothing`)
    if (held[across] > cutter.length && !step.byKnife) say(`the cut across ${step.hold} is longer than the trimmer`)
    // A straight edge lies at the fence where there is one; the other one stays with what remains.
    const ends = held.raw[step.side]
    const off = { ...held, [step.side]: step.fence, raw: { ...held.raw, [step.side]: Math.max(0, ends - 1) } }
    const remains = { ...held, [step.side]: left, raw: { ...held.raw, [step.side]: Math.min(1, ends) } }
    // The last of alike parts is what remains; it counts among those that came off.
    const alike = step.last && !step.rest && left === step.fence
    const kept = alike ? { ...off, raw: { ...off.raw, [step.side]: Math.min(1, ends) } } : off
    put(step.keep, kept, held.quantity * (step.cuts + (alike ? 1 : 0)), say)
    if (step.rest) put(step.rest, remains, held.quantity, say)
    else if (step.last && !alike && left > 0) say(`what remains of ${step.hold} is not named`)
    if (step.deals) deal(step.keep, step.deals, say)
    if (step.last) bench.delete(step.hold)
    else bench.set(step.hold, { ...held, ...remains })
  })
  for (const [name, { quantity }] of bench) if (!isLeft(name)) violations.push(`${quantity} × ${name} is never cut up`)
  return { pieces, violations }

  /** Sheets of one size as one pile. */
  function gather(name: string, names: string[], say: (what: string) => void): void {
    for (const each of names) {
      const sheet = bench.get(each)
      const pile = bench.get(name)
      if (!sheet) return say(`there is no ${each}`)
      if (pile && (pile.width !== sheet.width || pile.height !== sheet.height))
        say(`${each} lies on others of another size`)
      bench.set(name, { ...sheet, quantity: sheet.quantity + (pile?.quantity ?? 0) })
      bench.delete(each)
    }
  }

  /** A pile dealt out again. */
  function deal({ name }: Pile, piles: Pile[], say: (what: string) => void): void {
    const held = bench.get(name)
    if (!held) return say(`there is no ${name}`)
    if (piles.reduce((sum, { quantity }) => sum + quantity, 0) !== held.quantity)
      say(`${name} are not dealt out as many as there are`)
    bench.delete(name)
    for (const pile of piles) put(pile, held, pile.quantity, say)
  }

  function isLeft(name: string): boolean {
    const isSheet = /^(sheet|offcut|drop-out|miscut) /.test(name)
    return name === 'offcut' || name === 'waste' || (isSheet && layouts.every(({ root }) => root.kind !== 'cut'))
  }

  function gain(demand: string, quantity: number): void {
    pieces.set(demand, (pieces.get(demand) ?? 0) + quantity)
  }

  /** Fresh sheets are out of square where the maker squares them. */
  function rawOf(supply: string): Size {
    const edges = (cutter.squaring > 0 && byKey(supplies, supply).kind === 'sheet' ? 2 : 0) as Size['width']
    return { width: edges, height: edges }
  }

  function put(
    pile: Pile, { raw, ...size }: Omit<OnBench, 'quantity'>, quantity: number, say: (what: string) => void,
  ): void {
    const edges = raw.width + raw.height
    if (edges > 0 && (pile.kind === 'piece' || pile.kind === 'offcut'))
      say(`${pile.name} has an edge that was never cut`)
    if (edges > 0 && pile.kind === 'waste' && SIDES.some(side => raw[side] > 0 && size[side] < cutter.squaring))
      say('less than the margin comes off an edge')
    if (pile.width !== size.width || pile.height !== size.height) say(`${pile.name} does not measure what was cut`)
    if (pile.quantity !== quantity) say(`${quantity} × ${pile.name} came off, not ${pile.quantity}`)
    if (pile.kind === 'piece') {
      const demand = demands.find(({ key }) => key === pile.demand)
      const fits
        = demand
          && ((demand.width === size.width && demand.height === size.height)
            || (demand.width === size.height && demand.height === size.width))
      if (!fits) return say(`${pile.name} has not the size of a wanted piece`)
      return gain(demand.key, quantity)
    }
    if (pile.kind !== 'strip') return
    const there = bench.get(pile.name)
    if (there && (there.width !== size.width || there.height !== size.height))
      say(`${pile.name} lies on others of another size`)
    if (inHand.has(pile.name)) say(`${pile.name} is in hand already`)
    const worst = (side: 'width' | 'height') => Math.max(raw[side], there?.raw[side] ?? 0) as Size['width']
    bench.set(pile.name, {
      ...size, quantity: (there?.quantity ?? 0) + quantity, raw: { width: worst('width'), height: worst('height') },
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
