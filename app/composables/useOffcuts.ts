import type { Leftover, OffcutEntry, PaperEntry } from '../../core/batch'
import type { Length, Units } from '../../core/lengths'
import { lengthFrom, writeLength } from '../../core/lengths'
import type { ShelfPaper } from '../stores/papers'

/** A paper without the revision that the shelf keeps beside it. */
export function entryOf(paper: ShelfPaper): PaperEntry {
  const { revision: _, ...entry } = structuredClone(toRaw(paper))
  return entry
}

/** The offcuts of a paper once some are used up and others are put beside them; largest first. */
export function offcutsAfter(offcuts: OffcutEntry[], usedUp: Leftover[], leaves: Leftover[], units: Units): OffcutEntry[] {
  const counts = new Map<string, Leftover>()
  const add = (width: Length, height: Length, number: number) => {
    const key = `${width} ${height}`
    counts.set(key, { width, height, count: (counts.get(key)?.count ?? 0) + number })
  }
  for (const { width, height, count } of offcuts) add(lengthFrom(width), lengthFrom(height), count)
  for (const { width, height, count } of usedUp) add(width, height, -count)
  for (const { width, height, count } of leaves) add(width, height, count)
  return [...counts.values()].filter(({ count }) => count > 0).sort((a, b) => b.width * b.height - a.width * a.height)
    .map(({ width, height, count }) => ({ width: writeLength(width, units), height: writeLength(height, units), count }))
}
