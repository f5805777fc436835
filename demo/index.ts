import type { Batch } from '../core/document'
import { readBatch } from '../core/formats'
import firstFrost from './first-frost.json' with { type: 'json' }
import paperBoats from './paper-boats.json' with { type: 'json' }
import tideAndLantern from './tide-and-lantern.json' with { type: 'json' }

/** The made-up classes of the Ferry Lane Paper Room, and how many days from the first start each one takes place. */
const CLASSES = [
  { file: firstFrost, days: -45 },
  { file: tideAndLantern, days: 16 },
  { file: paperBoats, days: 39 },
]

/** The demo classes with their days moved to lie around `today`. */
export function demoBatches(today: Date): Batch[] {
  return CLASSES.map(({ file, days }) => {
    const read = readBatch(JSON.stringify(file))
    if (!read.ok)
      throw new Error(
        `A demo class is broken: ${read.problems.map(({ path, problem }) => `${path} ${problem}`).join('; ')}`,
      )
    const day = new Date(Date.UTC(today.getFullYear(), today.getMonth(), today.getDate() + days))
    return { ...read.value, class: { ...read.value.class, date: day.toISOString().slice(0, 10) } }
  })
}
