import { itemAt } from '../lists'
import type { Demand, KitNeed } from './plan'
import type { Handle, Row } from './programme'

/*
 * Where the sheets do not give everything, complete kits come before single pieces: a bag that lacks one piece cannot
 * be given out.
 */

/**
 * Rows of a programme that let no more pieces be missing than incomplete kits are short of.
 * @param missing columns that count missing pieces, one for each demand
 * @param incomplete columns that count incomplete kits, one for each need
 */
export function kitRows(
  demands: Demand[], needs: KitNeed[], missing: readonly Handle[], incomplete: readonly Handle[],
): Row[] {
  return demands.flatMap(({ key }, at): Row[] => {
    const taking = needs.flatMap(({ pieces }, need): [number, number][] => {
      const each = pieces.get(key)
      return each ? [[itemAt(incomplete, need), each]] : []
    })
    // What belongs to no kit may be missing anyhow.
    return taking.length > 0 ? [{ least: 0, of: [...taking, [itemAt(missing, at), -1]] }] : []
  })
}

/**
 * How few kits can be incomplete when some pieces are missing: of each need in turn as many as what is missing asks
 * for, those first that are short of most. For one need, and for needs that share no piece, no fewer do.
 * @param missing pieces by demand key
 */
export function incompleteKits(needs: KitNeed[], missing: ReadonlyMap<string, number>): number {
  const left = new Map([...missing].filter(([key, count]) => count > 0 && needs.some(({ pieces }) => pieces.has(key))))
  const whole = needs.map(({ kits }) => kits)
  let incomplete = 0
  const shortOf = ({ pieces }: KitNeed) =>
    [...pieces].reduce((sum, [key, each]) => sum + Math.min(each, left.get(key) ?? 0), 0)
  while (left.size > 0) {
    const [most] = needs
      .map((need, at) => ({ need, at, short: whole[at] ? shortOf(need) : 0 }))
      .sort((a, b) => b.short - a.short)
    if (!most || most.short === 0) break
    // As many at once as are all short of the same.
    const lacked = [...most.need.pieces].filter(([key]) => left.has(key))
    const times = Math.max(
      1, Math.min(whole[most.at] ?? 0, ...lacked.map(([key, each]) => Math.floor((left.get(key) ?? 0) / each))),
    )
    for (const [key, each] of lacked) {
      const still = (left.get(key) ?? 0) - each * times
      if (still > 0) left.set(key, still)
      else left.delete(key)
    }
    whole[most.at] = (whole[most.at] ?? 0) - times
    incomplete += times
  }
  return incomplete
}
