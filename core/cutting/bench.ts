import { itemAt } from '../lists'
import type { BenchStep, Pile } from './bench-step'
import type { Cutter, Layout, Order, Supply, Work } from './plan'
import { sequenceOf } from './sequence'
import { frameOf } from './squaring'
import type { Stacking } from './trimmer'
import { Trimmer } from './trimmer'
import { USUAL_WORK } from './work'

/** What the sheets of layouts are called: an offcut is not called sheet. */
const sheetName = (index: number, kind: Supply['kind'] = 'sheet'): string => `${kind} ${index + 1}`

interface Options {
  /** Piece names by demand key; the key itself where a name is missing. */
  names?: ReadonlyMap<string, string>
  work?: Work
  /** The order that was found for these layouts; looked for where it is not given. */
  order?: Order
  /** What the layouts are cut from. */
  supplies?: Supply[]
  /** How what lies together makes stacks, where its sheets are not of one paper. */
  stacked?: Stacking
}

/**
 * The steps of all layouts of a paper, for all their repeats, in the order that takes the least effort. A strip is cut
 * up only after it came off, alike strips of all layouts at once.
 */
export function benchSequence(
  layouts: Layout[],
  cutter: Cutter,
  { names = new Map(), work = USUAL_WORK, order, supplies = [], stacked }: Options = {},
): BenchStep[] {
  const sheets = layouts.map(({ key, root, repeats, supply }, index) => ({
    root, repeats, index, frame: frameOf(root, cutter), layout: key ?? `${index + 1}`,
    name: sheetName(index, supplies.find(other => other.key === supply)?.kind),
  }))
  const trimmer = new Trimmer(sheets, cutter, names, stacked)
  trimmer.squareAll()
  for (const { root, repeats, frame, layout, name, index } of sheets)
    if (!frame) trimmer.lay(root, repeats, [{ x: 0, y: 0, layout }], name, index)
  const found = order ?? sequenceOf(layouts, cutter, work).order
  for (let at = 0; at < found.length; at += 2) {
    const hand = trimmer.hands.find(({ serial }) => serial === found[at])
    const group = hand?.groups[itemAt(found, at + 1)]
    if (hand && group) trimmer.cutOff(hand, group)
  }
  return withPilesReady(trimmer.steps)
}

/**
 * The steps with what lies ready of strips that come off at several times, and with names on those only that are put
 * aside.
 */
function withPilesReady(steps: BenchStep[]): BenchStep[] {
  const cutUp = new Map([...steps].reverse().map(({ hold, quantity }) => [hold, quantity]))
  const lying = new Map<string, number>()
  return steps.map((step, index) => {
    const said = (pile: Pile): Pile => {
      if (pile.kind !== 'strip') return pile
      const ready = (lying.get(pile.name) ?? 0) + pile.quantity
      lying.set(pile.name, ready)
      const of = cutUp.get(pile.name) ?? pile.quantity
      // What is cut up at once needs no name on it.
      const fresh = pile.fresh && steps[index + 1]?.hold !== pile.name
      return { ...pile, fresh, ...(of !== pile.quantity && { ready: { lying: ready, of } }) }
    }
    return { ...step, keep: said(step.keep), rest: step.rest && said(step.rest) }
  })
}
