import fc from 'fast-check'
import { produce } from 'immer'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import type { PrintBlock } from '.'
import { bagLabels, bagSection, handoutSection, kitLabels, packingSection, shoppingSection, typesetSize } from '.'
import { demoBatches } from '../../demo'
import { LEVEL_WORDS, prepare } from '../batch'
import { planAll } from '../plans'
import { kitsOfBatch, packedBags, piecesInBag, shoppingList, suppliesFor, weighedBags } from '../kits'
import { paperedCard } from '../batch/testing'
import { madeBy } from '../cutting'
import type { Batch } from '../document'
import { PREP_LEVELS, newSeat } from '../document'
import { bagsCsv } from '../exports'
import { FOLDS } from '../folds'
import { parseLength } from '../lengths'
import { tally } from '../lists'

const [, tide] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch]
const KINDS = ['base', 'insert', 'mat', 'message', 'plate', 'figure']

/** Classes of any folds, seats that are made ready in any way, prints out of a pool or not. */
const classes = fc.record({
  folds: fc.uniqueArray(fc.constantFrom(...FOLDS), { minLength: 1, maxLength: 3 }),
  seats: fc.integer({ min: 1, max: 6 }),
  spares: fc.integer({ min: 0, max: 2 }),
  units: fc.constantFrom('inch' as const, 'metric' as const),
  levels: fc.array(fc.dictionary(fc.constantFrom(...KINDS), fc.constantFrom(...PREP_LEVELS)), {
    minLength: 2, maxLength: 2,
  }),
  others: fc.array(fc.nat(7), { maxLength: 3 }),
  pooled: fc.boolean(),
}).map(({ folds, seats, spares, units, levels, others, pooled }) => produce(tide, (draft) => {
  Object.assign(draft.class, { seats, spares, units })
  draft.roster = []
  draft.cards = folds.map(fold => ({ ...paperedCard(fold, { ...tide, cards: [] }), kits: null }))
    .map((card, at) => ({ ...card, key: `card-${at}`, title: `Card ${at}` }))
  levels.forEach((own, at) => (draft.prep.profiles[at]!.levels = own))
  for (const at of new Set(others)) if (at < seats)
    draft.roster.push({ ...newSeat(`seat-${at + 1}`), profile: draft.prep.profiles[1]!.key })
  const pool = draft.pools[0]
  if (pooled && pool) for (const card of draft.cards) for (const [part, paper] of Object.entries(card.papers))
    if (pool.papers.includes(paper)) card.papers[part] = pool.key
}))

const flat = (blocks: PrintBlock[]): PrintBlock[] => blocks.flatMap(block =>
  block.kind === 'together'
    ? flat(block.blocks)
    : block.kind === 'side by side'
      ? block.cells.flatMap(flat)
      : [block],
)
const itemsOf = (blocks: PrintBlock[]) =>
  flat(blocks).flatMap(block => (block.kind === 'list' && block.mark === 'box' ? block.items : []))
const tablesOf = (blocks: PrintBlock[]) => flat(blocks).flatMap(block => (block.kind === 'table' ? [block] : []))
const sum = (numbers: number[]) => numbers.reduce((all, one) => all + one, 0)

/** Which size of which paper a printed line is about, whichever way the size is turned: `4 × 5 in, Fog`. */
function sizeIn(text: string, papers: string[]): string | undefined {
  const [, one = '', other = '', unit] = /(?:^|, )([^,×]+) × ([^,×]+)\u00a0(in|mm)\b/.exec(text) ?? []
  const paper = papers.find(name => text.split(', ').includes(name))
  return unit && paper ? `${[one, other].sort().join(' × ')} ${unit}, ${paper}` : undefined
}
const add = (to: Map<string, number>, key: string | undefined, count: number) =>
  key && to.set(key, (to.get(key) ?? 0) + count)
const countOf = (item: string) => Number(/^(\d+) × /.exec(item)?.[1] ?? 0)

describe('figures in print', () => {
  it('are those of the plan, on every list, label and hand-out and in the data', async () => {
    let compared = 0
    await fc.assert(fc.asyncProperty(classes, async (batch) => {
      const { units } = batch.class
      const prepared = prepare(batch)
      const outcomes = planAll(batch, prepared)
      const bags = packedBags(prepared)
      const papers = batch.papers.map(({ name }) => name)
      const each = bagSection(bags, units, true).blocks
      const isPiece = (item: string) => sizeIn(item, papers) !== undefined
      const lists = each[0]!.kind === 'side by side' ? each[0]!.cells.map(itemsOf) : []

      // Of each size of each paper as many as the plan cuts lie in all bags, by the lists and by the data.
      const planned = new Map<string, number>()
      for (const { paper, entry, plan } of outcomes) {
        const made = madeBy(plan.layouts)
        const short = tally(plan.unplaced, ({ demand }) => demand, ({ quantity }) => quantity)
        for (const { key, width, height } of entry.problem.demands) {
          const size = sizeIn(`${typesetSize(width, height, units, true)}, ${paper.name}`, papers)
          add(planned, size, (made.get(key) ?? 0) + (short.get(key) ?? 0))
        }
      }
      const [listed, written] = [new Map<string, number>(), new Map<string, number>()]
      for (const item of lists.flat()) add(listed, sizeIn(item, papers), countOf(item))
      const { data } = Papa.parse<Record<string, string>>(await bagsCsv(bags, units), {
        header: true, skipEmptyLines: true,
      })
      for (const { Width = '', Height = '', Paper, State, Count } of data) {
        const size = [Width, Height]
          .map(text => parseLength(text.replace('≈', ''), units))
          .flatMap(read => (read.ok ? [read.length] : []))
        if (size.length === 2 && State !== LEVEL_WORDS.brought)
          add(written, sizeIn(`${typesetSize(size[0]!, size[1]!, units, true)}, ${Paper}`, papers), Number(Count))
      }
      expect([...written].sort()).toEqual([...listed].sort())
      // A matched pair lies in the bag as two pieces and is cut as one.
      if (!prepared.cards.some(({ pieces }) => pieces.some(({ pair }) => pair !== undefined))) {
        expect([...planned].sort()).toEqual([...listed].sort())
        compared += planned.size
      }

      // Bag by bag the packing check counts what the list and the hand-outs hold; what is put on already no hand-out
      // hands out.
      const checks = tablesOf(packingSection(bags, weighedBags(prepared), piecesInBag).blocks)[0]!.rows
      const packed = bags.filter(({ kits }) => kits.length > 0)
      packed.forEach((bag, at) => {
        const pieces = Number(checks[at]![2])
        expect([bag.key, sum(lists[bags.indexOf(bag)]!.filter(isPiece).map(countOf))]).toEqual([bag.key, pieces])
        const shown = bag.kits.flatMap(kit => itemsOf(handoutSection(kit, bag, units).flatMap(({ blocks }) => blocks)))
        const done = bag.kits
          .flatMap(kit => kit.pieces)
          .filter(({ level }) => level === 'assembled')
          .map(({ count }) => count)
        expect([bag.key, sum(shown.filter(isPiece).map(countOf))]).toEqual([bag.key, pieces - sum(done)])
      })
      expect([bagLabels(bags, batch, '').length, kitLabels(bags).length]).toEqual([
        packed.length, sum(bags.map(({ kits }) => kits.length)),
      ])

      // Sheets that have to be bought are those of the plans.
      const kits = kitsOfBatch(batch, prepared, outcomes)
      const groups = shoppingList(batch, kits, suppliesFor(prepared))
      const rows = tablesOf(shoppingSection(groups, kits, units, String).blocks).flatMap(({ rows }) => rows)
      for (const { paper, sheets, plan } of outcomes) {
        const lines = rows.filter(([, what]) => what!.startsWith(`${paper.name}, `))
        if (sheets.length === 1 && lines.length > 0) expect(lines.map(row => parseInt(row[2]!))).toEqual([plan.sheets])
        else if (sheets.length === 1) expect(plan.sheets).toBeLessThanOrEqual(sheets[0]!.onHand)
      }
    }), { numRuns: 16, seed: 11 })
    expect(compared).toBeGreaterThan(60)
  }, 120_000)
})
