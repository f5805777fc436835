import type { Plan, CuttingProblem } from '../../core/cutting'
import { keptOf, keptPlans, keptSharing, keptTogether } from '../../core/kept'
import type { Sharing, SharingProblem } from '../../core/sharing'
import type { TogetherProblem } from '../../core/together'
import { memoryOf } from './kept'
import type { Memory } from './memory'
import { browserShelf, studioShelf } from './shelves'

/** What is remembered of plans, of layouts chosen alike, and of sharings. */
export interface Memories {
  plans: Memory<CuttingProblem, Plan[]>
  together: Memory<TogetherProblem, ReadonlyMap<string, Plan>>
  sharings: Memory<SharingProblem, Sharing>
}

/** @param version of what plans and shares prints out */
export function memories(version: string): Memories {
  const [near, far] = [browserShelf(), studioShelf()]
  return {
    plans: memoryOf({ of: keptOf('plans', version), near, far, check: keptPlans }),
    together: memoryOf({ of: keptOf('together', version), near, far, check: keptTogether }),
    sharings: memoryOf({ of: keptOf('sharing', version), near, far, check: keptSharing }),
  }
}
