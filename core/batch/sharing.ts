import type { Cutter } from '../cutting'
import type { Batch, ProfileEntry } from '../document'
import type { Paper } from '../paper'
import type { Sharing, SharingProblem } from '../sharing'
import { dealtOut } from '../sharing'
import type { BagKit, DealtKit } from './bags'
import { choiceOf, handedKits } from './bags'
import type { Pool } from './pools'
import { kitPrep, levelsOf } from './prep'
import type { MadeCard } from './shared-roles'
import { printsOf, profilesOf, sharedRoles, sidesInTurn } from './shared-roles'
import { sharingProblem, sharingKey, toBeHad } from './sharing-problem'

/** The sharing of a class: the problem, and for each of its kinds which kits of which card it is about. */
export interface SharingOfClass {
  problem: SharingProblem
  /** Two with the same key have the same sharings. */
  key: string
  kits: { card: number, kit: number }[][]
  /** What is shared out so far. */
  sharing: Sharing
  /** Whether it was looked for together with the cutting, and not just dealt out in turn. */
  isSettled: boolean
}

/**
 * How all kits of a class are cut: for each card a list of its kits, and the sharing where prints of pools are shared
 * out.
 */
export interface Dealt {
  kits: DealtKit[][]
  sharing?: SharingOfClass
}

/**
 * Deals papers out to all kits of a class. Pieces from pools get their prints by the sharing that is known for the
 * problem; until there is one, prints are dealt out in turn by the same rules.
 */
export function dealtKits(
  batch: Batch,
  cards: MadeCard[],
  shelf: ReadonlyMap<string, Paper>,
  pools: ReadonlyMap<string, Pool>,
  cutter: Cutter,
  known: (key: string) => Sharing | undefined = () => undefined,
): Dealt {
  const handed = handedKits(batch)
  const lists = cards.map(({ entry }) => handed.get(entry.key) ?? [])
  const found = sharedRoles(batch, cards, lists, pools, toBeHad(batch, shelf, cutter))
  const sharing = found.kinds.length > 0 ? sharingOf() : undefined
  const alike = new Map<string, Pick<DealtKit, 'papers' | 'prep'>>()
  const profiles = profilesOf(batch)
  const sideOf = sidesInTurn()
  const kits = cards.map((made, card) => lists[card]?.map((kit, at): DealtKit => {
    const own = sharing && printsOf(found, sharing.sharing, card, at, sideOf)
    const profile = profiles(kit)
    // Kits that are alike share one table.
    const key = `${card} ${kit.colourway?.key ?? ''} ${profile.key} ${own?.name ?? ''}`
    const known = alike.get(key) ?? kitOf(made, kit, profile, own?.parts)
    alike.set(key, known)
    return { ...kit, ...known }
  }) ?? [])
  return { kits, sharing }

  function kitOf(
    { entry, pieces }: MadeCard, { colourway }: BagKit, profile: ProfileEntry, prints?: ReadonlyMap<string, string>,
  ) {
    const levels = levelsOf(profile, entry.key, pieces)
    const choice = choiceOf(entry, colourway)
    const papers: ReadonlyMap<string, Paper> = new Map(Object.entries(choice).flatMap(([part, choice]) => {
      const paper = shelf.get(prints?.get(part) ?? pools.get(choice)?.papers[0]?.key ?? choice)
      return paper && levels.get(part) !== 'brought' ? [[part, paper] as const] : []
    }))
    return { papers, prep: kitPrep(profile, entry.key, pieces, papers, choice, batch.class.units) }
  }

  function sharingOf(): SharingOfClass {
    const problem = sharingProblem(batch, cards, lists, found, shelf, cutter)
    const key = sharingKey(problem)
    const sharing = known(key)
    return { problem, key, kits: found.kits, sharing: sharing ?? dealtOut(problem), isSettled: sharing !== undefined }
  }
}
