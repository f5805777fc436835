import type { Construction, Panel } from '../folds'
import { itemAt } from '../lists'
import { isHidden, isPressed } from './looking'
import type { Side } from './looking'
import type { Spot } from './space'
import { THIN, along, fromSheet, hasPaper, placeOn, standing } from './space'

/** Cells along each side of a panel. */
const GRID = 40
/** On display, one looks past what stands farther off than that. */
const ARM = 3_000_000

/** A rectangle in nanometres, and by how much its area may be told wrong. */
export interface Room {
  width: number
  height: number
  grain: number
}

/**
 * The largest upright rectangle of one side of a panel that is seen on display, found cell by cell; nothing for what
 * has no place.
 */
export function roomToWrite(card: Construction, panel: Panel, side: Side): Room | undefined {
  const sheets = standing(card, 1, THIN)
  const sheet = sheets.find(found => found.panel === panel)
  // Between two panels that are glued together nobody writes, wherever thin drawings put it.
  if (!sheet || isPressed(card, sheet.part)) return undefined
  const [wide, high] = [panel.width.value / GRID, panel.height.value / GRID]
  const look = { within: ARM, slope: 0.99 }
  const isSeen = (spot: Spot) => hasPaper(sheet, spot) && !isHidden(sheets, sheet, spot, side, look)
  // The middles of what lies flat on the panel: what is narrower than a cell slips between its points.
  const slivers = sheets.filter(other => other !== sheet && Math.abs(along(other.out, sheet.out)) > 0.99)
    .filter(({ panel: { width, height } }) => Math.min(width.value, height.value) < 2 * Math.max(wide, high))
    .map(other => fromSheet(sheet, placeOn(other, [other.panel.width.value / 2, other.panel.height.value / 2])).spot)
  const within = ([right, up]: Spot) =>
    slivers.filter(([x, y]) => Math.abs(x - right) <= wide / 2 || Math.abs(y - up) <= high / 2)
  /** A cell is looked at in its middle and near its corners, and where the middle line of a sliver runs through it. */
  const isFree = ([right, up]: Spot) => [[0, 0], [-1, -1], [1, -1], [-1, 1], [1, 1]]
    .every(([across = 0, upward = 0]) => isSeen([right + 0.35 * across * wide, up + 0.35 * upward * high]))
    && within([right, up]).every(([x, y]) => isSeen([
      Math.abs(x - right) <= wide / 2 ? x : right, Math.abs(y - up) <= high / 2 ? y : up,
    ]))
  /** How many free cells stand upon each other, row by row, at each column. */
  const heights = new Array<number>(GRID).fill(0)
  // Two rows or columns more or less hang on how the cells fall.
  const grain = 2 * Math.max(wide * panel.height.value, high * panel.width.value)
  let best: Room = { width: 0, height: 0, grain }
  for (let row = 0; row < GRID; row++) {
    for (let column = 0; column < GRID; column++)
      heights[column] = isFree([(column + 0.5) * wide, (row + 0.5) * high]) ? itemAt(heights, column) + 1 : 0
    for (let left = 0; left < GRID; left++) {
      let lowest = Infinity
      for (let right = left; right < GRID && lowest > 0; right++) {
        lowest = Math.min(lowest, itemAt(heights, right))
        const found = { width: (right - left + 1) * wide, height: lowest * high, grain }
        if (found.width * found.height > best.width * best.height) best = found
      }
    }
  }
  return best
}
