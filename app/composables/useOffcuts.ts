import type { Leftover, PaperEntry, PaperOutcome } from '../../core/batch'
import type { SupplyKind } from '../../core/cutting'
import type { Length, Units } from '../../core/lengths'
import { lengthFrom, writeLength } from '../../core/lengths'
import type { ShelfPaper } from '../stores/papers'

/** A paper without the revision that the shelf keeps beside it. */
export function entryOf(paper: ShelfPaper): PaperEntry {
  const { revision: _, ...entry } = structuredClone(toRaw(paper))
  return entry
}

/** A paper on the shelf once everything is cut: fewer sheets, offcuts that are used up gone and new ones beside the others, largest first. */
export function paperAfter(paper: PaperEntry, { usedUp, leaves }: Pick<PaperOutcome, 'usedUp' | 'leaves'>, units: Units): PaperEntry {
  const gone = (kind: SupplyKind, width: Length, height: Length) => usedUp.find(other => other.kind === kind && other.width === width && other.height === height)?.count ?? 0
  const counts = new Map<string, Leftover>()
  const add = (width: Length, height: Length, number: number) => {
    const key = `${width} ${height}`
    counts.set(key, { width, height, count: (counts.get(key)?.count ?? 0) + number })
  }
  for (const offcut of paper.offcuts) {
    const [width, height] = [lengthFrom(offcut.width), lengthFrom(offcut.height)]
    add(width, height, offcut.count - gone('offcut', width, height))
  }
  for (const { width, height, count } of leaves) add(width, height, count)
  return {
    ...paper,
    stocks: paper.stocks.map(stock => ({ ...stock, onHand: Math.max(0, stock.onHand - gone('sheet', lengthFrom(stock.width), lengthFrom(stock.height))) })),
    offcuts: [...counts.values()].filter(({ count }) => count > 0).sort((a, b) => b.width * b.height - a.width * a.height)
      .map(({ width, height, count }) => ({ width: writeLength(width, units), height: writeLength(height, units), count })),
  }
}
