import type { PictureEntry, ProfileEntry, Turn } from '../document'
import { isPool } from '../document'
import type { Piece } from '../folds'
import type { Length, Units } from '../lengths'
import type { Paper } from '../paper'
import { turnOn } from './pools'
import type { KitPrep, Strip } from './prep'
import { cutPerKit, stripName, stripsFor, withMore } from './prep'
import { SCRAP_PAPER, mayBeScrap } from './scrap-paper'

/** Kits of a card that are cut and made ready alike. */
export interface KitGroup {
  kits: number
  /** Key of the colourway, where the card has any. */
  colourway?: string
  /** Papers by part; parts that nothing is chosen for, or that are cut from any scrap, are not in it. */
  papers: ReadonlyMap<string, Paper>
  /** What each part is said to be cut from: the key of a paper or of a pool. */
  choice: Readonly<Record<string, string>>
  /** Keys of pictures by part, for parts that are cut out of one. */
  pictures: Readonly<Record<string, string>>
  prep: Pick<KitPrep, 'levels' | 'strips'> & { profile: Pick<ProfileEntry, 'more'> }
}

/**
 * What is cut at once for a kit, so many of it: a piece, a matched pair side by side, a strip that goes along uncut.
 */
export interface Blank {
  name: string
  width: Length
  height: Length
  turn: Turn
  quantity: number
}

/** What a part of a kit is cut from; where nothing else is chosen for it, any scrap if that will do. */
export const paperIn = ({ papers, choice }: Pick<KitGroup, 'papers' | 'choice'>, { key: own, kind, outOf }: Pick<Piece,
  'key' | 'kind' | 'outOf'>): Paper | undefined => {
  // What is cut out of another piece is of its paper.
  const key = outOf ?? own
  return papers.get(key) ?? (choice[key] === SCRAP_PAPER.key && mayBeScrap(kind) ? SCRAP_PAPER : undefined)
}

const stripBlank = (strip: Strip, quantity: number): Blank =>
  ({ name: stripName(strip), width: strip.width, height: strip.height, turn: strip.turn, quantity })

/** What some kits of a card take of a paper: pieces, a pair under the first of its halves, and strips. */
export const blanksFor = (paper: Paper, pieces: readonly Piece[], groups: readonly KitGroup[]): Blank[] => [
  ...cutBlanks(paper, pieces, groups),
  ...groups.flatMap(({ kits, prep }) =>
    prep.strips.filter(strip => strip.paper.key === paper.key).map(strip => stripBlank(strip, kits))),
]

/**
 * What some pieces of a kit are cut as, all of one paper.
 * @param parts a single piece, or all that is said to be cut from the paper
 */
export function blanksOfParts(
  paper: Paper, parts: readonly Piece[], levels: KitPrep['levels'], profile: Pick<ProfileEntry, 'more'>, units: Units,
): Blank[] {
  const papers = new Map(parts.map(({ key }) => [key, paper]))
  const choice = Object.fromEntries(parts.map(({ key }) => [key, paper.key]))
  const strips = stripsFor(paper, withMore(profile, parts.filter(({ key }) => levels.get(key) === 'uncut')), units)
  return blanksFor(paper, parts, [{ kits: 1, papers, choice, pictures: {}, prep: { levels, profile, strips } }])
}

function cutBlanks(paper: Paper, pieces: readonly Piece[], groups: readonly KitGroup[]): Blank[] {
  const inAll = (of: (group: KitGroup) => number) => groups.reduce((sum, group) => sum + group.kits * of(group), 0)
  return pieces.flatMap((piece): Blank[] => {
    const width = piece.width.value
    const height = piece.height.value
    const turn = turnOn(paper, piece)
    const partner = partnerOf(piece, pieces, paper)
    const paired = (group: KitGroup) => (partner ? pairsIn(group, piece, partner, paper) : 0)
    const single = inAll(group => cutFrom(group, piece, paper) - paired(group))
    const alone = single > 0 ? [{ name: piece.name, width, height, turn, quantity: single }] : []
    const pairs = partner && pieces.indexOf(piece) < pieces.indexOf(partner) ? inAll(paired) : 0
    if (!partner || pairs === 0) return alone
    const both = {
      name: `${piece.name} and ${partner.name}, matched`, width: (width + partner.width.value) as Length, height, turn,
    }
    return [{ ...both, quantity: pairs }, ...alone]
  })
}

/** How many of a piece a paper gives for one kit. */
const takenFrom = (group: KitGroup, piece: Piece, paper: Paper): number =>
  (piece.outOf === undefined && paperIn(group, piece)?.key === paper.key ? cutPerKit(group.prep, piece) : 0)

/** How many of a piece are cut to size from a paper for one kit. */
const cutFrom = (group: KitGroup, piece: Piece, paper: Paper): number =>
  (pictureIn(group, piece, paper) ? 0 : takenFrom(group, piece, paper))

/**
 * The picture of its paper that a piece is cut out of; nothing where it is cut from anywhere on the sheet. Prints of a
 * pool are dealt out as they are.
 */
export const pictureIn = (
  { pictures, choice }: Pick<KitGroup, 'pictures' | 'choice'>, { key }: Pick<Piece, 'key'>, paper: Paper,
): PictureEntry | undefined =>
  (isPool(choice[key] ?? '') || paper.stocks.length === 0
    ? undefined
    : paper.pictures.find(picture => picture.key === pictures[key]))

/** How many pictures of a paper some kits take. */
export function picturesFor(
  paper: Paper, pieces: readonly Piece[], groups: readonly KitGroup[],
): Map<PictureEntry, number> {
  const counts = new Map<PictureEntry, number>()
  for (const piece of pieces) {
    for (const group of groups) {
      const picture = pictureIn(group, piece, paper)
      const taken = picture ? group.kits * takenFrom(group, piece, paper) : 0
      if (picture && taken > 0) counts.set(picture, (counts.get(picture) ?? 0) + taken)
    }
  }
  return counts
}

/** The other half of a matched pair, where both can lie side by side on a paper. */
function partnerOf(piece: Piece, pieces: readonly Piece[], paper: Paper): Piece | undefined {
  if (piece.pair === undefined) return undefined
  const pair = pieces.filter(other => other.pair === piece.pair)
  const [one, other] = pair
  if (!one || !other || pair.length !== 2) return undefined
  return one.height.value === other.height.value && turnOn(paper, one) === turnOn(paper, other)
    ? (piece === one ? other : one)
    : undefined
}

/**
 * How often both halves of a pair are cut from one piece for a kit: where they were given one paper, or one print of
 * the same pool.
 */
const pairsIn = (group: KitGroup, one: Piece, other: Piece, paper: Paper): number =>
  group.choice[one.key] === group.choice[other.key]
    ? Math.min(cutFrom(group, one, paper), cutFrom(group, other, paper))
    : 0
