import type { PaperProblem } from '../batch'
import type { PaperOutcome } from '../plans'
import { bagsOf, newCard, prepare, writeLayout } from '../batch'
import { outcomeOf, planAll, planHidden, prepareShared } from '../plans'
import type { Solve } from '../cutting'
import { planPaper } from '../cutting'
import type { Batch, CardEntry, ColourwayEntry, CuttingEntry, PaperEntry, PoolEntry, PrepLevel } from '../document'
import {
  ANY_SCRAP, POOL_PREFIX, PREP_LEVELS, RULE_NAMES, backOf, newClass, newCutting, newSeat, plainPaper,
} from '../document'
import { newWork } from '../dressing'
import { randomDressing, chanceOf } from '../dressing/testing'
import type { Chance } from '../dressing/testing'
import { FOLDS } from '../folds'
import type { Piece } from '../folds'
import type { Units } from '../lengths'
import { writeLength } from '../lengths'

/*
 * Classes for tests that count: no two papers have the same sheets or keys, halves of pairs may be of unlike papers,
 * and whatever can be more than one sometimes is. What is alike hides faults.
 */

const KINDS = ['base', 'insert', 'plate', 'underlay', 'mat', 'message', 'figure', 'hidden']

/** Papers whose sheets, keys, prices, grain and print directions all differ. */
export function unlikePapers(chance: Chance, units: Units): PaperEntry[] {
  const sizes = units === 'inch'
    ? [['8 1/2 in', '11 in'], ['12 in', '12 in'], ['12 in', '18 in']]
    : [['210 mm', '297 mm'], ['297 mm', '420 mm'], ['305 mm', '305 mm']]
  return ['Kelp', 'Fog', 'Chalk', 'Herring', 'Ripple', 'Buoy', 'Sail, faded'].map((name, at): PaperEntry => {
    const kind = at < 3 ? 'cardstock' : 'print'
    const formats = chance.some(sizes, 1, 2)
    return plainPaper({
      key: `paper-${at}`, name, kind, colour: '#8899aa', motif: kind === 'print' ? 'ripples' : 'plain',
      weight: chance.pick([120, 200, 240, 300]),
      upright: kind === 'print' && chance.yes(0.6),
      grain: chance.pick(['any', 'any', 'width', 'height']),
      folded: formats.length === 1 && chance.yes(0.3) ? chance.pick(['width', 'height']) : 'flat',
      pictures: formats.length === 1 && chance.yes(0.5)
        ? ['Heron', 'Reed', 'Otter'].slice(0, 1 + chance.below(3)).map(name => ({
            key: name.toLowerCase(), name, width: '1 in', height: '1 in', count: 1 + chance.below(6),
          }))
        : [],
      stocks: formats.map(([width = '', height = ''], format) => ({
        key: `${name.toLowerCase().slice(0, 4)}-${chance.below(90)}-${format}`, width, height, onHand: chance.below(9),
        pack: chance.pick([1, 1, 4, 25]),
        price: chance.yes(0.75) ? 20 + chance.below(80) : null,
      })),
      offcuts: chance.yes(0.3)
        ? [{ key: `left-${at}`, width: sizes[0]![0]!, height: sizes[0]![0]!, count: 1 + chance.below(2) }]
        : [],
      back: {
        differs: chance.yes(0.4), name: chance.yes(0.5) ? `${name} back` : '', colour: '#aa9988', motif: 'dots',
        scale: 'small', upright: kind === 'print' && chance.yes(0.4),
      },
    })
  })
}

/** A pad of some papers, which are sold in nothing else in its format. */
function padOf(papers: PaperEntry[], chance: Chance): PaperEntry {
  const held = chance.some(papers, 1, 3)
  const size = held[0]!.stocks[0]!
  for (const { stocks } of held)
    for (const stock of stocks) if (stock.width === size.width && stock.height === size.height) stock.price = null
  const holds = held.map(({ key }) => ({ key, count: 1 + chance.below(4) }))
  return plainPaper({
    key: 'pad', name: 'Pad', kind: 'pad', weight: 120, colour: '#8899aa', holds,
    stocks: [{ ...size, key: 'pad', onHand: 0, pack: holds.reduce((sum, { count }) => sum + count, 0), price: 900 }],
  })
}

/** Papers as pieces may be cut from them: either side of those that have two. */
const named = (papers: PaperEntry[]): string[] => papers.flatMap(({ key, kind, back }) =>
  (kind === 'pad' ? [] : back.differs ? [key, backOf(key)] : [key]))

/** What parts of a card are cut from: by kind mostly, now and then any paper, a pool, or nothing at all. */
function choices(pieces: Piece[], papers: PaperEntry[], pools: PoolEntry[], chance: Chance): Record<string, string> {
  const sides = named(papers)
  const ofKind = new Map(KINDS.map(kind => [kind, chance.pick(sides)]))
  const pool = chance.pick(pools)
  return Object.fromEntries(pieces.flatMap(({ key, kind }) => {
    if (chance.yes(0.01)) return []
    if ((kind === 'hidden' || kind === 'underlay') && chance.yes(0.5)) return [[key, ANY_SCRAP]]
    if ((kind === 'mat' || kind === 'plate') && chance.yes(0.5))
      return [[key, chance.yes(0.8) ? pool.key : chance.pick(pools).key]]
    return [[key, chance.yes(0.8) ? ofKind.get(kind) ?? '' : chance.pick(sides)]]
  }))
}

function randomCard(batch: Batch, chance: Chance, units: Units): CardEntry {
  const fold = chance.pick(FOLDS)
  const parameters = {
    ...('layers' in fold.parameters && chance.yes(0.4) && { layers: 'two' }),
    ...('hand' in fold.parameters && chance.yes(0.3) && { hand: 'mirrored' }),
    ...('decoration' in fold.parameters && chance.yes(0.3) && { decoration: 'sideways' }),
  }
  const card = { ...newCard(fold, { ...batch, papers: [] }, { parameters }), papers: {} }
  const dressed = chance.yes(0.6) ? { ...card, ...randomDressing(fold, card, units, chance) } : card
  const { pieces } = prepare({ ...batch, cards: [dressed] }).cards[0]!
  const papers = choices(pieces, batch.papers, batch.pools, chance)
  const bags = bagsOf(batch)
  const colourways = chance.yes(0.5)
    ? chance.some(['High water', 'Low water', 'Slack'], 2, 3).map((name, at): ColourwayEntry => ({
        key: `way-${at}`, name, kits: chance.yes(0.4) ? chance.below(4) : null,
        papers: Object.fromEntries(
          Object.entries(choices(pieces, batch.papers, batch.pools, chance)).filter(() => chance.yes(0.4)),
        ),
      }))
    : []
  return {
    ...dressed, papers, colourways,
    pictures: Object.fromEntries(pieces.flatMap(({ key }) =>
      (chance.yes(0.3) ? [[key, chance.pick(['heron', 'reed', 'otter'])]] : []))),
    parts: chance.yes(0.3)
      ? [...dressed.parts, { key: 'bought-envelope', hold: null, foam: '0 in', works: [newWork('work-1')] }]
      : dressed.parts,
    kits: chance.yes(0.6) ? null : chance.below(bags.length + 3),
    bags: chance.yes(0.3) ? chance.some(bags, 1, 2) : [],
  }
}

/** A class of any folds, dressed and made ready in any way; the same for the same number. */
export function randomClass(seed: number): Batch {
  const chance = chanceOf(seed)
  const units: Units = chance.pick(['inch', 'inch', 'metric'])
  const papers = unlikePapers(chance, units)
  const pools: PoolEntry[] = [0, 1].map(at => ({
    key: `${POOL_PREFIX}${at}`,
    name: `Pool ${at}`,
    papers: chance.some(
      named(papers.slice(3)), at === 0 ? 2 : 1, 4,
    ),
  }))
  const batch: Batch = {
    ...newClass({ title: 'Any evening', date: '2030-01-08', units, seats: 1 + chance.below(6), spares: chance.below(3),
      delivery: chance.yes(0.2) ? 'by post' : 'in person' }),
    papers: chance.yes(0.4) ? [...papers, padOf(papers, chance)] : papers, pools,
  }
  batch.sharing.surplus = chance.below(3)
  for (const rule of RULE_NAMES)
    batch.sharing[rule] = { hold: chance.pick(['wish', 'wish', 'free', 'must']), weight: chance.below(30) }
  for (const profile of batch.prep.profiles) {
    if (chance.yes(0.6))
      profile.levels = Object.fromEntries(KINDS.filter(() => chance.yes(0.4)).map(kind => [kind, chance.pick(LEVELS)]))
    if (chance.yes(0.4)) profile.more = { [chance.pick(KINDS)]: 1 + chance.below(2) }
  }
  for (let at = 1 + chance.below(3); at > 0; at--) {
    const card = randomCard(batch, chance, units)
    const isCopy = batch.cards.length > 0 && chance.yes(0.25)
    batch.cards.push({ ...card, key: `card-${at}`, title: `Card ${at}`, insteadOf: isCopy ? batch.cards[0]!.key : '' })
  }
  for (const key of chance.some(bagsOf(batch), 0, 4)) batch.roster.push(randomSeat(batch, key, chance))
  return batch
}
const LEVELS: readonly PrepLevel[] = PREP_LEVELS

function randomSeat(batch: Batch, key: string, chance: Chance) {
  const seat = newSeat(key)
  const card = chance.pick(batch.cards)
  const part = chance.pick(['', ...Object.keys(card.papers)])
  const pool = batch.pools.find(entry => entry.key === card.papers[part])
  return {
    ...seat,
    name: chance.yes(0.5) ? `Odd ${key}` : '',
    profile: chance.yes(0.5) ? chance.pick(batch.prep.profiles).key : '',
    online: chance.yes(0.2),
    colourways: card.colourways.length > 0 && chance.yes(0.5) ? { [card.key]: chance.pick(card.colourways).key } : {},
    prints: pool && chance.yes(0.5) ? { [`${card.key} ${part}`]: chance.pick(pool.papers) } : {},
  }
}

/**
 * The class some way into its cutting: layouts that are kept and cut, on the shelf or not, pieces spoiled and cut
 * wrong.
 */
export function halfCut(batch: Batch, outcomes: PaperOutcome[], seed: number): Batch {
  const chance = chanceOf(seed)
  const { units } = batch.class
  const cutting = outcomes.flatMap(({ paper, plan, entry }): CuttingEntry[] => {
    if (paper.key === ANY_SCRAP || chance.yes(0.3)) return []
    const layouts = plan.layouts.filter(() => chance.yes(0.6)).map((layout, at) => ({
      ...writeLayout(layout, `kept-${at}`, chance.below(layout.repeats + 1), entry.problem, units), shelved: false,
    }))
    const refs = entry.problem.demands.map(({ width, height, turn }) =>
      ({ width: writeLength(width, units), height: writeLength(height, units), turn }))
    const some = (share: number) => refs.filter(() => layouts.some(({ cut }) => cut > 0) && chance.yes(share))
    return [{
      ...newCutting(paper.key), layouts,
      spoiled: some(0.2).map(piece => ({ piece, count: 1 })),
      miscut: some(0.1).map(piece => ({ piece, count: 1, width: piece.width, height: piece.width })),
    }]
  })
  return { ...batch, cutting }
}

/** A class prepared and planned to the end, with prints shared out where there is a solver. */
export function planned(batch: Batch, solve?: Solve) {
  const preparation = solve ? prepareShared(batch, solve) : prepare(batch)
  return { preparation, outcomes: planAll(batch, preparation, solve) }
}

/** The same with the first plan that the planner shows, which takes a twentieth of the time. */
export function plannedAtOnce(batch: Batch) {
  const preparation = prepare(batch)
  const atOnce = (entry: PaperProblem) => {
    const { done, value } = planPaper(entry.problem).next()
    return outcomeOf(entry, [done ? value[0] : value.plan], batch)
  }
  const { outcomes, scrap } = planHidden(preparation, preparation.papers.map(atOnce), atOnce)
  return { preparation, outcomes: scrap ? [...outcomes, atOnce(scrap)] : outcomes }
}
