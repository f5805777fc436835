import type { Cutter, Demand, Size, Supply } from './plan'
import { area, isFresh } from './plan'
import { isCuttable, squared } from './squaring'

/**
 * A number of fresh sheets below which no plan exists, guillotine or not.
 *
 * The larger of two bounds: area of the pieces, less the area of all offcuts and
 * drop-outs, over area of the largest usable sheet; and the number of pieces of
 * which no two fit the same sheet (a clique of conflicts, found greedily from the
 * largest piece down), less the number of offcuts and drop-outs.
 */
export function sheetBound(demands: Demand[], supplies: Supply[], cutter: Cutter): number {
  const available = supplies.filter(supply => supply.price !== null || supply.onHand > 0)
  const sheets = available
    .filter(supply => isFresh(supply) && isCuttable(supply, cutter))
    .map(supply => squared(supply, cutter))
  if (sheets.length === 0 || demands.length === 0) return 0
  const scraps = available.filter(supply => !isFresh(supply))
  const free = scraps.reduce((total, scrap) => total + area(scrap) * scrap.onHand, 0)
  const pieces = demands.reduce((total, demand) => total + area(demand) * demand.quantity, 0)
  const byArea = Math.ceil((pieces - free) / Math.max(...sheets.map(area)) - 1e-12)
  const alone = conflicts(demands, [...sheets, ...scraps]) - scraps.reduce((total, { onHand }) => total + onHand, 0)
  return Math.max(0, byArea, alone)
}

function conflicts(demands: Demand[], sheets: Size[]): number {
  const clash = (a: Demand, b: Demand) => !sheets.some(sheet => fitTogether(a, b, sheet))
  const clique: Demand[] = []
  let alone = 0
  for (const demand of [...demands].sort((a, b) => area(b) - area(a))) {
    if (!clique.every(other => clash(demand, other))) continue
    clique.push(demand)
    alone += clash(demand, demand) ? demand.quantity : 1
  }
  return alone
}

/** All ways a piece may lie. */
export const ways = ({ width, height, turn }: Demand): Size[] => {
  const drawn = { width, height }
  const turned = { width: height, height: width }
  return turn === 'either' ? [drawn, turned] : turn === 'turned' ? [turned] : [drawn]
}

export const fits = (size: Size, sheet: Size): boolean => size.width <= sheet.width && size.height <= sheet.height

function fitTogether(a: Demand, b: Demand, sheet: Size): boolean {
  return ways(a).some(one => ways(b).some(other =>
    (one.width + other.width <= sheet.width && Math.max(one.height, other.height) <= sheet.height)
    || (one.height + other.height <= sheet.height && Math.max(one.width, other.width) <= sheet.width)))
}
