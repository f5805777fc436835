import { itemAt } from '../lists'
import type { CutNode, Cutter, Layout, Order, Work } from './plan'
import { contentOf } from './plan'
import { frameOf } from './squaring'

/*
 * In which order a person cuts: a search over the same model of effort that plans are weighed with. A state is what lies on the
 * table and what the fence stands at; of the states after as many cuts the best few are looked at further (a beam search). It
 * has no clock: how many are looked at follows from the size of the plan.
 */

/** Alike parts of one cut node. */
export interface AlikeParts {
  node: CutNode
  /** Where each of them begins, from the start of the cut node. */
  offsets: number[]
}

/** Piles that are looked at in search of a sequence; after that it goes straight on to the end. */
const MOST = { quick: 30_000, thorough: 250_000 }
const MANY = 16
/** States that are kept at each step, at most. */
const WIDEST = 60
/** Sheets that are looked at for the next one: of those that the fence stands right for, and of the others. */
const FRESH = 4
/** More layouts than this are not cut together unasked: nobody keeps an eye on all their strips. */
const MOST_TOGETHER = 24
/** Sheets are cut one by one unless something else saves as many seconds. */
const WORTH_WHILE = 120
/** Piles that lie on the table at most, where the maker says nothing. */
const USUAL_PILES = 6
/** Added for every pile more than the maker allows. */
const TOO_MANY = 10_000

export function groupsOf({ side, parts }: CutNode & { kind: 'cut' }, kerf: number): AlikeParts[] {
  const groups = new Map<string, AlikeParts>()
  let offset = 0
  for (const part of parts) {
    const content = contentOf(part)
    const group = groups.get(content) ?? { node: part, offsets: [] }
    group.offsets.push(offset)
    groups.set(content, group)
    offset += part[side] + kerf
  }
  return [...groups.values()]
}

/** What is known of a cut node, whichever pile it lies in. */
interface Kind {
  side: 'width' | 'height'
  size: number
  groups: { size: number, count: number, leftover: boolean, child: number }[]
  /** Settings wanted by it and by what comes off it, two words of bits. */
  fences: readonly [number, number]
}

interface Pile {
  serial: number
  kind: number
  quantity: number
  /** Bits of the groups that are still to come off. */
  left: number
  size: number
  /** A sheet that was never cut. */
  untouched: boolean
  /** The side along which it lies ready to be cut; nothing for a sheet that may lie either way. */
  lies: 'width' | 'height' | undefined
}

interface State {
  /** What lies on the table, and the sheets that were never cut: those are told by a number together. */
  table: readonly Pile[]
  fresh: readonly Pile[]
  freshSum: number
  fence: number
  /** The pile in hand, and those that came off with the last cut. */
  inHand: number
  justCut: readonly number[]
  serials: number
  seconds: number
  /** With what is still to do at least, as a guess. */
  guess: number
  before?: State
  pile: number
  group: number
}

/** How the sheets of some layouts are taken up. */
interface Rules {
  oneByOne: boolean
  piles: number
}

/** A sequence and what it takes beside squaring and reading; whether no other can take less. */
export interface Sequence {
  order: Order
  seconds: number
  best: boolean
}

/**
 * The order of cuts for some layouts that takes the least effort.
 * @param thorough looks at more of them
 */
export function sequenceOf(layouts: Layout[], cutter: Cutter, work: Work, thorough = false): Sequence {
  // Of many layouts every cut is looked at for longer.
  const most = Math.max(MOST.quick, MOST.thorough / (1 + layouts.length / MANY))
  const quick = new Search(layouts, cutter, work, MOST.quick)
  const wide = thorough ? new Search(layouts, cutter, work, most) : undefined
  // A wider beam mostly, but not always, finds the better one.
  const run = (rules: Rules): Sequence => {
    const [found, better] = [quick.run(rules), wide?.run(rules)]
    return better && (better.best || better.seconds < found.seconds) ? better : found
  }
  const piles = work.piles ?? USUAL_PILES
  const oneByOne = () => run({ oneByOne: true, piles: work.piles ?? Infinity })
  switch (work.way) {
    case 'sheet by sheet':
      return oneByOne()
    case 'all together':
      return run({ oneByOne: false, piles: work.piles ?? Infinity })
    case 'few strips':
      return run({ oneByOne: false, piles: Math.min(piles, 3) })
    default: {
      if (layouts.length === 1 || layouts.length > MOST_TOGETHER) return oneByOne()
      const [plain, together] = [oneByOne(), run({ oneByOne: false, piles })]
      return together.seconds < plain.seconds - WORTH_WHILE ? together : { ...plain, best: plain.best && together.best }
    }
  }
}

class Search {
  private readonly kinds: Kind[] = []
  private readonly known = new Map<string, number>()
  private readonly fences: number[] = []
  private readonly start: Pile[] = []
  private readonly ahead = new Map<number, number>()
  private readonly stages: number

  constructor(layouts: Layout[], private readonly cutter: Cutter, private readonly work: Work, private readonly most: number) {
    layouts.forEach(({ root, repeats }, serial) => {
      const body = frameOf(root, cutter)?.inside ?? root
      if (body.kind !== 'cut') return
      const kind = this.kindOf(body)
      this.start.push({
        serial, kind, quantity: repeats, left: 2 ** itemAt(this.kinds, kind).groups.length - 1, size: body[body.side], untouched: true,
        lies: undefined,
      })
    })
    this.stages = Math.max(1, this.start.length + this.kinds.reduce((sum, { groups }) => sum + groups.length, 0))
    this.serials = layouts.length
  }

  private readonly serials: number

  private kindOf(node: CutNode & { kind: 'cut' }): number {
    const content = contentOf(node)
    const known = this.known.get(content)
    if (known !== undefined) return known
    const at = this.kinds.length
    this.known.set(content, at)
    const kind: Kind = { side: node.side, size: node[node.side], groups: [], fences: [0, 0] }
    this.kinds.push(kind)
    const wanted: [number, number] = [0, 0]
    for (const { node: part, offsets } of groupsOf(node, this.cutter.kerf)) {
      const child = part.kind === 'cut' ? this.kindOf(part) : -1
      const leftover = part.kind === 'offcut' || part.kind === 'waste'
      kind.groups.push({ size: part[node.side], count: offsets.length, leftover, child })
      if (!leftover) {
        const bit = this.bitOf(part[node.side])
        if (bit < 62) wanted[bit < 31 ? 0 : 1] |= 1 << (bit % 31)
      }
      if (child >= 0) {
        const { fences: [low, high] } = itemAt(this.kinds, child)
        wanted[0] |= low
        wanted[1] |= high
      }
    }
    kind.fences = wanted
    return at
  }

  private bitOf(fence: number): number {
    const known = this.fences.indexOf(fence)
    return known < 0 ? this.fences.push(fence) - 1 : known
  }

  /** Strokes, taking up and turning of what is still inside some of a kind, in seconds. */
  private inside(kind: number, quantity: number): number {
    const key = kind * 1e6 + quantity
    const known = this.ahead.get(key)
    if (known !== undefined) return known
    const { pace } = this.work
    const stacks = this.stacks(quantity)
    const { groups } = itemAt(this.kinds, kind)
    const all = groups.reduce((sum, { count, leftover, child }) =>
      sum + (leftover ? 0 : count * stacks * pace.stroke)
      + (child < 0 ? 0 : this.stacks(count * quantity) * (pace.handling / 2 + pace.turning) + this.inside(child, count * quantity)), 0)
    this.ahead.set(key, all)
    return all
  }

  private readonly stacks = (quantity: number) => Math.ceil(quantity / this.cutter.stack)

  run(rules: Rules): Sequence {
    const first: State = {
      table: [], fresh: this.start, freshSum: 0, fence: -1, inHand: -1, justCut: [], serials: this.serials, seconds: 0, guess: 0,
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

  /** What can be cut next. Of sheets that were never cut those that the fence stands right for, and the first few of the others. */
  private* after(state: State, rules: Rules): Generator<State> {
    for (const pile of state.table) yield* this.cutsOf(state, pile, rules)
    if (rules.oneByOne && state.table.length > 0) return
    let [ready, others] = [0, 0]
    for (const pile of state.fresh) {
      const isReady = itemAt(this.kinds, pile.kind).groups.some(({ size }) => size === state.fence)
      if ((isReady ? ++ready : ++others) <= FRESH) yield* this.cutsOf(state, pile, rules)
    }
  }

  private* cutsOf(state: State, pile: Pile, rules: Rules): Generator<State> {
    const { groups } = itemAt(this.kinds, pile.kind)
    const pieces = groups.some(({ leftover }, at) => !leftover && has(pile.left, at))
    for (let at = 0; at < groups.length; at++) {
      // Leftovers stay last; any other part may come off first.
      if (has(pile.left, at) && !(pieces && groups[at]?.leftover)) yield this.cut(state, pile, at, rules)
    }
  }

  private cut(state: State, pile: Pile, group: number, rules: Rules): State {
    const { pace } = this.work
    const { side, groups } = itemAt(this.kinds, pile.kind)
    const { size, count, child } = itemAt(groups, group)
    const { kerf } = this.cutter
    let left = pile.left - 2 ** group
    const dust = pile.size - count * size - (count - 1) * kerf > 0
    const cuts = left === 0 && !dust ? count - 1 : count
    const remains = pile.size - cuts * (size + kerf)
    const rest = left > 0 && isOne(left) ? groups.findIndex((_, at) => has(left, at)) : -1
    const restGroup = rest >= 0 && groups[rest]?.count === 1 && groups[rest]?.size === remains ? groups[rest] : undefined
    if (restGroup) left = 0
    const stacks = this.stacks(pile.quantity)
    const others = state.table.filter(other => other !== pile)
    const fresh = pile.untouched ? state.fresh.filter(other => other !== pile) : state.fresh
    let seconds = state.seconds
    if (cuts > 0) {
      const waiting = others.reduce((sum, { quantity }) => sum + this.stacks(quantity), 0)
      if (size !== state.fence) seconds += pace.setting
      seconds += cuts * stacks * pace.stroke
      if (state.inHand !== pile.serial) {
        if (pile.untouched) seconds += stacks * pace.handling
        else if (state.justCut.includes(pile.serial)) seconds += stacks * pace.handling / 2
        else seconds += stacks * (pace.handling + pace.aside + pace.beside * waiting)
      }
      if (pile.lies !== undefined && pile.lies !== side) seconds += stacks * pace.turning
      if (others.length > rules.piles) seconds += TOO_MANY
    }
    let { serials } = state
    const justCut: number[] = []
    const receive = (kind: number, quantity: number) => {
      if (kind < 0) return
      const { groups: all, size: whole } = itemAt(this.kinds, kind)
      const full = 2 ** all.length - 1
      const same = others.findIndex(other => other.kind === kind && other.left === full && other.serial >= this.serials)
      if (same >= 0) {
        const alike = itemAt(others, same)
        others[same] = { ...alike, quantity: alike.quantity + quantity }
        return
      }
      justCut.push(serials)
      others.push({ serial: serials, kind, quantity, left: full, size: whole, untouched: false, lies: side })
      serials += 1
    }
    if (left > 0) others.push({ ...pile, left, size: remains, untouched: false, lies: side })
    receive(child, count * pile.quantity)
    if (restGroup) receive(restGroup.child, pile.quantity)
    const isCut = cuts > 0
    const after: State = {
      table: others, fresh, freshSum: state.freshSum + (pile.untouched ? Math.imul(pile.serial + 1, 0x9E3779B1) >>> 0 : 0),
      fence: isCut ? size : state.fence,
      inHand: isCut ? pile.serial : state.inHand,
      justCut: isCut ? justCut : [...state.justCut, ...justCut], serials, seconds, guess: 0, before: state, pile: pile.serial, group,
    }
    after.guess = seconds + this.toDo(after)
    return after
  }

  /** What is still to do at least: every setting once, every stroke, every pile taken up. */
  private toDo({ table, fresh, fence }: State): number {
    const { pace } = this.work
    let [low, high, seconds] = [0, 0, 0]
    for (const { kind, quantity } of fresh) {
      const { fences } = itemAt(this.kinds, kind)
      low |= fences[0]
      high |= fences[1]
      seconds += this.inside(kind, quantity) + this.stacks(quantity) * pace.handling
    }
    for (const { kind, quantity, left } of table) {
      const { groups } = itemAt(this.kinds, kind)
      const stacks = this.stacks(quantity)
      groups.forEach(({ size, count, leftover, child }, at) => {
        if (!has(left, at)) return
        if (!leftover) {
          const bit = this.fences.indexOf(size)
          if (bit < 31) low |= 1 << bit
          else if (bit < 62) high |= 1 << (bit - 31)
          seconds += count * stacks * pace.stroke
        }
        if (child < 0) return
        const inner = itemAt(this.kinds, child)
        low |= inner.fences[0]
        high |= inner.fences[1]
        seconds += this.stacks(count * quantity) * (pace.handling / 2 + pace.turning) + this.inside(child, count * quantity)
      })
      seconds += stacks * pace.handling / 2
    }
    const now = this.fences.indexOf(fence)
    const settings = bits(low) + bits(high) - (now >= 0 && now < 31 && (low >> now) & 1 ? 1 : 0)
    return seconds + settings * pace.setting
  }
}

const has = (bitset: number, at: number) => Math.floor(bitset / 2 ** at) % 2 === 1
const isOne = (bitset: number) => Number.isInteger(Math.log2(bitset))
function bits(word: number): number {
  let count = 0
  for (let left = word; left !== 0; left &= left - 1) count++
  return count
}

/** What tells a state from others, whatever the order was that led to it. */
function keyOf({ table, freshSum, fence, inHand, justCut }: State): string {
  const told = table.map(({ kind, quantity, left, lies, serial }) =>
    `${kind}:${quantity}:${left}:${lies}${serial === inHand ? 'h' : justCut.includes(serial) ? 'j' : ''}`)
  return `${told.sort().join()}|${freshSum}|${fence}`
}
