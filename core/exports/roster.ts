import { ROSTER_COLUMNS as COLUMNS, bagLabel, bagsOf, seatOf, withColourways } from '../batch'
import type { Batch } from '../document'
import { csvOf, harmless } from './cells'

/** The roster as CSV: one row a bag, one column for the wish of each card that has colourways. */
export async function rosterCsv(batch: Batch): Promise<string> {
  return csvOf(bagsOf(batch).map((key) => {
    const seat = seatOf(batch, key)
    const yes = (flag: boolean) => (flag ? 'yes' : '')
    return {
      [COLUMNS.bag]: bagLabel(key),
      [COLUMNS.name]: harmless(seat.name),
      ...Object.fromEntries(withColourways(batch).map(({ key, title, colourways }) =>
        [harmless(title), harmless(colourways.find(one => one.key === seat.colourways[key])?.name ?? '')])),
      [COLUMNS.leftHanded]: yes(seat.leftHanded),
      [COLUMNS.online]: yes(seat.online),
      [COLUMNS.paid]: yes(seat.paid),
      [COLUMNS.profile]: harmless(batch.prep.profiles.find(profile => profile.key === seat.profile)?.name ?? ''),
      [COLUMNS.notes]: harmless(seat.notes),
    }
  }))
}
