import type { Cutter, Demand } from '../cutting'
import type { Batch, PictureEntry } from '../document'
import { nanometres } from '../lengths'
import { tally } from '../lists'
import type { Paper } from '../paper'
import { picturesFor } from './blanks'
import { demandKey } from './layouts'
import type { OwnedDemand } from './owners'
import { pileName } from './owners'
import type { PreparedCard } from './prepared'
import { cutterFor, readTools } from './read'

/*
 * Pieces that are cut out of a picture of their print. Where on a sheet its pictures are nobody knows, so that such a
 * sheet is taken whole: it gives so many of each of its pictures, and nothing else is cut from it.
 */

/** Pictures of a paper that are cut out for some cards: how many are wanted, and how many are over in the end. */
export interface PicturesTaken {
  sheets: number
  pictures: { name: string, wanted: number, over: number }[]
}

const cardsWith = (paper: Paper, cards: PreparedCard[]) => cards.flatMap(({ entry, pieces, groups }) => {
  const pictures = picturesFor(paper, pieces, groups)
  return pictures.size > 0 ? [{ card: entry.title, pictures }] : []
})

const countsOf = (some: ReturnType<typeof cardsWith>): Map<PictureEntry, number> =>
  tally(some.flatMap(({ pictures }) => [...pictures]), ([picture]) => picture, ([, number]) => number)

/** As many sheets as the picture takes of which most are wanted. */
const sheetsFor = (counts: ReadonlyMap<PictureEntry, number>): number =>
  Math.max(0, ...[...counts].map(([{ count }, number]) => Math.ceil(number / count)))

/** As many sheets as a piece each, squared as others are, as so many pictures take; nothing where none is wanted. */
export function wholeSheets(
  paper: Paper, counts: ReadonlyMap<PictureEntry, number>, tools: Cutter,
): Omit<Demand, 'name'> | undefined {
  const [sheet] = paper.stocks
  if (!sheet || counts.size === 0) return undefined
  const margin = 2 * cutterFor(paper, tools).squaring
  const blank = {
    width: nanometres(sheet.width - margin), height: nanometres(sheet.height - margin), turn: 'as drawn' as const,
  }
  return { ...blank, key: demandKey(blank), quantity: sheetsFor(counts) }
}

/** The sheets from which pictures of a paper are cut out, as something to be cut from it. */
export function picturedSheets(batch: Batch, cards: PreparedCard[], paper: Paper): OwnedDemand | undefined {
  // Asked for every paper at every key press: hardly any has pictures.
  if (paper.pictures.length === 0) return undefined
  const some = cardsWith(paper, cards)
  const counts = countsOf(some)
  const sheets = wholeSheets(paper, counts, readTools(batch.tools, batch.class.units))
  if (!sheets) return undefined
  const piece = `Whole sheet to cut out ${[...counts].map(([{ name }, number]) => `${number} × ${name}`).join(', ')}`
  const owners = [{ card: some.map(({ card }) => card).join(', '), piece, quantity: sheets.quantity }]
  return { ...sheets, name: pileName(owners, batch.cards.length <= 1), owners }
}

/** What is cut out of the pictures of a paper; nothing where none is. */
export function picturesTaken(paper: Paper, cards: PreparedCard[]): PicturesTaken | undefined {
  const counts = countsOf(cardsWith(paper, cards))
  const sheets = sheetsFor(counts)
  if (sheets === 0) return undefined
  return {
    sheets,
    pictures: [...counts].map(([{ name, count }, wanted]) => ({ name, wanted, over: sheets * count - wanted })),
  }
}
