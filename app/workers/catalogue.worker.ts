import { expose } from 'comlink'
import { suggestions } from '../../core/kits'
import { advise } from '../../core/rehearsal'
import type { SearchOf } from './searcher'
import { NO_SOLVER, Searcher } from './searcher'

/** Looks through the catalogue; what is known so far comes fold by fold. */
const teach: SearchOf<'teach'> = function* ({ batch, wishes }, solve) {
  if (!solve) throw new Error(NO_SOLVER)
  const steps = suggestions(batch, wishes, solve)
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
    // How many folds there are to look through is not told.
    yield { best: value, share: 0 }
  }
}

const evening: SearchOf<'evening'> = batch => advise(batch)

expose(new Searcher({
  teach: { search: teach, alone: 'nowhere' },
  evening: { search: evening, alone: 'to the end' },
}))
