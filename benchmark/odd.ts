import Table from 'cli-table3'
import { newPool, prepare } from '../core/batch'
import { letterPaper, paperedCard } from '../core/batch/testing'
import type { CuttingProblem, Solve } from '../core/cutting'
import { planPaper, plansFor } from '../core/cutting'
import type { Batch, PaperEntry } from '../core/document'
import { newClass } from '../core/document'
import { FOLDS } from '../core/folds'
import type { Units } from '../core/lengths'
import { inches, millimetres } from '../core/lengths'
import { itemAt, sumOf } from '../core/lists'
import { planAll, prepareShared } from '../core/plans'
import { cutter } from '../core/cutting/testing'
import { demoBatches } from '../demo'
import { dice } from './dice'
import { ms } from './measure'

/*
 * Classes and papers at the edge of what anybody asks for: each has to show an answer soon, and to settle in bounded
 * time. Ratios are to a second for the first answer and to ten seconds of processor time for the last.
 */

const CARDS = FOLDS.filter(({ id }) => !['own-strip', 'plain-card'].includes(id))
const SQUARE = [{ key: 'square', width: '12 in', height: '12 in', onHand: 0, pack: 1, price: 95 }]

function classWith(
  { papers, cards, seats, units = 'inch' }: { papers: PaperEntry[], cards: number, seats: number, units?: Units },
): Batch {
  const roll = dice(papers.length * 100 + cards)
  let batch: Batch = { ...newClass({ title: 'Odd', date: '2030-01-01', units, seats, spares: 0 }), papers }
  for (let at = 0; at < cards; at++) {
    const card = paperedCard(itemAt(CARDS, at % CARDS.length), batch)
    for (const part of Object.keys(card.papers)) card.papers[part] = itemAt(papers, roll(0, papers.length - 1)).key
    batch = { ...batch, cards: [...batch.cards, { ...card, key: `card-${at}`, title: `Card ${at}` }] }
  }
  return batch
}

/** Mats from a pool of prints, everything else in one colour. */
function pooled(prints: number, cards: number, seats: number): Batch {
  const papers = Array.from({ length: prints }, (_, at) =>
    letterPaper(`print-${at}`, { kind: 'print', weight: 200, stocks: SQUARE }))
  const base = letterPaper('base', { stocks: SQUARE })
  let batch = classWith({ papers: [base], cards, seats })
  const pool = { ...newPool(batch), papers: papers.map(({ key }) => key) }
  batch = { ...batch, papers: [base, ...papers], pools: [pool] }
  for (const card of batch.cards)
    for (const { key, kind } of prepare({ ...batch, cards: [card] }).cards[0]?.pieces ?? [])
      if (kind === 'mat') card.papers[key] = pool.key
  return batch
}

const some = (number: number): PaperEntry[] =>
  Array.from({ length: number }, (_, at) => letterPaper(`paper-${at}`, { stocks: SQUARE }))

/** One paper with many pieces of odd sizes. */
function paperWith(
  sizes: [width: number, height: number, quantity: number][], sheet: [number, number],
  change: Partial<CuttingProblem['cutter']> = {},
): CuttingProblem {
  return {
    cutter: { ...cutter, mark: millimetres(0.01), ...change }, objective: 'sheets',
    demands: sizes.map(([width, height, quantity], at) => ({
      key: `piece-${at}`, name: `Piece ${at}`, width: millimetres(width), height: millimetres(height), quantity,
      turn: 'either',
    })),
    supplies: [{
      key: 'sheet', kind: 'sheet', width: millimetres(sheet[0]), height: millimetres(sheet[1]), onHand: 0, price: 100,
    }],
  }
}

interface Came {
  first: number
  sheets: number
  bound: number
}

function ofClass(batch: Batch, solve: Solve): Came {
  const start = performance.now()
  prepare(batch).papers.forEach(({ problem }) => planPaper(problem).next())
  const first = performance.now() - start
  const outcomes = planAll(batch, prepareShared(batch, solve), solve)
  return {
    first, sheets: sumOf(outcomes.map(({ fewest }) => fewest.plan.sheets)),
    bound: sumOf(outcomes.map(({ fewest }) => fewest.plan.bound)),
  }
}

function ofPaper(problem: CuttingProblem, solve: Solve): Came {
  const start = performance.now()
  planPaper(problem).next()
  const first = performance.now() - start
  const plans = plansFor(problem, solve)
  const sheets = Math.min(...plans.map(plan => plan.sheets))
  return { first, sheets, bound: Math.max(...plans.map(plan => plan.bound)) }
}

function hundredths(): CuttingProblem {
  const roll = dice(7)
  return paperWith(
    Array.from({ length: 16 }, () => [roll(2000, 12_000) / 100, roll(2000, 12_000) / 100, roll(4, 24)]), [297, 210],
  )
}

const ODD: Record<string, (solve: Solve) => Came> = {
  'the demo class': solve => ofClass(demoBatches(new Date(2030, 0, 1))[1]!, solve),
  '60 papers, 30 cards': solve => ofClass(classWith({ papers: some(60), cards: 30, seats: 16 }), solve),
  '40 cards, 4 papers': solve => ofClass(classWith({ papers: some(4), cards: 40, seats: 16 }), solve),
  '500 seats, 12 prints': solve => ofClass(pooled(12, 2, 500), solve),
  '40 seats, 5 prints, 2 cards': solve => ofClass(pooled(5, 2, 40), solve),
  'hundredths of a mm': solve => ofPaper(hundredths(), solve),
  '10,000 kits, 12 sizes': (solve) => {
    const roll = dice(12)
    return ofPaper(paperWith(
      Array.from({ length: 12 }, () => [roll(20, 120), roll(20, 120), 10_000]), [297, 210],
    ), solve)
  },
  'pieces of 1 mm': solve => ofPaper(paperWith(
    [[1, 1, 5000], [1, 40, 800], [3, 7, 2000], [20, 30, 60]], [297, 210], { smallestPiece: millimetres(1) },
  ), solve),
  'a roll of 5 × 1.5 m': solve => ofPaper(paperWith(
    [[140, 210, 400], [105, 148, 600], [60, 90, 900], [33, 70, 700], [250, 250, 30]], [5000, 1500],
    { length: inches(400) },
  ), solve),
}

/** @param only part of a name; all of them where it is empty */
export function oddOnes(solve: Solve, only = ''): string {
  const table = new Table({
    head: ['Odd one', 'First answer', 'of 1 s', 'Processor', 'of 10 s', 'Sheets', 'At least', 'Memory'],
    style: { head: [], border: [] },
  })
  for (const [name, plan] of Object.entries(ODD).filter(([name]) => name.includes(only))) {
    const before = process.cpuUsage()
    const { first, sheets, bound } = plan(solve)
    const { user, system } = process.cpuUsage(before)
    const spent = (user + system) / 1000
    table.push([
      name, ms(first), `${(first / 1000).toFixed(2)} ×`, `${(spent / 1000).toFixed(1)} s`,
      `${(spent / 10_000).toFixed(2)} ×`, sheets, bound, `${Math.round(process.memoryUsage().heapUsed / 1e6)} MB`,
    ])
    console.error(`${name}: ${(spent / 1000).toFixed(1)} s`)
  }
  return `Odd ones\n${table.toString()}`
}
