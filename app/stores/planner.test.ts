import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { shelve } from '../../core/plans'
import { letterPaper, paperedCard } from '../../core/batch/testing'
import { plansFor } from '../../core/cutting'
import type { Batch } from '../../core/document'
import { ANY_SCRAP, newClass, newCutting, plainPaper } from '../../core/document'
import { factsOf, foldById } from '../../core/folds'
import { solve } from '../../core/plans/testing'
import type { Sharing, SharingProblem } from '../../core/sharing'
import { plansTogether } from '../../core/together'
import { demoBatches } from '../../demo'
import type { Memory } from '../background/memory'
import { MadeUpWorker, madeUp } from '../background/testing'
import { useClassStore } from './class'
import { usePlannerStore } from './planner'

/* The stores together, with a server and a worker made up here. */
vi.mock('../background/remote', async () => ({
  startWorker: (await import('../background/testing')).MadeUpWorker.start,
}))

/** What is kept of sharings: nothing, once somebody lets the question through. */
const kept = vi.hoisted(() => ({ sharings: undefined as Memory<SharingProblem, Sharing> | undefined }))
vi.mock('../composables/useMemories', () => ({ useMemories: () => kept }))

const empty: Batch = {
  ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch', seats: 4, spares: 0 }),
  papers: [
    plainPaper({
      key: 'kelp',
      name: 'Kelp',
      kind: 'cardstock',
      weight: 250,
      colour: '#3f6b57',
      stocks: [
        { key: 'letter', width: '8 1/2 in', height: '11 in', onHand: 50, pack: 1, price: 40 },
        { key: 'pad', width: '6 in', height: '6 in', onHand: 0, pack: 1, price: 10 },
      ],
    }),
  ],
}
const document: Batch = { ...empty, cards: [paperedCard(foldById('gatefold')!, empty)] }
/** Parts of a fold of which nothing shows. */
const HIDDEN = factsOf(foldById('rising-scene')!, 'inch').construction.pieces.flatMap(({ key, kind }) =>
  kind === 'hidden' ? [key] : [],
)
vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })
vi.stubGlobal('$fetch', async () => ({ position: 1, document }))

let work: ReturnType<typeof useClassStore>
let planner: ReturnType<typeof usePlannerStore>
/** What follows from a change has been painted. Each step may take long and set a timer at its end: several rounds. */
async function painted() {
  for (let round = 0; round < 4; round++) await new Promise(resolve => setTimeout(resolve, 5))
}
const worker = () => madeUp<'plan'>()
async function change(label: string, edit: (draft: Batch) => void) {
  work.edit(label, edit)
  await painted()
}

beforeEach(async () => {
  MadeUpWorker.all = []
  setActivePinia(createPinia())
  work = useClassStore()
  planner = usePlannerStore()
  await work.open(7)
  await painted()
})

describe('the planner’s store', () => {
  it('plans the class on screen, and knows its kits once it has', () => {
    expect([planner.ready, planner.running, planner.kits]).toEqual([false, true, undefined])
    worker().finish(plansFor)
    expect([planner.ready, planner.running, planner.kits?.costs.length]).toEqual([true, false, 1])
    expect(planner.outcomes[0]!.sheets.map(({ needed }) => needed).reduce((a, b) => a + b)).toBe(
      planner.outcomes[0]!.plan.sheets,
    )
  })

  it('asks for nothing when only words change, and works nothing out anew', async () => {
    worker().finish(plansFor)
    const [before] = planner.outcomes
    await change('title', draft => void (draft.class.title = 'Another'))
    expect([worker().orders.length, planner.outcomes[0] === before]).toEqual([1, true])
  })

  it('chooses among the plans by the wishes of the class without planning again', async () => {
    worker().finish(plansFor)
    const { choices } = planner.outcomes[0]!
    await change('priority', draft => void (draft.wishes.priority = 'easy'))
    expect([worker().orders.length, planner.outcomes[0]!.minutes]).toEqual([
      1, Math.min(...choices.map(({ minutes }) => minutes)),
    ])
  })

  it('knows what a forbidden format costs', async () => {
    await change(
      'formats',
      draft =>
        void draft.cutting.push({
          ...newCutting('kelp'), without: ['letter'],
        }),
    )
    expect(planner.papers[0]!.freePlan).toBeUndefined()
    worker().finish(plansFor)
    expect(planner.papers[0]!.freePlan!.sheets).toBeGreaterThan(0)
    expect(planner.papers[0]!.problem.supplies.map(({ key }) => key)).toEqual(['pad'])
  })

  it('plans hidden parts with the pieces of a paper where the scrap is not enough, step by step', async () => {
    await change('cards', (draft) => {
      const card = paperedCard(foldById('rising-scene')!, { ...empty, cards: [] })
      for (const part of HIDDEN) card.papers[part] = ANY_SCRAP
      draft.cards = [card]
      // What is left over is too narrow to be held.
      draft.tools.smallestPiece = '5 in'
    })
    expect(HIDDEN.length).toBeGreaterThan(0)
    const seen: number[] = []
    for (let round = 0; planner.running && round < 10; round++) {
      seen.push(worker().orders.at(-1)!.jobs.length)
      worker().finish(plansFor)
      await painted()
    }
    // The paper, its scrap, and then the paper with what the scrap does not give.
    expect(seen.length).toBeGreaterThan(2)
    expect([planner.running, planner.outcomes.flatMap(({ plan }) => plan.unplaced)]).toEqual([false, []])
    expect(planner.papers.map(({ paper }) => paper.key)).toEqual(['kelp'])
    expect(planner.papers[0]!.problem.demands.length).toBeGreaterThan(planner.papers[0]!.demands.length)
  })

  it('brings shelf and class up to date together, and takes both back together: nothing is taken off twice', async () => {
    worker().finish(plansFor)
    const onHand = () => work.document!.papers[0]!.stocks[0]!.onHand
    const put = () => {
      const [{ plan, usedUp, leaves, entry }] = planner.outcomes as [(typeof planner.outcomes)[number]]
      work.edit('shelf', draft =>
        shelve(
          draft,
          'kelp',
          plan.layouts.map((layout, index) => ({ layout, key: `kept-${index}` })),
          entry.problem,
          { usedUp, leaves },
        ),
      )
    }
    const sheets = planner.outcomes[0]!.sheets[0]!.needed
    put()
    await painted()
    expect(onHand()).toBe(50 - sheets)
    worker().finish(plansFor)
    expect(planner.outcomes.map(({ usedUp }) => usedUp)).toEqual([[]])
    work.undo()
    await painted()
    expect([onHand(), work.document!.cutting]).toEqual([50, []])
    put()
    await painted()
    expect(onHand()).toBe(50 - sheets)
  })

  it('does not keep anybody waiting for a paper that failed', () => {
    const { order, jobs } = worker().last
    worker().hear({ kind: 'failed', order, key: jobs[0]!.key, reason: 'a slip' })
    expect([planner.ready, planner.planless, planner.papers[0]!.job.reason, planner.kits?.costs.length]).toEqual([
      true,
      true,
      'a slip',
      1,
    ])
  })
})

describe('prints that are being shared out', () => {
  it('have nothing planned that builds on plans, until what was found has come down to the papers', async () => {
    vi.stubGlobal('Worker', MadeUpWorker)
    const { class: ofClass, ...shared } = demoBatches(new Date(2030, 0, 1))[1]!
    await change('pools', draft => Object.assign(draft, shared))
    const names = () => MadeUpWorker.all.map(({ name }) => name)
    const workerOf = <Name extends 'plan' | 'share'>(name: Name) => madeUp<Name>(names().indexOf(name))
    const before = work.preparation!.sharing!.sharing
    workerOf('plan').finish(plansFor)
    await painted()
    const planned = () => [planner.ready, planner.papers.some(({ settled }) => settled), names()]
    expect(planned()).toEqual([false, false, ['plan', 'share']])
    workerOf('share').finish(() => ({ ...before }))
    expect(planned()).toEqual([false, false, ['plan', 'share']])
    await painted()
    // What was dealt out first is what was found: no paper is planned anew, and now the rest is built on their plans.
    expect(planned()).toEqual([false, false, ['plan', 'share', 'together']])
    vi.stubGlobal('Worker', undefined)
  })
})

describe('prints whose sharing may be kept', () => {
  it.for([true, false])('have no paper planned before that is known: %s', async (isKept) => {
    let answer!: (found: Map<string, Sharing>) => void
    kept.sharings = { find: () => new Promise(resolve => void (answer = resolve)), keep: () => {} }
    vi.stubGlobal('Worker', MadeUpWorker)
    setActivePinia(createPinia())
    MadeUpWorker.all = []
    work = useClassStore()
    planner = usePlannerStore()
    const { class: ofClass, ...shared } = demoBatches(new Date(2030, 0, 1))[1]!
    vi.stubGlobal('$fetch', async () => ({ position: 1, document: { ...document, ...shared } }))
    await work.open(8)
    await painted()
    expect(MadeUpWorker.all.map(({ name }) => name)).toEqual([])
    const { key, sharing } = work.preparation!.sharing!
    answer(new Map(isKept ? [[key, { ...sharing }]] : []))
    await painted()
    expect(MadeUpWorker.all.map(({ name }) => name).sort()).toEqual(isKept ? ['plan'] : ['plan', 'share'])
    expect(madeUp<'plan'>(MadeUpWorker.all.findIndex(({ name }) => name === 'plan')).orders.length).toBe(1)
    kept.sharings = undefined
    vi.stubGlobal('Worker', undefined)
  })
})

describe('papers cut together', () => {
  /** Colours of one card, of which each has its number of kits. */
  const inColours = (draft: Batch, kits: number[]) => {
    draft.papers = kits.map((_, at) => letterPaper(`colour-${at}`))
    draft.cards = kits.map((kits, at) => {
      const card = paperedCard(foldById('gatefold')!, draft)
      const papers = Object.fromEntries(Object.keys(card.papers).map(part => [part, `colour-${at}`]))
      return { ...card, key: `card-${at}`, kits, papers }
    })
  }
  /** Settles every paper by itself, and hands over the worker that chooses layouts alike. */
  async function alone() {
    worker().finish(plansFor)
    await painted()
    return madeUp<'together'>(-1)
  }

  it('are settled only once layouts are chosen alike, and say what each would take by itself', async () => {
    await change('cards', draft => inColours(draft, [6, 5, 7]))
    const choosing = await alone()
    expect([choosing.name, planner.ready, planner.orders, planner.papers.map(({ settled }) => settled)]).toEqual([
      'together', false, [], [false, false, false],
    ])
    choosing.finish(problem => plansTogether(problem, solve))
    expect([planner.ready, planner.papers.every(({ settled }) => settled)]).toEqual([true, true])
    const [order] = planner.orders
    expect(order!.stacks.some(({ members }) => members.length > 1)).toBe(true)
    expect(order!.minutes).toBeLessThan(order!.apart.minutes)
    for (const { plan, fewest } of planner.outcomes) expect(plan.sheets).toBeLessThanOrEqual(fewest.plan.sheets)
    // The same plans are chosen from again only where something of them has changed.
    const [outcome] = planner.outcomes
    await change('title', draft => void (draft.class.title = 'Another'))
    expect([planner.outcomes[0] === outcome, choosing.orders.length]).toEqual([true, 1])
  })

  it('are as they are by themselves where the choice is stopped or fails, and where nobody wants it', async () => {
    await change('cards', draft => inColours(draft, [6, 5, 7]))
    const choosing = await alone()
    const own = planner.outcomes
    planner.stop()
    expect([planner.ready, planner.stopped, planner.outcomes, planner.orders.length]).toEqual([true, true, own, 1])
    planner.resume()
    expect(planner.ready).toBe(false)
    const { order, jobs } = choosing.last
    choosing.hear({ kind: 'failed', order, key: jobs[0]!.key, reason: 'a slip' })
    expect([planner.ready, planner.outcomes]).toEqual([true, own])
    await change('together', draft => void (draft.wishes.together = false))
    expect(planner.orders[0]!.stacks.every(({ members }) => members.length === 1)).toBe(true)
  })
})
