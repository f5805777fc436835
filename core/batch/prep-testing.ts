import highs from 'highs'
import { produce } from 'immer'
import { demoBatches } from '../../demo'
import { solverOf } from '../cutting'
import { itemAt } from '../lists'
import type { Batch, PrepLevel } from '../document'
import { millimetres } from '../lengths'

export const solve = solverOf(await highs())
export const [, tide, frost] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch, Batch]
/** A class with few seats, so that little has to be planned. */
export const batch = produce(tide, (draft) => {
  draft.class.seats = 5
  draft.class.spares = 1
  draft.roster = []
})

export const levels = (own: Record<string, PrepLevel>, change: (draft: Batch) => void = () => undefined) =>
  produce(batch, (draft) => {
    itemAt(draft.prep.profiles, 0).levels = own
    change(draft)
  })

export const card = itemAt(batch.cards, 0)
export const A1 = millimetres(841)
/** Numbers without chance, the same every time. */
export function* numbers(seed: number): Generator<number, never> {
  for (let state = seed; ;) yield (state = (state * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648
}
