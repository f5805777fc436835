import { itemAt } from '../lists'
import type { CutKind } from './cut-kinds'
import { CutKinds } from './cut-kinds'
import type { GroupSet } from './group-set'
import { allOf, has, isNone, isOne, withoutGroup } from './group-set'
import type { Cutter, Layout, Order, Work } from './plan'
import { frameOf } from './squaring'

/** States that are kept at each step, at most. */
const WIDEST = 60
/** Sheets that are looked at for the next one: of those that the fence stands right for, and of the others. */
const FRESH = 4
/** Added for every pile more than the maker allows. */
const TOO_MANY = 10_000

/** How the sheets of some layouts are taken up. */
export interface HandlingRules {
  oneByOne: boolean
  piles: number
}

/** A sequence and what it takes beside squaring and reading; whether no other can take less. */
export interface Sequence {
  order: Order
  seconds: number
  best: boolean
}

interface Pile {
  serial: number
  kind: number
  quantity: number
  /** The groups that are still to come off. */
  left: GroupSet
  size: number
  /** A sheet that was never cut. */
  untouched: boolean
  /** The side along which it lies ready to be cut; nothing for a sheet that may lie either way. */
  lies: 'width' | 'height' | undefined
}

/** What is still to do to a pile: settings wanted, as two words of bits, and the seconds that it takes at least. */
interface Ahead {
  low: number
  high: number
  seconds: number
}

interface MeasuredPile extends Pile {
  ahead: Ahead
  /** What tells it from other piles. */
  told: string
}

interface State {
  /** What lies on the table, and the sheets that were never cut: those are told by a number together. */
  table: readonly MeasuredPile[]
  fresh: readonly MeasuredPile[]
  freshSum: number
  fence: number
  /** The pile in hand, and those that came off with the last cut. */
  inHand: number
  justCut: readonly number[]
  serials: number
  seconds: number
  /** Seconds so far with the least that is still to do. */
  guess: number
  before?: State
  pile: number
  group: number
}

/** The beam search for the order of cuts of some layouts. */
export class SequenceSearch {
  private readonly kinds: CutKinds
  private readonly start: MeasuredPile[] = []
  private readonly ahead = new Map<string, Ahead>()
  private readonly stages: number
  private readonly serials: number

  constructor(
    layouts: Layout[], private readonly cutter: Cutter, private readonly work: Work, private readonly most: number,
  ) {
    this.kinds = new CutKinds(cutter, work)
    layouts.forEach(({ root, repeats }, serial) => {
      const body = frameOf(root, cutter)?.inside ?? root
      if (body.kind !== 'cut') return
      const kind = this.kinds.kindOf(body)
      this.start.push(this.measured({
        serial,
        kind,
        quantity: repeats,
        left: allOf(this.of(kind).groups.length),
        size: body[body.side],
        untouched: true,
        lies: undefined,
      }))
    })
    this.stages = Math.max(1, this.start.length + this.kinds.all.reduce((sum, { groups }) => sum + groups.length, 0))
    this.serials = layouts.length
  }

  run(rules: HandlingRules): Sequence {
    const first: State = {
      table: [],
      fresh: this.start,
      freshSum: 0,
      fence: -1,
      inHand: -1,
      justCut: [],
      serials: this.serials,
      seconds: 0,
      guess: 0,
      pile: -1, group: -1,
    }
    // About as many states at each step as the budget lasts for to the end.
    const piles = Math.min(FRESH, this.start.length) + this.start.length / 4 + 4
    const width = Math.max(1, Math.min(WIDEST, Math.floor(this.most / (this.stages * FRESH * piles))))
    let spent = 0
    let beam = [first]
    let done: State | undefined
    // Only some of many sheets are looked at for the next one.
    let whole = this.start.length <= FRESH
    while (beam.length > 0) {
      const next = new Map<string, State>()
      for (const state of beam) {
        for (const after of this.after(state, rules)) {
          spent += after.table.length + after.fresh.length / 4 + 2
          if (after.table.length + after.fresh.length === 0) {
            if (!done || after.seconds < done.seconds) done = after
            continue
          }
          if (done && after.seconds >= done.seconds) continue
          const key = keyOf(after)
          const rival = next.get(key)
          if (!rival || after.seconds < rival.seconds) next.set(key, after)
        }
      }
      beam = [...next.values()]
      const room = spent > this.most ? 1 : width
      if (beam.length > room) {
        whole = false
        beam = beam.sort((a, b) => a.guess - b.guess).slice(0, room)
      }
    }
    const order: Order = []
    for (let state = done; state?.before; state = state.before) order.push(state.group, state.pile)
    return { order: order.reverse(), seconds: done?.seconds ?? 0, best: whole }
  }

  private of(kind: number): CutKind {
    return itemAt(this.kinds.all, kind)
  }

  /**
   * What can be cut next. Of sheets that were never cut those that the fence stands right for, and the first few of the
   * others.
   */
  private after(state: State, rules: HandlingRules): State[] {
    const found: State[] = []
    for (const pile of state.table) this.cutsOf(state, pile, rules, found)
    if (rules.oneByOne && state.table.length > 0) return found
    let [ready, others] = [0, 0]
    for (const pile of state.fresh) {
      const isReady = this.of(pile.kind).groups.some(({ size }) => size === state.fence)
      if ((isReady ? ++ready : ++others) <= FRESH) this.cutsOf(state, pile, rules, found)
    }
    return found
  }

  private cutsOf(state: State, pile: MeasuredPile, rules: HandlingRules, found: State[]): void {
    const { groups } = this.of(pile.kind)
    const pieces = groups.some(({ leftover }, at) => !leftover && has(pile.left, at))
    for (let at = 0; at < groups.length; at++) {
      // Leftovers stay last; any other part may come off first.
      if (has(pile.left, at) && !(pieces && groups[at]?.leftover)) found.push(this.cut(state, pile, at, rules))
    }
  }

  private cut(state: State, pile: MeasuredPile, group: number, rules: HandlingRules): State {
    const { side, groups } = this.of(pile.kind)
    const { size, count, child } = itemAt(groups, group)
    const { kerf } = this.cutter
    let left = withoutGroup(pile.left, group)
    const dust = pile.size - count * size - (count - 1) * kerf > 0
    const cuts = isNone(left) && !dust ? count - 1 : count
    const remains = pile.size - cuts * (size + kerf)
    const rest = isOne(left) ? groups.findIndex((_, at) => has(left, at)) : -1
    const restGroup
      = rest >= 0 && groups[rest]?.count === 1 && groups[rest]?.size === remains ? groups[rest] : undefined
    if (restGroup) left = 0
    const others = state.table.filter(other => other !== pile)
    const fresh = pile.untouched ? state.fresh.filter(other => other !== pile) : state.fresh
    const isCut = cuts > 0
    const seconds = state.seconds + (isCut ? this.secondsOf(state, pile, size, cuts, others, rules) : 0)
    if (!isNone(left)) others.push(this.measured({ ...pile, left, size: remains, untouched: false, lies: side }))
    const justCut: number[] = []
    let serials = this.receive(others, child, count * pile.quantity, state.serials, side, justCut)
    if (restGroup) serials = this.receive(others, restGroup.child, pile.quantity, serials, side, justCut)
    const after: State = {
      table: others,
      fresh,
      freshSum: state.freshSum + (pile.untouched ? Math.imul(pile.serial + 1, 0x9E3779B1) >>> 0 : 0),
      fence: isCut ? size : state.fence,
      inHand: isCut ? pile.serial : state.inHand,
      justCut: isCut ? justCut : [...state.justCut, ...justCut],
      serials,
      seconds,
      guess: 0,
      before: state,
      pile: pile.serial,
      group,
    }
    after.guess = seconds + this.toDo(after)
    return after
  }

  /**
   * What some cuts of a pile take: the fence, the strokes, and taking it up.
   * @param others what lies on the table beside it
   */
  private secondsOf(
    state: State, pile: Pile, fence: number, cuts: number, others: readonly Pile[], rules: HandlingRules,
  ): number {
    const { pace } = this.work
    const stacks = this.kinds.stacks(pile.quantity)
    let seconds = cuts * stacks * pace.stroke
    if (fence !== state.fence) seconds += pace.setting
    if (state.inHand !== pile.serial) {
      if (pile.untouched) seconds += stacks * pace.handling
      else if (state.justCut.includes(pile.serial)) seconds += stacks * pace.handling / 2
      else {
        const waiting = others.reduce((sum, { quantity }) => sum + this.kinds.stacks(quantity), 0)
        seconds += stacks * (pace.handling + pace.aside + pace.beside * waiting)
      }
    }
    if (pile.lies !== undefined && pile.lies !== this.of(pile.kind).side) seconds += stacks * pace.turning
    if (others.length > rules.piles) seconds += TOO_MANY
    return seconds
  }

  /**
   * Puts parts that came off on the table, on alike ones that lie there untouched.
   * @param serials number of the next new pile
   * @param justCut takes in the number of a new pile
   * @returns the number of the next new pile after that
   */
  private receive(
    table: MeasuredPile[], kind: number, quantity: number, serials: number, lies: Pile['lies'], justCut: number[],
  ): number {
    if (kind < 0) return serials
    const { groups, size } = this.of(kind)
    const full = allOf(groups.length)
    const same = table.findIndex(other => other.kind === kind && other.left === full && other.serial >= this.serials)
    if (same >= 0) {
      const alike = itemAt(table, same)
      table[same] = this.measured({ ...alike, quantity: alike.quantity + quantity })
      return serials
    }
    justCut.push(serials)
    table.push(this.measured({ serial: serials, kind, quantity, left: full, size, untouched: false, lies }))
    return serials + 1
  }

  /** What is still to do at least: every setting once, every stroke, every pile taken up. */
  private toDo({ table, fresh, fence }: State): number {
    let low = 0
    let high = 0
    let seconds = 0
    for (const piles of [fresh, table]) {
      for (const pile of piles) {
        low |= pile.ahead.low
        high |= pile.ahead.high
        seconds += pile.ahead.seconds
      }
    }
    const now = this.kinds.settingOf(fence)
    const settings = bits(low) + bits(high) - (now >= 0 && now < 31 && (low >> now) & 1 ? 1 : 0)
    return seconds + settings * this.work.pace.setting
  }

  private measured(pile: Pile): MeasuredPile {
    const { serial, kind, quantity, left, size, untouched, lies } = pile
    const place = `${kind}:${quantity}:${untouched ? '' : left}`
    let ahead = this.ahead.get(place)
    if (!ahead) this.ahead.set(place, ahead = untouched ? this.aheadOfSheet(pile) : this.aheadOfPart(pile))
    return { serial, kind, quantity, left, size, untouched, lies, ahead, told: `${place}:${lies}` }
  }

  private aheadOfSheet({ kind, quantity }: Pile): Ahead {
    const [low, high] = this.of(kind).fences
    const taken = this.kinds.stacks(quantity) * this.work.pace.handling
    return { low, high, seconds: this.kinds.inside(kind, quantity) + taken }
  }

  private aheadOfPart({ kind, quantity, left }: Pile): Ahead {
    const { pace } = this.work
    const stacks = this.kinds.stacks(quantity)
    let [low, high] = [0, 0]
    let seconds = stacks * pace.handling / 2
    this.of(kind).groups.forEach(({ size, count, leftover, child }, at) => {
      if (!has(left, at)) return
      if (!leftover) {
        const bit = this.kinds.settingOf(size)
        if (bit < 31) low |= 1 << bit
        else if (bit < 62) high |= 1 << (bit - 31)
        seconds += count * stacks * pace.stroke
      }
      if (child < 0) return
      const inner = this.of(child)
      low |= inner.fences[0]
      high |= inner.fences[1]
      seconds += this.kinds.stacks(count * quantity) * (pace.handling / 2 + pace.turning)
        + this.kinds.inside(child, count * quantity)
    })
    return { low, high, seconds }
  }
}

function bits(word: number): number {
  let count = 0
  for (let left = word; left !== 0; left &= left - 1) count++
  return count
}

/** What tells a state from others, whatever the order was that led to it. */
function keyOf({ table, freshSum, fence, inHand, justCut }: State): string {
  const told = table.map(({ told, serial }) =>
    (serial === inHand ? `${told}h` : justCut.includes(serial) ? `${told}j` : told))
  return `${told.sort().join()}|${freshSum}|${fence}`
}
