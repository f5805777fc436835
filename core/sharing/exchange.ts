import { itemAt } from '../lists'
import type { NumberedKit, NumberedSharing, Slot } from './numbered'

/** Exchanges that are tried, and rounds without anything better, before it is content. */
const MOST_TRIES = 4_000_000
const MOST_STILL = 60
/** Rounds for which a slot does not take back what it gave away. */
const TABU = 7
/** Exchanges tried in one go, before whoever waits may do something else. */
const IN_ONE_GO = 100_000

/** The best exchange for a slot so far: with another one, or for a print of which pieces are over. */
interface Offer {
  gain: number
  print: number
  /** Place of the other slot. */
  other?: number
}

/**
 * Tabu search: a slot that breaks a rule takes the best swap or spare print, even where that is no better, but not one
 * that it has just given away; the best state seen is kept. Nothing in it is left to chance.
 * @param bySize places of slots that can swap what they are of
 */
export function* exchanged(
  sharing: NumberedSharing, bySize: ReadonlyMap<string, number[]>,
): Generator<undefined, void> {
  const { kits, slots } = sharing
  const exchange = new Exchange(sharing, bySize)
  let paused = 0
  const state = () => kits.map(({ prints }) => [...prints])
  let best = { weight: sharing.weightOfAll(), prints: state() }
  for (let still = 0; !exchange.isTired && still < MOST_STILL && best.weight > 0; exchange.turn++, still++) {
    let acted = false
    for (const [at, slot] of slots.entries()) {
      acted = exchange.settle(slot, at, still === 0) || acted
      if (exchange.isTired) break
      if (exchange.tries - paused < IN_ONE_GO) continue
      paused = exchange.tries
      yield
    }
    const weight = sharing.weightOfAll()
    if (weight < best.weight - 1e-9) {
      best = { weight, prints: state() }
      still = -1
    }
    if (!acted) break
  }
  kits.forEach((kit, at) => (kit.prints = itemAt(best.prints, at)))
}

/** Exchanges between the slots of a sharing, and which of them must not be taken back yet. */
class Exchange {
  /** Rounds so far, and exchanges tried in them. */
  turn = 0
  tries = 0
  /** Places that a slot can swap with, by its own place. */
  private readonly alike: ReadonlyMap<number, number[]>
  /** Round in which a slot gave a print away, by slot and print. */
  private readonly given: Int32Array

  constructor(private readonly sharing: NumberedSharing, bySize: ReadonlyMap<string, number[]>) {
    this.alike = new Map([...bySize.values()].flatMap(places => places.map(place => [place, places])))
    this.given = new Int32Array(sharing.slots.length * sharing.prints.length).fill(-TABU)
  }

  get isTired(): boolean {
    return this.tries >= MOST_TRIES
  }

  /**
   * Takes the best exchange for a slot that something is wrong with; answers whether there was one.
   * @param evenly whether it is enough that its print is used too often
   */
  settle(slot: Slot, at: number, evenly: boolean): boolean {
    const { sharing } = this
    const kit = itemAt(sharing.kits, slot.kit)
    if (sharing.weightOf(kit) === 0 && !(evenly && this.isUneven(slot, kit))) return false
    const mine = itemAt(kit.prints, slot.role)
    const spare = this.spareFor(slot, at, kit, mine)
    const swap = this.swapFor(slot, at, kit, mine)
    // Of equal exchanges a swap is taken.
    const best = spare && (!swap || spare.gain > swap.gain + 1e-9) ? spare : swap
    if (!best || (best.gain <= 1e-9 && sharing.weightOf(kit) === 0)) return false
    this.given[this.placeOf(at, mine)] = this.turn
    if (best.other === undefined) this.takeSpare(slot, kit, mine, best.print)
    else this.swap(slot, kit, best.other, best.print)
    return true
  }

  private placeOf(slot: number, print: number): number {
    return slot * this.sharing.prints.length + print
  }

  private isUneven(slot: Slot, kit: NumberedKit): boolean {
    const { sharing } = this
    return sharing.weights.evenly > 0 && sharing.isOverused(sharing.poolOf(slot), itemAt(kit.prints, slot.role))
  }

  private mayTake(slot: number, print: number): boolean {
    return (this.given[this.placeOf(slot, print)] ?? -TABU) + TABU <= this.turn
  }

  private takeSpare(slot: Slot, kit: NumberedKit, mine: number, print: number): void {
    const { sharing } = this
    const pool = sharing.poolOf(slot)
    sharing.use(slot, mine, 1)
    sharing.use(slot, print, -1)
    sharing.countUse(pool, mine, -1)
    sharing.countUse(pool, print, 1)
    sharing.put(kit, slot.role, print)
  }

  private swap(slot: Slot, kit: NumberedKit, place: number, print: number): void {
    const { sharing } = this
    const mine = itemAt(kit.prints, slot.role)
    const other = itemAt(sharing.slots, place)
    const [pool, theirs] = [sharing.poolOf(slot), sharing.poolOf(other)]
    this.given[this.placeOf(place, print)] = this.turn
    if (pool !== theirs) {
      sharing.countUse(pool, mine, -1)
      sharing.countUse(pool, print, 1)
      sharing.countUse(theirs, print, -1)
      sharing.countUse(theirs, mine, 1)
    }
    sharing.put(kit, slot.role, print)
    sharing.put(itemAt(sharing.kits, other.kit), other.role, mine)
  }

  /** The best swap with another slot. */
  private swapFor(slot: Slot, at: number, kit: NumberedKit, mine: number): Offer | undefined {
    const { sharing } = this
    const role = sharing.roleOf(slot)
    let best: Offer | undefined
    for (const place of this.alike.get(at) ?? []) {
      const other = itemAt(sharing.slots, place)
      const theirs = itemAt(sharing.kits, other.kit)
      const print = itemAt(theirs.prints, other.role)
      if (print === mine || !this.mayTake(at, print) || !this.mayTake(place, mine)) continue
      const their = sharing.roleOf(other)
      if (!their.may[mine] || !role.may[print]) continue
      this.tries++
      const gain = sharing.put(kit, slot.role, print) + sharing.put(theirs, other.role, mine)
        + (role.pool === their.pool
          ? 0
          : sharing.evener(role.pool, mine, print) + sharing.evener(their.pool, print, mine))
      sharing.put(theirs, other.role, print)
      sharing.put(kit, slot.role, mine)
      if (!best || gain > best.gain + 1e-9) best = { gain, print, other: place }
    }
    return best
  }

  /** The best print of which pieces are over. */
  private spareFor(slot: Slot, at: number, kit: NumberedKit, mine: number): Offer | undefined {
    const { sharing } = this
    let best: Offer | undefined
    for (const print of sharing.spare(slot, mine)) {
      if (!this.mayTake(at, print)) continue
      this.tries++
      const gain = sharing.put(kit, slot.role, print) + sharing.evener(sharing.poolOf(slot), mine, print)
      sharing.put(kit, slot.role, mine)
      if (!best || gain > best.gain + 1e-9) best = { gain, print }
    }
    return best
  }
}
