import { grouped, itemAt } from '../lists'
import { typeOf } from './classes'
import { exchanged } from './exchange'
import type { Combination, Role, SharingProblem } from './model'
import { NumberedSharing } from './numbered'
import type { Slot } from './numbered'
import type { PrintCut } from './to-prints'

/**
 * Prints handed out: the kits by kind, and how many of their roles had no print left and were given one that is not
 * cut.
 */
export interface Handed {
  kits: Combination[][]
  missing: number
}

/**
 * Hands the pieces that are cut to kits, so that rules are broken as little as exchanges can bring about: first in
 * turn, then slots that break a rule swap their prints with others of the same size, or take a print of which pieces
 * are over.
 * @returns nothing every now and then, so that whoever waits for it may do something else, and the kits at the end
 */
export function* handedOut(problem: SharingProblem, { dealt, pieces }: PrintCut): Generator<undefined, Handed> {
  const { kinds } = problem
  const sharing = new NumberedSharing(problem, pieces)
  const roleOf = ({ kit, role }: Slot): Role => itemAt(itemAt(kinds, itemAt(sharing.kits, kit).at).roles, role)
  const missing = new Set<number>()
  for (const [type, slots] of grouped(sharing.slots, slot => typeOf(roleOf(slot)))) {
    const left = new Map(dealt.get(type) ?? [])
    const prints = [...left.keys()]
    for (const [turn, slot] of slots.entries()) {
      const { kit, role } = slot
      // In turn, as cards are dealt, one further for each role, so that the roles of a kit begin with different prints.
      let print: string | undefined
      for (let step = 0; step < prints.length && print === undefined; step++) {
        const next = itemAt(prints, (turn + role + step) % prints.length)
        if ((left.get(next) ?? 0) > 0) print = next
      }
      if (print === undefined) {
        const { options } = roleOf(slot)
        missing.add(kit)
        print = itemAt(options, kit % options.length)
      }
      else { left.set(print, (left.get(print) ?? 0) - 1) }
      sharing.give(slot, sharing.numberOf(print) ?? 0)
    }
  }
  sharing.count()
  yield* exchanged(sharing, grouped(sharing.slots.keys(), at => sizeOf(roleOf(itemAt(sharing.slots, at)))))
  return {
    missing: missing.size,
    kits: kinds.map((kind, at) => sharing.kits.filter(kit => kit.at === at).map(({ prints }) =>
      kind.roles.map(({ options }, role) => options.indexOf(itemAt(sharing.prints, itemAt(prints, role)))))),
  }
}

/** What a role takes of the first of its prints: roles that take the same can swap prints that both may be of. */
const sizeOf = ({ takes }: Role): string => [...(takes[0] ?? [])].sort().join()
