import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { CuttingProblem } from '../../core/cutting'
import { plansFor } from '../../core/cutting'
import { cutter } from '../../core/cutting/testing'
import { inches } from '../../core/lengths'
import type { WorkerAnswer, Searching, SearchName, Searches } from '../background/searches'

let exposed: Searching<SearchName>
vi.mock('comlink', () => ({ expose: (searcher: Searching<SearchName>) => void (exposed = searcher) }))
await import('./planner.worker')

let said: WorkerAnswer<unknown>[] = []
const ask = <Name extends SearchName>(name: Name, order: number, jobs: Record<string, Searches[Name]['problem']>) =>
  exposed.search(
    name, order, Object.entries(jobs).map(([key, problem]) => ({ key, problem })), answer => void said.push(answer),
  )

const problem = (quantity: number): CuttingProblem => ({
  demands: [
    [4, 5],
    [3, 4],
    [2, 3.5],
  ].map(([width, height]) => ({
    key: `${width}`,
    name: `${width}`,
    width: inches(width!),
    height: inches(height!),
    quantity,
    turn: 'either',
  })),
  supplies: [{ key: 'letter', kind: 'sheet', width: inches(8.5), height: inches(11), onHand: 0, price: 50 }],
  cutter,
  objective: 'money',
})
const settled = (order: number, count: number) =>
  vi.waitFor(() =>
    expect(said.filter(({ kind, order: of }) => kind !== 'progress' && of === order)).toHaveLength(count),
  )

describe('searches in a worker', () => {
  beforeEach(() => {
    said = []
  })

  it('shows plans as they come and the same last one as the core', async () => {
    ask('plan', 1, { a: problem(9) })
    await settled(1, 1)
    expect(said.filter(({ kind }) => kind === 'progress').length).toBeGreaterThan(1)
    expect(said.at(-1)).toEqual({ kind: 'done', order: 1, key: 'a', answer: plansFor(problem(9)) })
  })

  it('leaves an order for a newer one', async () => {
    ask('plan', 2, { old: problem(30) })
    ask('plan', 3, { new: problem(5) })
    await settled(3, 1)
    expect(said.filter(({ order, kind }) => order === 2 && kind === 'done')).toEqual([])
    // The first round of the old order was under way already.
    expect(said.filter(({ order }) => order === 2).length).toBeLessThanOrEqual(1)
  })

  it('says that it counts no kits without the solver, which only the page can load', async () => {
    const perKit = new Map(problem(1).demands.map(({ key }) => [key, 1]))
    ask('kits', 4, { drawer: { problem: problem(1), perKit } })
    await settled(4, 1)
    expect(said.at(-1)).toMatchObject({ kind: 'failed', key: 'drawer', reason: 'The solver could not be loaded.' })
  })

  it('says what it cannot do and goes on with the rest', async () => {
    const broken = { ...problem(1), demands: [undefined] } as unknown as CuttingProblem
    ask('plan', 6, { broken, fine: problem(1) })
    await settled(6, 2)
    expect(said.find(({ kind }) => kind === 'failed')).toMatchObject({ key: 'broken', reason: expect.any(String) })
    expect(said.at(-1)).toMatchObject({ kind: 'done', key: 'fine' })
  })
})
