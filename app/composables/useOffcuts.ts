import type { Leftover, PaperEntry, PaperOutcome } from '../../core/batch'
import { goneOf } from '../../core/batch'
import type { Units } from '../../core/lengths'
import { lengthFrom, writeLength } from '../../core/lengths'
import type { ShelfPaper } from '../stores/papers'

/** A paper without the revision that the shelf keeps beside it. */
export function entryOf(paper: ShelfPaper): PaperEntry {
  const { revision: _, ...entry } = structuredClone(toRaw(paper))
  return entry
}

const sizeOf = ({ width, height }: { width: string, height: string }) => ({ width: lengthFrom(width), height: lengthFrom(height) })

/** A paper on the shelf once everything is cut: fewer sheets, offcuts that are used up gone and new ones beside the others, largest first. */
export function paperAfter(paper: PaperEntry, { usedUp, leaves }: Pick<PaperOutcome, 'usedUp' | 'leaves'>, units: Units): PaperEntry {
  const counts = new Map<string, Leftover>()
  const add = ({ width, height }: Pick<Leftover, 'width' | 'height'>, number: number) => {
    const key = `${width} ${height}`
    counts.set(key, { width, height, count: (counts.get(key)?.count ?? 0) + number })
  }
  for (const offcut of paper.offcuts) {
    const size = sizeOf(offcut)
    add(size, offcut.count - goneOf(usedUp, 'offcut', size))
  }
  for (const left of leaves) add(left, left.count)
  return {
    ...paper,
    stocks: paper.stocks.map(stock => ({ ...stock, onHand: Math.max(0, stock.onHand - goneOf(usedUp, 'sheet', sizeOf(stock))) })),
    offcuts: [...counts.values()].filter(({ count }) => count > 0).sort((a, b) => b.width * b.height - a.width * a.height)
      .map(({ width, height, count }) => ({ width: writeLength(width, units), height: writeLength(height, units), count })),
  }
}
