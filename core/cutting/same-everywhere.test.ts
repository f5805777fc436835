import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import fc from 'fast-check'
import load from 'highs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { plansFor, solverOf } from '.'
import { inches } from '../lengths'
import { piece, problem, sheet } from './testing'

/** Threads that do nothing but keep the machine busy. */
const burners: Worker[] = []
const burn = () =>
  burners.push(...Array.from({ length: 3 }, () => new Worker('for (;;) Math.sqrt(Math.random())', { eval: true })))
const rest = () => Promise.all(burners.splice(0).map(burner => burner.terminate()))

/** Classes as they come: some sizes, some of each, one or two formats, on hand or to buy. */
const anyProblem = fc
  .record({
    pieces: fc.uniqueArray(
      fc.tuple(fc.integer({ min: 4, max: 40 }), fc.integer({ min: 4, max: 40 }), fc.integer({ min: 1, max: 30 })),
      {
        minLength: 1,
        maxLength: 7,
        selector: ([w, h]) => `${w}x${h}`,
      }),
    square: fc.boolean(),
    onHand: fc.integer({ min: 0, max: 6 }),
  })
  .map(({ pieces, square, onHand }) =>
    problem(
      pieces.map(([width, height, quantity]) => piece(width / 4, height / 4, quantity)),
      [sheet(11, 17, onHand, 40), ...(square ? [sheet(12, 12, onHand, 70)] : [])],
      { length: inches(20) },
    ),
  )

describe('a plan', () => {
  let alone: ReturnType<typeof solverOf>
  const others: ReturnType<typeof solverOf>[] = []
  beforeAll(async () => {
    alone = solverOf(await load())
    for (let at = 0; at < 5; at++) others.push(solverOf(await load()))
  })
  afterAll(rest)

  it('is the same to the last sign on a quiet and on a busy machine, with a solver that is new or has worked before', async () => {
    const problems = fc.sample(anyProblem, { seed: 20_300_101, numRuns: others.length })
    const quiet = problems.map(given => JSON.stringify(plansFor(given, alone)))
    burn()
    const busy = problems.map((given, at) => JSON.stringify(plansFor(structuredClone(given), others[at])))
    await rest()
    expect(busy).toEqual(quiet)
    // It makes the machine as busy as it can be, which takes its time where it is busy already.
  }, 900_000)
})

describe('the core', () => {
  it('asks for no time and throws no dice', () => {
    const core = fileURLToPath(new URL('..', import.meta.url))
    const files = (readdirSync(core, { recursive: true }) as string[]).filter(
      file => file.endsWith('.ts') && !file.endsWith('.test.ts'),
    )
    expect(files.length).toBeGreaterThan(80)
    for (const file of files) {
      expect([
        file, /Date\.now|performance\.|new Date\(\)|Math\.random/.exec(readFileSync(join(core, file), 'utf8')),
      ]).toEqual([file, null])
    }
  })
})
