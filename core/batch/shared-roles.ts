import { itemAt } from '../lists'
import type { Batch, CardEntry, PrepLevel, ProfileEntry } from '../document'
import { isPool } from '../document'
import type { Construction, Piece } from '../folds'
import { isLayer, isWhole } from '../folds'
import type { Paper } from '../paper'
import { sheetOf } from '../paper'
import type { Kind, Sharing } from '../sharing'
import { apartIn } from './apart'
import type { BagKit } from './bags'
import { choiceOf } from './bags'
import type { Pool } from './pools'
import { levelsOf, profileOf } from './prep'

/** A card as sharing sees it: its pieces without papers. */
export interface MadeCard {
  entry: CardEntry
  construction?: Omit<Construction, 'findings'>
  pieces: Piece[]
}

/** The profile of each kit, by the bag that it goes into. */
export function profilesOf(batch: Batch): (kit: BagKit) => ProfileEntry {
  const seats = new Map(batch.roster.map(seat => [seat.key, seat]))
  const usual = profileOf(batch)
  return ({ bag = '' }) => (seats.has(bag) ? profileOf(batch, seats.get(bag)) : usual)
}

export interface Found {
  kinds: (Omit<Kind, 'roles'> & { roles: RoleParts[] })[]
  /** For each kind the kits that are of it. */
  kits: { card: number, kit: number }[][]
  /** Where each kit is among those of its kind, by `card kit`. */
  places: Map<string, { kind: number, place: number }>
}

export interface RoleParts {
  key: string
  name: string
  pool: string
  /** Papers that it may be cut from: of one that both sides of are in the pool, one of them. */
  options: Paper[]
  /** The sides of each of them that the pool has: sheets give as many of one as of the other. */
  sides: Paper[][]
  parts: Piece[]
  levels: ReadonlyMap<string, PrepLevel>
  more: ProfileEntry['more']
}

/** Pieces that come from pools of several papers, kind by kind: kits of a card alike but for their prints. */
export function sharedRoles(
  batch: Batch,
  cards: MadeCard[],
  lists: BagKit[][],
  pools: ReadonlyMap<string, Pool>,
  isToBeHad: (paper: Paper) => boolean,
): Found {
  const found: Found = { kinds: [], kits: [], places: new Map() }
  const seats = new Map(batch.roster.map(seat => [seat.key, seat]))
  const profiles = profilesOf(batch)
  cards.forEach(({ entry, construction, pieces }, card) => {
    const places = new Map<string, number>()
    const roles = new Map<string, RoleParts[]>()
    lists[card]?.forEach(({ bag, colourway }, kit) => {
      const profile = profiles({ bag })
      const way = [colourway?.key ?? '', profile.key].join(' ').trim()
      const own = roles.get(way)
        ?? rolesOf(
          pieces, choiceOf(entry, colourway), pools, levelsOf(profile, entry.key, pieces), profile.more, isToBeHad,
        )
      roles.set(way, own)
      if (own.length === 0) return
      const given = seats.get(bag ?? '')?.prints ?? {}
      // What was given by hand stays, whether there are sheets of it or not.
      const fixed = own.map(({ parts, pool }) =>
        pools.get(pool)?.papers.find(({ key }) => parts.some(part => given[`${entry.key} ${part.key}`] === key)),
      )
      const name = [way, ...fixed.map(print => print?.key ?? '')].join(' ')
      const at = places.get(name) ?? found.kinds.push({
        key: `${entry.key} ${name}`,
        card: entry.key,
        alike: [entry.key, colourway?.key ?? '', ...own.map(({ key }) => key)].join(' '),
        name: colourway ? `${entry.title}, ${colourway.name}` : entry.title,
        kits: 0,
        roles: own.map((role, index) => {
          const print = fixed[index]
          return print ? { ...role, options: [print], sides: [[print]] } : role
        }),
        apart: construction?.parts.every(part => isLayer(part.kind) || isWhole(part)) ? apartIn(construction, own) : [],
      }) - 1
      places.set(name, at)
      const kind = itemAt(found.kinds, at)
      const kits = found.kits[at] ?? []
      found.kits[at] = kits
      kits.push({ card, kit })
      found.places.set(`${card} ${kit}`, { kind: at, place: kind.kits })
      kind.kits++
    })
  })
  return found
}

/** The pieces of a kit that come from pools, a matched pair together. */
function rolesOf(
  pieces: Piece[],
  choice: Record<string, string>,
  pools: ReadonlyMap<string, Pool>,
  levels: ReadonlyMap<string, PrepLevel>,
  more: ProfileEntry['more'], isToBeHad: (paper: Paper) => boolean,
): RoleParts[] {
  const roles: RoleParts[] = []
  for (const piece of pieces) {
    if (levels.get(piece.key) === 'brought') continue
    const pool = isPool(choice[piece.key] ?? '') ? pools.get(choice[piece.key] ?? '') : undefined
    if (!pool || pool.papers.length === 0) continue
    const partner = piece.pair === undefined
      ? undefined
      : roles.find(({ pool: key, parts }) => key === pool.key && parts.some(({ pair }) => pair === piece.pair))
    // Prints without a sheet are no choice, unless there are no others.
    const there = pool.papers.filter(isToBeHad)
    const sides = bySheet(there.length > 0 ? there : pool.papers)
    // What has a right way up on one side is cut so that it has it on both.
    const options = sides.map(own => own.find(({ upright }) => upright) ?? itemAt(own, 0))
    if (partner) partner.parts.push(piece)
    else roles.push({ key: piece.key, name: piece.name, pool: pool.key, options, sides, parts: [piece], levels, more })
  }
  return roles
}

/** Papers that are sides of one sheet together. */
function bySheet(papers: readonly Paper[]): Paper[][] {
  const sides = new Map<Paper, Paper[]>()
  for (const paper of papers) sides.set(sheetOf(paper), [...sides.get(sheetOf(paper)) ?? [], paper])
  return [...sides.values()]
}

/** Deals out sides in turn: of two sides of one paper in a pool each comes as often as the other. */
export function sidesInTurn(): (pool: string, sides: readonly Paper[]) => Paper {
  const dealt = new Map<string, number>()
  return (pool, sides) => {
    const key = `${pool} ${sheetOf(itemAt(sides, 0)).key}`
    const times = dealt.get(key) ?? 0
    if (sides.length > 1) dealt.set(key, times + 1)
    return itemAt(sides, times % sides.length)
  }
}

/**
 * The prints of one kit by part, and a name that kits of the same prints have alike.
 * @param sideOf which of several sides of a paper comes next
 */
export function printsOf(
  { kinds, places }: Found, { kits }: Sharing, card: number, kit: number, sideOf: ReturnType<typeof sidesInTurn>,
) {
  const place = places.get(`${card} ${kit}`)
  if (!place) return undefined
  const kind = itemAt(kinds, place.kind)
  const combination = kits[place.kind]?.[place.place] ?? kind.roles.map(() => 0)
  const parts = new Map(kind.roles.flatMap(({ parts, pool, sides }, role) => {
    const print = sideOf(pool, itemAt(sides, combination[role] ?? 0)).key
    return parts.map(({ key }) => [key, print] as const)
  }))
  return { parts, name: [...parts].join(' ') }
}
