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
  const { kits, slots, prints, weights } = sharing
  const alike = new Map<number, number[]>([...bySize.values()].flatMap(places => places.map(place => [place, places])))
  /** Round in which a slot gave a print away, by slot and print. */
  const given = new Int32Array(slots.length * prints.length).fill(-TABU)
  const placeOf = (slot: number, print: number) => slot * prints.length + print
  let [tries, paused, turn] = [0, 0, 0]
  const state = () => kits.map(({ prints }) => [...prints])
  let best = { weight: sharing.weightOfAll(), prints: state() }
  for (let still = 0; tries < MOST_TRIES && still < MOST_STILL && best.weight > 0; turn++, still++) {
    let acted = false
    for (const [at, slot] of slots.entries()) {
      const kit = itemAt(kits, slot.kit)
      if (sharing.weightOf(kit) > 0 || (still === 0 && isUneven(slot, kit))) acted = settle(slot, at, kit) || acted
      if (tries >= MOST_TRIES) break
      if (tries - paused < IN_ONE_GO) continue
      paused = tries
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

  function isUneven(slot: Slot, kit: NumberedKit): boolean {
    return weights.evenly > 0 && sharing.isOverused(sharing.poolOf(slot), itemAt(kit.prints, slot.role))
  }

  function mayTake(slot: number, print: number): boolean {
    return (given[placeOf(slot, print)] ?? -TABU) + TABU <= turn
  }

  /** Takes the best exchange for a slot; answers whether there was one. */
  function settle(slot: Slot, at: number, kit: NumberedKit): boolean {
    const mine = itemAt(kit.prints, slot.role)
    const best = better(spareFor(slot, at, kit, mine), swapFor(slot, at, kit, mine))
    if (!best || (best.gain <= 1e-9 && sharing.weightOf(kit) === 0)) return false
    given[placeOf(at, mine)] = turn
    const pool = sharing.poolOf(slot)
    if (best.other === undefined) {
      sharing.use(slot, mine, 1)
      sharing.use(slot, best.print, -1)
      sharing.countUse(pool, mine, -1)
      sharing.countUse(pool, best.print, 1)
      sharing.put(kit, slot.role, best.print)
      return true
    }
    given[placeOf(best.other, best.print)] = turn
    const other = itemAt(slots, best.other)
    const theirs = sharing.poolOf(other)
    if (pool !== theirs) {
      sharing.countUse(pool, mine, -1)
      sharing.countUse(pool, best.print, 1)
      sharing.countUse(theirs, best.print, -1)
      sharing.countUse(theirs, mine, 1)
    }
    sharing.put(kit, slot.role, best.print)
    sharing.put(itemAt(kits, other.kit), other.role, mine)
    return true
  }

  /** Of equal exchanges a swap is taken. */
  function better(spare: Offer | undefined, swap: Offer | undefined): Offer | undefined {
    return spare && (!swap || spare.gain > swap.gain + 1e-9) ? spare : swap
  }

  function swapFor(slot: Slot, at: number, kit: NumberedKit, mine: number): Offer | undefined {
    const role = sharing.roleOf(slot)
    let best: Offer | undefined
    for (const place of alike.get(at) ?? []) {
      const other = itemAt(slots, place)
      const theirs = itemAt(kits, other.kit)
      const print = itemAt(theirs.prints, other.role)
      if (print === mine || !mayTake(at, print) || !mayTake(place, mine)) continue
      const their = sharing.roleOf(other)
      if (!their.may[mine] || !role.may[print]) continue
      tries++
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

  function spareFor(slot: Slot, at: number, kit: NumberedKit, mine: number): Offer | undefined {
    let best: Offer | undefined
    for (const print of sharing.spare(slot, mine)) {
      if (!mayTake(at, print)) continue
      tries++
      const gain = sharing.put(kit, slot.role, print) + sharing.evener(sharing.poolOf(slot), mine, print)
      sharing.put(kit, slot.role, mine)
      if (!best || gain > best.gain + 1e-9) best = { gain, print }
    }
    return best
  }
}
