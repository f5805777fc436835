import { setPriority } from 'node:os'
import type { CheckName } from './checks'
import { CHECKERS } from './checks'

let isNice = false

/** Lets everybody else have the processor first; where each thread has a rank of its own, this is of this one alone. */
function giveWay(): void {
  isNice = true
  if (process.platform !== 'linux') return
  try {
    setPriority(10)
  }
  catch {
    // Then it has the rank of the others.
  }
}

/** Does one check for the application, in a thread. */
export default ({ name, input, gives }: { name: CheckName, input: never, gives: boolean }): unknown => {
  if (gives && !isNice) giveWay()
  return CHECKERS[name](input)
}
