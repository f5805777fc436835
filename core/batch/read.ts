import { BOUNDS } from '../document'
import type { Batch, PaperEntry, ToolsEntry } from '../document'
import type { Cutter, Work } from '../cutting'
import { lengthFrom } from '../lengths'
import type { Length, Units } from '../lengths'
import type { Paper, Stock } from '../paper'
import { stackOf, stackedWeight } from '../paper'

/** The pads among some entries of the shelf. */
export const padsAmong = (papers: readonly PaperEntry[]): PaperEntry[] => papers.filter(({ kind }) => kind === 'pad')

/** The pads that hold sheets of a paper. */
export const padsWith = ({ key }: PaperEntry, pads: readonly PaperEntry[]): PaperEntry[] =>
  pads.filter(({ holds }) => holds.some(sheet => sheet.key === key))

/**
 * A paper entry that has passed its door, with lengths instead of text.
 * @param pads those of the shelf, for the ones that it comes in
 */
export const readPaper = (entry: PaperEntry, pads: readonly PaperEntry[] = []): Paper => {
  const { stocks, offcuts, ...paper } = entry
  return { ...paper, ...sized(stocks, offcuts, padsWith(entry, pads).flatMap(pad => inPad(pad, entry))) }
}

/** What a pad has of a paper, in the format of its sheets; nothing of one that cannot be bought. */
const inPad = ({ key, name, holds, stocks }: PaperEntry, of: PaperEntry): Stock[] => {
  const sheets = holds.reduce((sum, { count }) => sum + count, 0)
  const count = holds.find(sheet => sheet.key === of.key)?.count ?? 0
  return stocks.slice(0, 1).flatMap(({ width, height, price }) => (price === null || count === 0
    ? []
    : [{
        key: `in-${key}`.slice(0, BOUNDS.key), width: lengthFrom(width), height: lengthFrom(height), onHand: 0, pack: 1,
        price: null, pad: { key, name, price, sheets, count },
      }]))
}

/** Its own formats, each with the pad that it comes in where it is sold in no other way, and those of pads besides. */
function sized(
  stocks: PaperEntry['stocks'], offcuts: PaperEntry['offcuts'], padded: Stock[],
): Pick<Paper, 'stocks' | 'offcuts'> {
  const isOf = (one: Pick<Stock, 'width' | 'height'>) => (other: Stock) =>
    one.width === other.width && one.height === other.height
  const own = stocks.map(({ width, height, ...stock }): Stock => {
    const size = { width: lengthFrom(width), height: lengthFrom(height) }
    const pad = stock.price === null ? padded.find(isOf(size))?.pad : undefined
    return { ...stock, ...size, ...(pad && { pad }) }
  })
  return { stocks: [...own, ...padded.filter(one => !own.some(isOf(one)))], offcuts: sizedOffcuts(offcuts) }
}

const sizedOffcuts = (offcuts: PaperEntry['offcuts']): Paper['offcuts'] =>
  offcuts.map(({ width, height, ...offcut }) => ({
    ...offcut, width: lengthFrom(width), height: lengthFrom(height),
  }))

/** The tools of a class as the planner knows them. */
export function readTools(tools: ToolsEntry, units: Units): Cutter {
  return {
    length: lengthFrom(tools.trimmer, units),
    mark: lengthFrom(tools.mark, units),
    smallestPiece: lengthFrom(tools.smallestPiece, units),
    stack: tools.stack,
    squaring: lengthFrom(tools.squaring, units),
    kerf: lengthFrom(tools.kerf, units),
    offcut: { short: lengthFrom(tools.offcutShort, units), long: lengthFrom(tools.offcutLong, units) },
  }
}

/** How the maker of a class works, and what plans are to keep to. */
export const readWork = ({
  tools, wishes, prices, class: { units },
}: Pick<Batch, 'tools' | 'wishes' | 'prices' | 'class'>): Work => ({
  pace: tools.pace,
  hour: prices.hour,
  way: wishes.working,
  piles: wishes.mostPiles,
  layouts: wishes.mostLayouts,
  stages: wishes.mostStages,
  strip: lengthFrom(wishes.leastStrip, units),
})

/**
 * The tools as a paper is cut with them: as many sheets under the blade as its thickness lets. A base that comes folded
 * has its edges.
 */
export const cutterFor = (paper: Paper, tools: Cutter): Cutter => ({
  ...tools, stack: stackOf(tools.stack, stackedWeight(paper)),
  ...(paper.folded !== 'flat' && { squaring: 0 as Length }),
})
