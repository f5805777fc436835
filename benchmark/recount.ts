import { recounted } from '../core/recount'
import { halfCut, plannedAtOnce, randomClass } from '../core/recount/testing'

/** What a long run of the second count has seen. */
export interface Recounted {
  classes: number
  halves: number
  /** What did not agree, or broke, with the number of its class; the first few. */
  wrong: string[]
  failures: number
}

const MOST_TOLD = 10

/**
 * Counts random classes a second time, every other one half cut as well.
 * @param classes how many
 * @param first number of the first one: the same numbers are the same classes
 */
export async function recountMany(classes: number, first: number): Promise<Recounted> {
  const seen: Recounted = { classes: 0, halves: 0, wrong: [], failures: 0 }
  const note = (problem: string) => {
    seen.failures++
    if (seen.wrong.length < MOST_TOLD) seen.wrong.push(problem)
  }
  for (let seed = first; seed < first + classes; seed++) {
    try {
      const batch = randomClass(seed)
      const { preparation, outcomes } = plannedAtOnce(batch)
      for (const { where, problem } of await recounted(preparation, outcomes)) note(`${seed}: ${where}: ${problem}`)
      seen.classes++
      if (seed % 2) continue
      const later = plannedAtOnce(halfCut(batch, outcomes, seed))
      for (const { where, problem } of await recounted(later.preparation, later.outcomes))
        note(`${seed}, half cut: ${where}: ${problem}`)
      seen.halves++
    }
    catch (error) {
      note(`${seed}: ${String(error)}`)
    }
  }
  return seen
}
