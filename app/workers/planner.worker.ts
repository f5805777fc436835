import { expose } from 'comlink'
import { mostKits, planPaper } from '../../core/cutting'
import type { Solve } from '../../core/cutting'
import { shareOut } from '../../core/sharing'
import { plansTogether } from '../../core/together'
import type { SearchOf } from './searcher'
import { NO_SOLVER, Searcher } from './searcher'

const needed = (solve: Solve | undefined): Solve => {
  if (!solve) throw new Error(NO_SOLVER)
  return solve
}

const plan: SearchOf<'plan'> = function* (problem, solve) {
  const steps = planPaper(problem, solve)
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
    yield { best: [value.plan], share: value.share, columns: value.columns }
  }
}

const share: SearchOf<'share'> = function* (problem, solve) {
  const steps = shareOut(problem, needed(solve))
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
    yield { best: value.shown, share: value.share }
  }
}

// eslint-disable-next-line require-yield -- kits are counted in one step
const kits: SearchOf<'kits'> = function* (drawer, solve) {
  return mostKits(drawer, needed(solve))
}

// eslint-disable-next-line require-yield -- one programme over all papers
const together: SearchOf<'together'> = function* (problem, solve) {
  return plansTogether(problem, needed(solve))
}

expose(new Searcher({
  plan: { search: plan, alone: 'to a first answer' },
  share: { search: share, alone: 'nowhere' },
  kits: { search: kits, alone: 'nowhere' },
  together: { search: together, alone: 'nowhere' },
}))
