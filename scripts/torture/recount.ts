import { pathToFileURL } from 'node:url'
import { bundle } from '../lib/bundle'
import type { Options, Row } from './parts'

/** Random classes counted a second time by code that shares nothing with what worked them out. */
export async function recount({ classes, seed }: Options): Promise<Row[]> {
  const { recountMany } = await import(pathToFileURL(await bundle('benchmark/recount.ts', ['core', 'benchmark'])).href)
  const { classes: counted, halves, failures, wrong } = await recountMany(classes, seed)
  for (const problem of wrong) console.log(`  ${problem}`)
  return [{
    what: 'random classes of all folds, dressed, pooled and made ready in any way, counted a second time',
    done: `${counted}, ${halves} of them half cut as well`,
    seen: `${failures} figures that do not agree`,
    good: failures === 0,
  }]
}
