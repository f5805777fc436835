import type { Batch, CardEntry, ProfileEntry, Turn } from '../document'
import { ANY_SCRAP, isPool } from '../document'
import type { KitPart, Recipes, SaidKit } from './model'

/* What every kit must hold, by the document alone. */

/** Kinds of parts that may be cut from any scrap. */
const SCRAPPY = ['hidden', 'underlay', 'mat', 'figure']

/** A piece of a kit as it must be. */
export interface Due {
  part: KitPart
  count: number
  level: string
  /** Keys of the papers that it may be of; none where nothing is chosen, any scrap by its own key. */
  papers: string[]
  /** What the document says it is cut from: a paper, a pool, any scrap. */
  choice: string
}

/** All bags of a class by their keys. */
export function bagKeys({ class: { seats, spares }, sharing: { surplus } }: Batch): string[] {
  const keys: string[] = []
  for (const [kind, number] of [['seat', seats], ['spare', spares], ['choice', surplus]] as const)
    for (let at = 1; at <= number; at++) keys.push(`${kind}-${at}`)
  return keys
}

/** How many kits of a card there are. */
export const kitsWanted = (batch: Batch, card: CardEntry): number => card.kits ?? bagKeys(batch).length

/** How the pieces of a bag are made ready: as its seat says, by post for who joins from afar, as is usual otherwise. */
export function profileIn(
  { prep: { profiles, usual }, roster, class: { delivery } }: Batch, bag?: string,
): ProfileEntry | undefined {
  const seat = roster.find(({ key }) => key === bag)
  const wanted = [seat?.profile, seat?.online ? 'post' : undefined, usual, delivery === 'by post' ? 'post' : 'room']
  for (const key of wanted) {
    const found = key ? profiles.find(profile => profile.key === key) : undefined
    if (found) return found
  }
  return profiles[0]
}

const known = new WeakMap<object, Due[]>()

/**
 * What a kit must hold: every part so many times, made ready as its profile says, of a paper that the document allows.
 */
export function dueIn(batch: Batch, recipes: Recipes, kit: Pick<SaidKit, 'card' | 'colourway'>, bag?: string): Due[] {
  const due = known.get(kit) ?? workedOut(batch, recipes, kit, bag)
  known.set(kit, due)
  return due
}

function workedOut(
  batch: Batch, recipes: Recipes, { card: key, colourway }: Pick<SaidKit, 'card' | 'colourway'>, bag?: string,
): Due[] {
  const card = batch.cards.find(entry => entry.key === key)
  if (!card) return []
  const { levels = {}, more = {} } = profileIn(batch, bag) ?? {}
  const choices = { ...card.papers, ...card.colourways.find(one => one.key === colourway)?.papers }
  const parts = recipes.get(key)?.parts ?? []
  const given = batch.roster.find(seat => seat.key === bag)?.prints ?? {}
  return parts.map((part): Due => {
    const choice = choices[part.outOf ?? part.key] ?? ''
    const papers = papersOf(part, choice)
    let level = levelFor(part)
    // What is cut out of something that students bring comes with it.
    if (parts.some(other => other.key === part.outOf && levelFor(other) === 'brought')) level = 'brought'
    if (level === 'scored' && part.scores === 0) level = 'cut'
    // Scrap, what has no paper yet and what is cut out of another piece cannot go along uncut.
    const isTogether = papers.length > 0 && !papers.includes(ANY_SCRAP) && part.outOf === undefined
    if (level === 'uncut' && !isTogether) level = 'cut'
    return {
      part, count: part.perKit + (more[part.kind] ?? 0), level, papers: level === 'brought' ? [] : papers, choice,
    }
  })

  /** Both halves of a pair are made ready as the first. */
  function levelFor(part: KitPart): string {
    const first = parts.find(({ pair }) => pair !== undefined && pair === part.pair) ?? part
    return levels[`${key} ${first.key}`] ?? levels[first.kind as never] ?? 'cut'
  }

  function papersOf(part: KitPart, choice: string): string[] {
    if (isPool(choice)) {
      const pool = batch.pools.find(entry => entry.key === choice)?.papers ?? []
      const there = pool.filter(isThere)
      // Halves that come from two pools are shared out each by itself.
      const half = parts.filter(
        ({ pair, key: own }) => pair !== undefined && pair === part.pair && choices[own] === choice,
      )
      const byHand = [part, ...half].flatMap(({ key: own, outOf }) => given[`${key} ${outOf ?? own}`] ?? [])
        .filter(print => there.includes(print))
      return byHand.length > 0 ? byHand : there
    }
    if (choice === ANY_SCRAP) return SCRAPPY.includes(part.kind) ? [ANY_SCRAP] : []
    return isThere(choice) ? [choice] : []
  }

  /** Whether a paper, or the other side of one that has two, is on the shelf. */
  function isThere(named: string): boolean {
    const entry = sheetOf(batch, named)
    return entry !== undefined && (entry.key === named || entry.back.differs)
  }
}

/** Whether the maker cuts a piece of such a level to its size. */
export const isCut = (level: string): boolean => level !== 'uncut' && level !== 'brought'

/** What lies on the shelf of a side of a paper: the other one is named with a word before it. */
export const sheetKey = (named: string): string => named.replace(/^back--/, '')

const sheetOf = ({ papers }: Batch, named: string) => papers.find(({ key }) => key === sheetKey(named))

/** Whether the sheets of a paper are bought with a fold, and it lies where the piece is folded anyway. */
export const isFoldedAlready = (batch: Batch, paper: string, { halves }: Pick<KitPart, 'halves'>): boolean =>
  halves !== undefined && (sheetOf(batch, paper)?.folded ?? 'flat') !== 'flat'

/**
 * How a piece has to lie on a paper: in the fold of one that comes folded, upright prints by their direction, other
 * paper so that creases run with its grain.
 */
export function turnFor(
  batch: Batch, paper: string, { printTop, creases, halves }: Pick<KitPart, 'printTop' | 'creases' | 'halves'>,
): Turn {
  const entry = sheetOf(batch, paper)
  if (isFoldedAlready(batch, paper, { halves })) return entry?.folded === halves ? 'as drawn' : 'turned'
  const isUpright = entry?.key === paper ? entry.upright : entry?.back.upright
  if (isUpright && printTop !== 'any') return printTop === 'top' || printTop === 'bottom' ? 'as drawn' : 'turned'
  if (!entry || entry.grain === 'any' || creases === undefined) return 'either'
  return entry.grain === creases ? 'as drawn' : 'turned'
}
