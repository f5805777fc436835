import type { Batch, PaperEntry, ToolsEntry } from '../document'
import type { Cutter, Work } from '../cutting'
import { lengthFrom } from '../lengths'
import type { Units } from '../lengths'
import type { Paper } from '../paper'

/** A paper entry that has passed its door, with lengths instead of text. */
export const readPaper = ({ stocks, offcuts, ...paper }: PaperEntry): Paper => ({
  ...paper,
  stocks: stocks.map(({ width, height, ...stock }) => ({
    ...stock, width: lengthFrom(width), height: lengthFrom(height),
  })),
  offcuts: offcuts.map(({ width, height, ...offcut }) => ({
    ...offcut, width: lengthFrom(width), height: lengthFrom(height),
  })),
})

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
