import { Stop, say } from './talk'

/**
 * How often something may end by itself within some milliseconds before it is given up, and how long the first rest is.
 */
const FAULTS = { most: 5, within: 600_000, rest: 300 }

/** Something that serves on a port until it ends. */
interface Serving {
  port: number
  ended: Promise<void>
}
type End = () => Promise<void>

export interface Keeping<Kind extends Serving> {
  /** What it is called for the maker. */
  name: string
  /** Starts it, the first time and after it ended; tells `spawned` how to end the process as soon as there is one. */
  start: (before: Kind | undefined, spawned: (end: End) => void) => Promise<Kind>
  /** Stands in for it while it is away; answers how to end that. */
  meanwhile?: (before: Kind) => End
  /** It ended by itself too often. */
  givenUp: (name: string) => void
}

/**
 * Starts something and starts it again whenever it ends by itself, a little later each time.
 * @returns what was started first, once it serves, and how to end it for good at any time
 */
export function keepRunning<Kind extends Serving>(
  { name, start, meanwhile = () => async () => {}, givenUp }: Keeping<Kind>,
): { first: Promise<Kind>, stop: End } {
  const faults: number[] = []
  let stopping = false
  let end: End = async () => {}
  let endStandIn: End = async () => {}
  const starting = async (before?: Kind) => {
    const now = await start(before, how => (end = how))
    void now.ended.then(() => (stopping ? undefined : again(now)))
    return now
  }
  return {
    first: starting(),
    stop: async () => {
      stopping = true
      await endStandIn()
      await end()
    },
  }

  async function again(before: Kind): Promise<void> {
    const now = Date.now()
    while (faults[0] !== undefined && faults[0] < now - FAULTS.within) faults.shift()
    faults.push(now)
    if (faults.length > FAULTS.most) return givenUp(name)
    say(`${name} ended by itself; starting it again …`)
    endStandIn = meanwhile(before)
    await new Promise(resolve => setTimeout(resolve, FAULTS.rest * 2 ** (faults.length - 1)))
    await endStandIn()
    if (stopping) return
    try {
      await starting(before)
      say(`${name} runs again.`)
    }
    catch (error) {
      if (stopping) return
      say(error instanceof Stop ? error.message : String(error))
      await again(before)
    }
  }
}
