import fc from 'fast-check'
import load from 'highs'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { cutBy, orderOf, orderViolations, plansTogether } from '.'
import type { OrderTogether, PaperAlone } from '.'
import { USUAL_WORK, paperWorth, solverOf, spendingOf, verifyPlan } from '../cutting'
import { piece, problem, sheet } from '../cutting/testing'
import { sumOf } from '../lists'
import { anyPapers, paperAlone } from './testing'

const solve = solverOf(await load())
const cutOf = (papers: readonly PaperAlone[]) => papers.map(paper => cutBy(paper, paper.plan))
const without = (papers: readonly PaperAlone[], plans: ReadonlyMap<string, PaperAlone['plan']>) =>
  papers.map(paper => cutBy(paper, plans.get(paper.paper.key) ?? paper.plan))

/** Bases in some colours: the same two sizes of each, in numbers of its own. */
const colours = (numbers: [number, number][], weights: number[] = []) => numbers.map(([bases, mats], at) =>
  paperAlone(`colour-${at + 1}`, weights[at] ?? 240, problem(
    [piece(5.5, 8.5, bases), piece(4, 5.25, mats)], [sheet(8.5, 11)], { stack: 4 },
  )))

describe('papers cut together', () => {
  it('lie in one stack where they are cut alike, and the fence is set once for all of them', () => {
    const papers = cutOf(colours([[2, 0], [2, 0], [2, 0], [2, 0]]))
    const { stacks, steps, settings, strokes, apart } = orderOf(papers, { stack: 4 })
    expect(stacks.map(({ members }) => members.map(({ paper }) => paper.key))).toEqual([
      ['colour-1', 'colour-2', 'colour-3', 'colour-4'],
    ])
    // Four sheets, one stroke in the middle; each paper by itself takes four.
    expect([settings, strokes, apart.settings, apart.strokes]).toEqual([1, 1, 4, 4])
    expect(steps[0]).toMatchObject({
      hold: 'sheet 1', quantity: 4, stacks: 1,
      kept: papers.map(({ paper }) => ({ paper: { key: paper.key }, quantity: 2, demand: '5.5x8.5either' })),
    })
  })

  it('lie as thick as the trimmer takes, heavy ones below', () => {
    const papers = cutOf(colours([[4, 0], [4, 0], [2, 0]], [240, 480, 120]))
    const [step] = orderOf(papers, { stack: 3 }).steps
    const lots = step?.lots.map(lot => lot.map(({ paper, quantity }) => [paper.key, quantity]))
    // 720 g at once: a heavy sheet with a usual one, the other heavy one with the other usual and nothing more.
    expect(lots).toEqual([
      [['colour-2', 1]], [['colour-2', 1], ['colour-1', 1]], [['colour-1', 1], ['colour-3', 1]],
    ])
  })

  it('have a paper by itself that is to be so', () => {
    const papers = cutOf(colours([[2, 0], [2, 0], [2, 0]]))
    const { stacks } = orderOf(papers, { stack: 4, apart: new Set(['colour-2']) })
    expect(stacks.map(({ members }) => members.map(({ paper }) => paper.key))).toEqual([
      ['colour-1', 'colour-3'], ['colour-2'],
    ])
  })

  it('are nothing where there is nothing to cut', () => {
    expect(orderOf([], { stack: 4 })).toMatchObject({ stacks: [], steps: [], settings: 0, minutes: 0 })
    const done = cutOf([paperAlone('done', 240, problem([], [sheet(8.5, 11)]))])
    expect(orderOf(done, { stack: 4 })).toMatchObject({ stacks: [], steps: [], minutes: 0 })
  })

  it('come out as every plan says, never in more minutes than one by one, however papers differ', () => {
    let shared = 0
    fc.assert(fc.property(anyPapers, fc.nat(4), ({ papers, stack }, alone) => {
      const cut = cutOf(papers)
      const order = orderOf(cut, { stack, apart: new Set([`paper-${alone}`]) })
      expect(orderViolations(order, cut, stack)).toEqual([])
      expect(order.minutes).toBeLessThanOrEqual(sumOf(cut.map(({ minutes }) => minutes)) + 1e-9)
      const own = order.stacks.find(({ members }) => members.some(({ paper }) => paper.key === `paper-${alone}`))
      expect(own?.members.length ?? 1).toBe(1)
      if (order.stacks.some(({ members }) => new Set(members.map(({ paper }) => paper.key)).size > 1)) shared++
    }), { numRuns: 150 })
    // The cases are such that there is something to share.
    expect(shared).toBeGreaterThan(10)
  })

  it('are found out where a step says anything else', () => {
    const papers = cutOf(colours([[4, 6], [4, 6], [2, 3]], [240, 200, 300]))
    const order = orderOf(papers, { stack: 4 })
    const wrong = (change: (draft: OrderTogether) => void) =>
      orderViolations(produce(order, change), papers, 4).length
    expect(wrong(() => {})).toBe(0)
    order.steps.forEach((step, at) => {
      expect(wrong(draft => void draft.steps.splice(at, 1))).toBeGreaterThan(0)
      expect(wrong(draft => void (draft.steps[at]!.quantity += 1))).toBeGreaterThan(0)
      expect(wrong(draft => void (draft.steps[at]!.held[0]!.quantity += 1))).toBeGreaterThan(0)
      expect(wrong(draft => void (draft.steps[at]!.kept[0]!.quantity += 1))).toBeGreaterThan(0)
      expect(wrong(draft => void (draft.steps[at]!.strokes += 1))).toBeGreaterThan(0)
      expect(wrong(draft => void draft.steps[at]!.lots.push(...draft.steps[at]!.lots))).toBeGreaterThan(0)
      const piece = step.kept.findIndex(({ demand }) => demand !== undefined)
      if (piece >= 0) expect(wrong(draft => void (draft.steps[at]!.kept[piece]!.demand = 'x'))).toBeGreaterThan(0)
    })
    // One stack thicker than the trimmer, and a sheet that nobody cuts.
    expect(orderViolations(order, papers, 1).join()).toContain('thicker')
    expect(wrong(draft => void (draft.stacks[0]!.members[0]!.quantity += 1))).toBeGreaterThan(0)
  })
})

describe('layouts chosen alike', () => {
  it('make one stack of papers whose numbers differ, with no more sheets', () => {
    const papers = colours([[6, 6], [6, 4], [5, 5], [6, 6]])
    const plans = plansTogether({ papers, together: { stack: 4 } }, solve)
    const [own, alike] = [cutOf(papers), without(papers, plans)]
    const [before, after] = [orderOf(own, { stack: 4 }), orderOf(alike, { stack: 4 })]
    expect(after.minutes).toBeLessThan(before.minutes)
    expect(after.stacks.length).toBeLessThan(sumOf(own.map(({ plan }) => plan.layouts.length)))
    expect(alike.map(({ plan }) => plan.sheets)).toEqual(own.map(({ plan }) => plan.sheets))
  })

  it('are plans of their papers in every respect, cost no more paper and less in all', () => {
    let changed = 0
    fc.assert(fc.property(anyPapers, ({ papers, stack }) => {
      const plans = plansTogether({ papers, together: { stack } }, solve)
      const [own, alike] = [cutOf(papers), without(papers, plans)]
      for (const { problem: asked, paper, plan } of alike) {
        const before = papers.find(one => one.paper.key === paper.key)!.plan
        if (plan === before) continue
        changed++
        expect(verifyPlan(plan, asked)).toEqual([])
        expect(plan.sheets).toBeLessThanOrEqual(before.sheets)
        expect(plan.spending).toBe(spendingOf(plan.layouts, asked.supplies))
        expect(plan.spending).toBeLessThanOrEqual(before.spending)
        expect(paperWorth(plan.layouts, asked.supplies)).toBeLessThanOrEqual(paperWorth(before.layouts, asked.supplies))
      }
      const [before, after] = [orderOf(own, { stack }), orderOf(alike, { stack })]
      expect(orderViolations(after, alike, stack)).toEqual([])
      const worth = (all: typeof own) => sumOf(all.map(({ worth, saved }) => worth - saved))
      const { hour } = USUAL_WORK
      expect(worth(alike) + after.minutes * hour / 60)
        .toBeLessThanOrEqual(worth(own) + before.minutes * hour / 60 + 1e-6)
      expect(plansTogether({ papers, together: { stack } }, solve)).toEqual(plans)
    }), { numRuns: 40 })
    expect(changed).toBeGreaterThan(5)
  })

  it('leave alone what is settled or taken, what is cut by itself, and what cannot all be cut', () => {
    const papers = colours([[6, 6], [6, 4], [5, 5], [6, 6]])
    const [one, two, three, four] = papers as [PaperAlone, PaperAlone, PaperAlone, PaperAlone]
    const taken = { ...paperAlone('taken', 240, one.problem), taken: true }
    const fixed = { ...one, problem: { ...one.problem, fixed: one.plan.layouts } }
    const short = { ...two, plan: { ...two.plan, unplaced: [{ demand: '4x5.25either', quantity: 1, reason: 'gone' }] } }
    const apart = new Set([three.paper.key])
    const plans = plansTogether(
      { papers: [fixed, short, three, four, taken], together: { stack: 4, apart } }, solve)
    expect([...plans.keys()].filter(key => key !== four.paper.key)).toEqual([])
  })
})
