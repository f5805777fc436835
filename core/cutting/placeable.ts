import { fits, ways } from './bound'
import type { Demand, CuttingProblem, Unplaced } from './plan'
import { LEAST_PIECE, area } from './plan'
import { isCuttable, squared } from './squaring'
import { stripLayout } from './strips'

const SIDES = ['width', 'height'] as const

/** Parts the demands that fit some sheet from those that fit none, with the reason. */
export function sortOut({ demands, supplies, cutter }: CuttingProblem): { placeable: Demand[], unplaced: Unplaced[] } {
  const wanted = demands.filter(demand => demand.quantity > 0)
  const unplaced: Unplaced[] = []
  const placeable = wanted.filter((demand) => {
    const reason = whyNot(demand)
    if (reason) unplaced.push({ demand: demand.key, quantity: demand.quantity, reason })
    return !reason
  })
  return { placeable, unplaced }

  function whyNot(demand: Demand): string | undefined {
    const available = supplies.filter(supply => supply.price !== null || supply.onHand > 0)
    if (Math.min(demand.width, demand.height) < LEAST_PIECE)
      return 'It is less than 1 mm wide: nothing that small can be cut.'
    if (available.length === 0) return 'There is no sheet on hand and none to buy.'
    const cuttable = available.filter(supply => isCuttable(supply, cutter))
    if (cuttable.length === 0)
      return 'Nothing is left of a sheet once it is squared, or the trimmer is too short for every sheet of this paper.'
    if (
      cuttable.some(supply =>
        SIDES.some(along => stripLayout(supply, cutter, along, [demand], new Map([[demand.key, 1]]), area)),
      )
    )
      return undefined
    const sheets = cuttable.map(supply => squared(supply, cutter))
    if (ways(demand).some(way => sheets.some(sheet => fits(way, sheet))))
      return 'The trimmer is too short to cut it out.'
    const turnedFits = sheets.some(sheet => fits({ width: demand.height, height: demand.width }, sheet))
    if (demand.turn !== 'either' && turnedFits) return 'It fits only turned, which the print direction forbids.'
    return cuttable.length < available.length
      ? 'It is larger than every sheet that can be cut; squaring or the length of the trimmer leaves the others out.'
      : 'It is larger than every sheet of this paper.'
  }
}
