import Table from 'cli-table3'
import { newPool, prepare } from '../core/batch'
import { letterPaper, paperedCard } from '../core/batch/testing'
import type { Solve } from '../core/cutting'
import { byHand, freshSheets, keyedLayouts, spendingOf, workOf } from '../core/cutting'
import type { Batch, PaperEntry } from '../core/document'
import { newClass } from '../core/document'
import { FOLDS } from '../core/folds'
import { itemAt, sumOf } from '../core/lists'
import type { PaperOutcome } from '../core/plans'
import { chosenAlike, ordersOf, outcomeBy, planAll, prepareShared } from '../core/plans'
import type { OrderTogether } from '../core/together'
import { orderViolations } from '../core/together'
import { dice } from './dice'
import { median, ms } from './measure'

/*
 * Classes as they are cut: a pool of prints, bases in several colours, several cards. Cut together, beside the same
 * papers cut one by one as their own plans say.
 */

const CARDS = FOLDS.filter(({ id }) => !['own-strip', 'plain-card'].includes(id))
const SQUARE = [{ key: 'square', width: '12 in', height: '12 in', onHand: 0, pack: 1, price: 95 }]

/** A class of one to three cards: mats from a pool of prints, everything else in some colours. */
function classOf(roll: ReturnType<typeof dice>): Batch {
  const some = (number: number, name: string, changes: (at: number) => Partial<PaperEntry>): PaperEntry[] =>
    Array.from({ length: number }, (_, at) => letterPaper(`${name}-${at + 1}`, changes(at)))
  const upright = roll(0, 3) === 0
  const prints = some(roll(3, 12), 'print', () => ({ kind: 'print', weight: 200, stocks: SQUARE, upright }))
  const format = roll(0, 1) === 0 ? { stocks: SQUARE } : {}
  const colours = some(roll(2, 4), 'colour', () => ({ weight: itemAt([220, 240, 270], roll(0, 2)), ...format }))
  let batch: Batch = {
    ...newClass({ title: 'Evening', date: '2030-01-01', units: 'inch', seats: roll(8, 24), spares: 1 }),
    papers: [...colours, ...prints],
  }
  const pool = { ...newPool(batch), papers: prints.map(({ key }) => key) }
  batch = { ...batch, pools: [pool] }
  for (let number = roll(1, 3); number > 0; number--) {
    const card = paperedCard(itemAt(CARDS, roll(0, CARDS.length - 1)), batch)
    const pieces = prepare({ ...batch, cards: [card] }).cards[0]?.pieces ?? []
    const papersIn = (colour: string) =>
      Object.fromEntries(pieces.map(({ key, kind }) => [key, kind === 'mat' ? pool.key : colour]))
    card.papers = papersIn(itemAt(colours, 0).key)
    card.colourways = colours.map(({ key, name }) => ({ key, name, papers: papersIn(key), kits: null }))
    batch = { ...batch, cards: [...batch.cards, card] }
  }
  return batch
}

interface CutTogether {
  outcomes: PaperOutcome[]
  order: OrderTogether
}

interface Evening {
  papers: number
  apart: PaperOutcome[]
  together: CutTogether
  /** A careful maker's plans for prints dealt out in turn, with papers that came out alike in one stack. */
  hand: CutTogether
  /** Milliseconds that it took once every paper was planned. */
  took: number
}

function evening(roll: ReturnType<typeof dice>, solve: Solve): Evening | undefined {
  const batch = classOf(roll)
  const preparation = prepareShared(batch, solve)
  const one: Batch = { ...batch, wishes: { ...batch.wishes, together: false } }
  const apart = planAll(one, preparation, solve)
  if (apart.length < 2) return undefined
  const stack = preparation.cutter.stack
  const begun = performance.now()
  const alike = chosenAlike(apart, batch, solve)
  const order = itemAt(ordersOf(alike, batch), 0)
  const took = performance.now() - begun
  const [wrong] = orderViolations(order, alike.map(one => ({ ...one, ...one.entry })), stack)
  if (wrong) throw new Error(wrong)
  // A maker deals the prints out in turn.
  const byMaker = planAll(one, prepare(batch)).map(handOf)
  const hand = { outcomes: byMaker, order: itemAt(ordersOf(byMaker, batch), 0) }
  return { papers: apart.length, apart, together: { outcomes: alike, order }, hand, took }
}

/** What a careful maker does with a paper. */
function handOf(outcome: PaperOutcome): PaperOutcome {
  const { problem } = outcome.entry
  const layouts = keyedLayouts(byHand(problem, problem.demands))
  const { supplies } = problem
  return outcomeBy(outcome, {
    layouts, sheets: freshSheets(layouts, supplies), spending: spendingOf(layouts, supplies),
    unplaced: [], bound: 0, yield: 0,
  })
}

const worth = (outcomes: PaperOutcome[]): number => sumOf(outcomes.map(outcome => outcome.worth))
/** Cents of paper and time. */
const costOf = ({ outcomes, order }: CutTogether): number =>
  worth(outcomes) + order.minutes * workOf(itemAt(outcomes, 0).entry.problem).hour / 60

const share = (part: number, whole: number): string => `${(100 * part / whole).toFixed(1)} %`

/** So many classes cut together, beside their papers one by one. */
export function evenings(solve: Solve, number: number): string {
  const roll = dice(28)
  const all: Evening[] = []
  while (all.length < number) {
    const one = evening(roll, solve)
    if (one) all.push(one)
  }
  const table = new Table({
    head: ['Class', 'Papers', 'Stacks of sheets', 'Settings', 'Strokes', 'Minutes', 'Paper', 'of by hand', 'Took'],
    style: { head: [], border: [] },
  })
  const row = (name: string, some: Evening[]) => {
    const sum = (of: (one: Evening) => number) => sumOf(some.map(of))
    table.push([
      name, sum(({ papers }) => papers), sum(({ together }) => together.order.stacks.length),
      `${sum(({ together }) => together.order.settings)} of ${sum(({ together }) => together.order.apart.settings)}: `
      + share(sum(({ together }) => together.order.settings), sum(({ together }) => together.order.apart.settings)),
      share(sum(({ together }) => together.order.strokes), sum(({ together }) => together.order.apart.strokes)),
      share(sum(({ together }) => together.order.minutes), sum(({ together }) => together.order.apart.minutes)),
      share(sum(({ together }) => worth(together.outcomes)), sum(({ apart }) => worth(apart))),
      share(sum(({ together }) => costOf(together)), sum(({ hand }) => costOf(hand))),
      ms(median(some.map(({ took }) => took))),
    ])
  }
  all.forEach((one, at) => row(`${at + 1}`, [one]))
  row(`All ${number}`, all)
  const slower = all.filter(({ together: { order } }) => order.minutes > order.apart.minutes + 1e-9).length
  const dearer = all.filter(({ together, hand }) => costOf(together) > costOf(hand) + 1e-9).length
  return `${table.toString()}\nMore minutes than one by one: ${slower}. Dearer than by hand: ${dearer}.`
}
