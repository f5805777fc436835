import { pathToFileURL } from 'node:url'
import { bundle } from '../lib/bundle'
import type { Options, Row } from './parts'

/** Random dressed cards looked at in space point by point, against what findings and message areas say of them. */
export async function probing({ cards, seed }: Options): Promise<Row[]> {
  const { lookAtMany } = await import(pathToFileURL(await bundle('benchmark/probing.ts', ['core', 'benchmark'])).href)
  const { looked, messages, wrong, failures } = lookAtMany(cards, seed)
  for (const problem of wrong) console.log(`  ${problem}`)
  return [{
    what: 'random cards of all folds, made and dressed in any way, looked at in space point by point',
    done: `${cards}, ${looked} of them can be made; ${messages} message areas`,
    seen: `${failures} findings or areas that do not agree`,
    good: failures === 0,
  }]
}
