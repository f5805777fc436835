import { itemAt, lookUp, tally } from '../lists'
import type { Cutter, Supply } from '../cutting'
import { problemKey } from '../cutting'
import type { Batch, CardEntry, PrepLevel, ProfileEntry } from '../document'
import { forRules, isPool } from '../document'
import type { Construction, Piece } from '../folds'
import { isLayer, isWhole } from '../folds'
import type { Paper } from '../paper'
import type { Kind, Print, Role, Sharing, SharingProblem } from '../sharing'
import { dealtOut } from '../sharing'
import { apartIn } from './apart'
import type { BagKit, DealtKit } from './bags'
import { choiceOf, handedKits } from './bags'
import { demandKey } from './layouts'
import type { Pool } from './pools'
import { blanksOfParts } from './blanks'
import { kitPrep, levelsOf, profileOf } from './prep'
import { formatsFor, suppliesOf } from './problems'
import { readWork } from './read'

/** A card as sharing sees it: its pieces without papers. */
export interface MadeCard {
  entry: CardEntry
  construction?: Omit<Construction, 'findings'>
  pieces: Piece[]
}

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
 * Deals papers out to all kits of a class. What comes from pools is as the sharing says that is known for the problem,
 * and until there is one dealt out in turn by the same rules.
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
  const kits = cards.map((made, card) => lists[card]?.map((kit, at): DealtKit => {
    const own = sharing && printsOf(found, sharing.sharing, card, at)
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
    const key = keyOf(problem)
    const sharing = known(key)
    return { problem, key, kits: found.kits, sharing: sharing ?? dealtOut(problem), isSettled: sharing !== undefined }
  }
}

/** The profile of each kit, by the bag that it goes into. */
function profilesOf(batch: Batch): (kit: BagKit) => ProfileEntry {
  const seats = new Map(batch.roster.map(seat => [seat.key, seat]))
  const usual = profileOf(batch)
  return ({ bag = '' }) => (seats.has(bag) ? profileOf(batch, seats.get(bag)) : usual)
}

interface Found {
  kinds: (Omit<Kind, 'roles'> & { roles: RoleParts[] })[]
  /** For each kind the kits that are of it. */
  kits: { card: number, kit: number }[][]
  /** Where each kit is among those of its kind, by `card kit`. */
  places: Map<string, { kind: number, place: number }>
}

interface RoleParts {
  key: string
  name: string
  pool: string
  options: Paper[]
  parts: Piece[]
  levels: ReadonlyMap<string, PrepLevel>
  more: ProfileEntry['more']
}

/** Pieces that come from pools of several papers, kind by kind: kits of a card alike but for their prints. */
function sharedRoles(
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
        roles: own.map((role, index) => ({ ...role, options: fixed[index] ? [fixed[index]] : role.options })),
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

/** Whether something can be cut from a paper: it lies there, can be bought, or is cut already. */
function toBeHad(batch: Batch, shelf: ReadonlyMap<string, Paper>, cutter: Cutter): (paper: Paper) => boolean {
  const there = new Map([...shelf.values()].map(paper => [
    paper,
    suppliesForSharing(batch, paper, cutter).some(({ onHand, price }) => onHand > 0 || price !== null)
    || batch.cutting.some(
      ({ paper: key, layouts, miscut }) => key === paper.key && (layouts.length > 0 || miscut.length > 0),
    ),
  ]))
  return paper => there.get(paper) ?? false
}

/**
 * What prints are shared out from: what was cut and taken off the shelf counts as if it lay there still, so that the
 * sharing stays.
 */
function suppliesForSharing(batch: Batch, paper: Paper, cutter: Cutter): Supply[] {
  const layouts = batch.cutting.find(({ paper: key }) => key === paper.key)?.layouts ?? []
  const taken = tally(
    layouts.filter(({ shelved }) => shelved), ({ supply }) => supply, ({ cut, repeats }) => Math.min(cut, repeats),
  )
  return suppliesOf(paper, formatsFor(batch, paper), [], cutter)
    .map(supply => ({ ...supply, onHand: supply.onHand + (taken.get(supply.key) ?? 0) }))
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
    const options = there.length > 0 ? there : pool.papers
    if (partner) partner.parts.push(piece)
    else roles.push({ key: piece.key, name: piece.name, pool: pool.key, options, parts: [piece], levels, more })
  }
  return roles
}

/** The programme's view: sizes instead of pieces, and what is cut from the same prints whatever is shared how. */
function sharingProblem(
  batch: Batch,
  cards: MadeCard[],
  lists: BagKit[][],
  { kinds }: Found,
  shelf: ReadonlyMap<string, Paper>,
  cutter: Cutter,
): SharingProblem {
  const sizes = new Map<string, Map<string, Print['problem']['demands'][number]>>()
  const sizesOf = (print: string) => {
    const own = sizes.get(print) ?? new Map<string, Print['problem']['demands'][number]>()
    sizes.set(print, own)
    return own
  }
  const profiles = profilesOf(batch)
  const takes = (
    paper: Paper, parts: Piece[], levels: ReadonlyMap<string, PrepLevel>, more: ProfileEntry['more'],
  ): Map<string, number> => {
    const counts = new Map<string, number>()
    for (const blank of blanksOfParts(paper, parts, levels, { more }, batch.class.units)) {
      const key = demandKey(blank)
      const { name, width, height, turn } = blank
      if (!sizesOf(paper.key).has(key)) sizesOf(paper.key).set(key, { key, name, width, height, turn, quantity: 0 })
      counts.set(key, (counts.get(key) ?? 0) + blank.quantity)
    }
    return counts
  }
  const shared = kinds.map((kind): Kind => ({
    ...kind,
    roles: kind.roles.map(({ key, name, pool, options, parts, levels, more }): Role => ({
      key,
      name,
      parts: parts.map(part => part.key),
      pool,
      options: options.map(paper => paper.key),
      takes: options.map(paper => takes(paper, parts, levels, more)),
    })),
  }))
  // What is cut from the same prints by name, for a card or for one of its colourways.
  cards.forEach(({ entry, pieces }, card) => {
    const alike = (kit: BagKit) => `${kit.colourway?.key ?? ''} ${profiles(kit).key}`
    const firsts = new Map([...(lists[card] ?? [])].reverse().map(kit => [alike(kit), kit]))
    for (const [way, count] of tally(lists[card] ?? [], alike)) {
      const kit = lookUp(firsts, way)
      const choice = choiceOf(entry, kit.colourway)
      const profile = profiles(kit)
      const levels = levelsOf(profile, entry.key, pieces)
      for (const print of sizes.keys()) {
        const own = pieces.filter(({ key }) => choice[key] === print)
        const paper = shelf.get(print)
        if (!paper || own.length === 0) continue
        for (const [key, pieces] of takes(paper, own, levels, profile.more)) {
          const demand = sizesOf(print).get(key)
          if (demand) sizesOf(print).set(key, { ...demand, quantity: demand.quantity + pieces * count })
        }
      }
    }
  })
  const prints = [...sizes].flatMap(([key, demands]): Print[] => {
    const paper = shelf.get(key)
    return paper
      ? [{
          key,
          name: paper.name,
          problem: {
            demands: [...demands.values()],
            supplies: suppliesForSharing(batch, paper, cutter),
            cutter,
            objective: 'sheets',
            work: readWork(batch),
          },
        }]
      : []
  })
  return { prints, kinds: shared, rules: forRules(rule => batch.sharing[rule]) }
}

const keyOf = ({ prints, kinds, rules }: SharingProblem): string => [
  JSON.stringify(rules),
  ...prints.map(({ key, problem }) => `${key}\n${problemKey(problem)}`),
  ...kinds.map(({ key, kits, roles, apart }) =>
    `${key} ${kits} ${JSON.stringify(apart)} ${roles.map(({ key, pool, options, takes }) =>
      `${key} ${pool} ${options.join()} ${takes.map(counts => [...counts].join()).join('/')}`).join(';')}`),
].join('\n')

/** The prints of one kit by part, and a name that kits of the same prints have alike. */
function printsOf({ kinds, places }: Found, { kits }: Sharing, card: number, kit: number) {
  const place = places.get(`${card} ${kit}`)
  if (!place) return undefined
  const kind = itemAt(kinds, place.kind)
  const combination = kits[place.kind]?.[place.place] ?? kind.roles.map(() => 0)
  const parts = new Map(kind.roles.flatMap(({ parts, options }, role) => {
    const print = itemAt(options, combination[role] ?? 0).key
    return parts.map(({ key }) => [key, print] as const)
  }))
  return { parts, name: [...parts].join(' ') }
}
