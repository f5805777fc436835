import type { Disagreement } from '../audit'
import { disagreements } from '../audit'
import type { Preparation } from '../batch'
import type { PaperOutcome } from '../plans'
import { kitsOfBatch, packedBags } from '../kits'
import { listsOf } from './lists'
import { recipesOf, saidOf } from './said'

export type { Disagreement } from '../audit'

/**
 * A prepared and planned class counted a second time, with everything that is written of it: lists in print and as
 * data, labels, packing check, shopping and tasks.
 * @returns what does not agree, where and in words; nothing where all does
 */
export async function recounted(preparation: Preparation, outcomes: PaperOutcome[]): Promise<Disagreement[]> {
  const { batch } = preparation
  const bags = packedBags(preparation)
  const said = saidOf(preparation, outcomes, kitsOfBatch(batch, preparation, outcomes), bags)
  return disagreements({ batch, recipes: recipesOf(preparation), said: { ...said, lists: await listsOf(bags, batch) } })
}
