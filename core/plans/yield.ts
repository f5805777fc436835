import { ANY_SCRAP } from '../document'
import type { Batch, CardEntry, PictureEntry, PrepLevel } from '../document'
import type { Demand, KitDrawer, WholeSheets } from '../cutting'
import { isUsed } from '../folds'
import type { Length, Units } from '../lengths'
import { formatLength, lengthFrom, writeLength } from '../lengths'
import { tally } from '../lists'
import type { Paper } from '../paper'
import { SHEET_FORMATS, sheetOf } from '../paper'
import type { Preparation, KitGroup, PreparedCard } from '../batch'
import { PLAIN, cutterFor, picturesFor, stripsFor, withMore, prepare, blankDemands, formatsFor, suppliesOf } from '../batch'

/** What one kit takes from one paper: a problem whose quantities are those of a single kit. */
export interface KitProblem extends KitDrawer {
  paper: Paper
}

/**
 * What one kit of some cards takes from each paper, with what is on hand of it; where several come from a pool, all
 * from that one paper. Hidden parts from any scrap want no paper of their own.
 */
export function kitProblems(batch: Batch, { cards, cutter }: Preparation, some: PreparedCard[] = cards): KitProblem[] {
  const papers = new Map(
    some.flatMap(({ pieces }) => pieces.flatMap(({ shares }) => shares))
      .flatMap(({ paper }) => (paper.key === ANY_SCRAP ? [] : [[sheetOf(paper).key, sheetOf(paper)] as const])),
  )
  return [...papers.values()].map((paper) => {
    const stacked = cutterFor(paper, cutter)
    const one = (card: PreparedCard) => [oneKit(card, paper, batch.class.units)]
    const demands = blankDemands(batch, some, paper, one)
    const [sheet] = paper.stocks
    return {
      paper,
      problem: {
        demands, supplies: suppliesOf(paper, formatsFor(batch, paper), [], stacked), cutter: stacked,
        objective: 'sheets',
      },
      perKit: new Map(demands.map(({ key, quantity }: Demand) => [key, quantity])),
      whole: sheet && wholeSheets(sheet.key, tally(
        some.flatMap(card => [...picturesFor(paper, card.pieces, one(card))]),
        ([picture]) => picture, ([, number]) => number,
      )),
    }
  })
}

/** One kit of a card, everything that may be of a paper of that one; made ready as the first of its kits. */
function oneKit({ pieces, dealt, groups }: PreparedCard, paper: Paper, units: Units): KitGroup {
  const { levels = new Map<string, PrepLevel>(), profile = PLAIN } = dealt[0]?.prep ?? {}
  const own = pieces.filter(({ shares }) => shares.some(share => sheetOf(share.paper) === paper))
  const papers = new Map(own.map(({ key }) => [key, paper]))
  const strips = stripsFor(paper, withMore(profile, own.filter(({ key }) => levels.get(key) === 'uncut')), units)
  const choice = groups[0]?.choice ?? Object.fromEntries(own.map(({ key }) => [key, paper.key]))
  return { kits: 1, papers, choice, pictures: groups[0]?.pictures ?? {}, prep: { levels, profile, strips } }
}

/** Of the picture that is scarcest on a sheet: the sheets that are taken whole for some kits. */
function wholeSheets(supply: string, counts: ReadonlyMap<PictureEntry, number>): WholeSheets | undefined {
  const [scarcest] = [...counts].sort(([one, few], [other, many]) => many * one.count - few * other.count)
  return scarcest && { supply, sheets: scarcest[1], kits: scarcest[0].count }
}

/**
 * A drawer of some sheets of one format instead of what is on hand; what is cut out of pictures is cut from none of
 * them.
 */
export function fromFormat(
  { problem, whole, ...rest }: KitProblem, width: Length, height: Length, sheets: number,
): KitProblem {
  const supply = { key: `sheet ${width}x${height}`, kind: 'sheet' as const, width, height, onHand: sheets, price: null }
  return { ...rest, problem: { ...problem, supplies: [supply] } }
}

/** Sheet formats with their sizes, for tables. */
export const formatsToTry = (): { name: string, width: Length, height: Length }[] =>
  SHEET_FORMATS.map(({ name, width, height }) => ({ name, width: lengthFrom(width), height: lengthFrom(height) }))

/** A parameter a little larger or smaller, with the card that follows from it. */
export interface NearbySize {
  parameter: string
  label: string
  /** As text with unit, for the document; and as the maker reads it. */
  value: string
  shown: string
  batch: Batch
  card: PreparedCard
}

/** Marks that a size is moved by when a better one is looked for. */
const STEPS = [-2, -1, 1, 2]

/** Cards whose sizes differ by one or two marks in one parameter and have nothing that stops them. */
export function nearbySizes(batch: Batch, { cards, cutter }: Preparation, key: string): NearbySize[] {
  const prepared = cards.find(({ entry }) => entry.key === key)
  if (!prepared?.fold || !prepared.construction) return []
  const { fold, entry, construction: { inputs } } = prepared
  const { units } = batch.class
  return Object.entries(fold.parameters).flatMap(([name, parameter]) => {
    if (parameter.kind !== 'length' || !isUsed(parameter, inputs)) return []
    const now = lengthFrom(String(inputs[name]), units)
    return STEPS.flatMap((step): NearbySize[] => {
      const length = (now + step * cutter.mark) as Length
      if (length <= 0) return []
      const value = writeLength(length, units)
      const changed: CardEntry = { ...entry, parameters: { ...entry.parameters, [name]: value } }
      const other: Batch = { ...batch, cards: [changed] }
      const [card] = prepare(other).cards
      if (!card || card.findings.some(({ severity }) => severity === 'stop')) return []
      return [
        {
          parameter: name, label: parameter.label, value, shown: formatLength(length, units, { unit: true }),
          batch: other, card,
        },
      ]
    })
  })
}
