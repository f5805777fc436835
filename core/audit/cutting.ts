import type { Batch, TreeEntry } from '../document'
import { ANY_SCRAP } from '../document'
import { lengthFrom } from '../lengths'
import { dueIn, isCut, sheetKey, turnFor } from './bags'
import type { Audited, Disagreement, SaidCutting, SaidKit, SaidTree } from './model'

/* What must be cut from each paper so that every kit is complete, and whether the plans cut it. */

type Counts = Map<string, number>
const count = (counts: Counts, key: string, number: number) => counts.set(key, (counts.get(key) ?? 0) + number)

/** Size and how it may lie: what tells pieces apart that are cut as one. */
const sizeKey = (width: number, height: number, turn: string) => `${width} × ${height} ${turn}`

/** What all kits take of each paper, by its key. */
export function wantedOf({ batch, recipes, said: { bags, over } }: Audited): Map<string, Counts> {
  const wanted = new Map<string, Counts>()
  const add = (side: string, size: string, number: number) => {
    // Both sides of a paper are cut from the same sheets.
    const paper = sheetKey(side)
    const counts = wanted.get(paper) ?? new Map<string, number>()
    wanted.set(paper, counts)
    count(counts, size, number)
  }
  /** Pictures that are cut out, by the paper and the picture. */
  const pictures = new Map<string, Counts>()
  const ofKit = (kit: SaidKit, bag?: string) => {
    for (const { paper, width, height, turn } of kit.strips) add(paper, sizeKey(width, height, turn), 1)
    const due = dueIn(batch, recipes, kit, bag).filter(({ level, part }) => isCut(level) && part.outOf === undefined)
    const paperOf = (key: string) => kit.pieces.find(piece => piece.key === key)?.paper
    const left = new Map(due.map(({ part, count }) => [part.key, count]))
    for (const one of due) {
      const other = due.find(half => half !== one && half.part.pair !== undefined && half.part.pair === one.part.pair)
      const paper = paperOf(one.part.key)
      if (!paper) continue
      const picture = pictureOf(batch, kit.card, one.part.key, paper, one.choice)
      if (picture !== undefined) {
        const counts = pictures.get(paper) ?? new Map<string, number>()
        pictures.set(paper, counts)
        count(counts, picture, one.count)
        continue
      }
      const turn = turnFor(batch, paper, one.part)
      const isPair = other && paperOf(other.part.key) === paper && other.choice === one.choice
        && pictureOf(batch, kit.card, other.part.key, paper, other.choice) === undefined
        && other.part.height === one.part.height && turnFor(batch, paper, other.part) === turn
        && due.filter(({ part }) => part.pair === one.part.pair).length === 2
      // Both halves lie side by side in one blank as often as there are two; the pair is counted at the first of them.
      const isFirst = isPair && due.indexOf(one) < due.indexOf(other)
      const pairs = isFirst ? Math.min(left.get(one.part.key) ?? 0, left.get(other.part.key) ?? 0) : 0
      if (other && pairs > 0) {
        add(paper, sizeKey(one.part.width + other.part.width, one.part.height, turn), pairs)
        for (const { part } of [one, other]) left.set(part.key, (left.get(part.key) ?? 0) - pairs)
      }
      const alone = left.get(one.part.key) ?? 0
      if (alone > 0) add(paper, sizeKey(one.part.width, one.part.height, turn), alone)
    }
  }
  for (const { bag, kits } of bags) for (const kit of kits) ofKit(kit, bag)
  for (const kit of over) ofKit(kit)
  // A sheet gives so many of each of its pictures, and is taken whole.
  for (const [key, counts] of pictures) {
    const paper = batch.papers.find(entry => entry.key === key)
    const [format] = paper?.stocks ?? []
    if (!paper || !format) continue
    const margin = paper.folded === 'flat' ? 2 * lengthFrom(batch.tools.squaring) : 0
    let sheets = 0
    for (const { key: picture, count: each } of paper.pictures)
      while (sheets * each < (counts.get(picture) ?? 0)) sheets++
    add(key, sizeKey(lengthFrom(format.width) - margin, lengthFrom(format.height) - margin, 'as drawn'), sheets)
  }
  return wanted
}

/** The picture that a part is cut out of, where its paper, chosen by name, shows it. */
function pictureOf(batch: Batch, card: string, part: string, paper: string, choice: string): string | undefined {
  const wanted = batch.cards.find(({ key }) => key === card)?.pictures[part]
  const entry = batch.papers.find(({ key }) => key === paper)
  const isShown = entry && entry.stocks.length > 0 && entry.pictures.some(({ key }) => key === wanted)
  return isShown && choice === paper ? wanted : undefined
}

/** Pieces of a cut tree as the plans have them, so often. */
function piecesIn(tree: SaidTree, times: number, into: Counts): void {
  if (tree.kind === 'cut') for (const part of tree.parts ?? []) piecesIn(part, times, into)
  else if (tree.kind === 'piece' && tree.demand !== undefined) count(into, tree.demand, times)
}

/** What a plan gives by size: all pieces of its layouts, and those that it says it cannot place. */
function givenBy({ asked, layouts, unplaced }: SaidCutting): Counts {
  const sizes = new Map(asked.map(({ key, width, height, turn }) => [key, sizeKey(width, height, turn)]))
  const given: Counts = new Map()
  for (const { root, repeats } of layouts) {
    const own: Counts = new Map()
    piecesIn(root, repeats, own)
    for (const [key, number] of own) count(given, sizes.get(key) ?? key, number)
  }
  for (const { demand, quantity } of unplaced) count(given, sizes.get(demand) ?? demand, quantity)
  return given
}

/** Pieces of a tree as the document keeps them. */
function piecesKept(tree: TreeEntry, times: number, into: Counts): void {
  for (const part of tree.parts ?? []) piecesKept(part, times, into)
  if (tree.piece) count(into, refKey(tree.piece), times)
}
const refKey = ({ width, height, turn }: { width: string, height: string, turn: string }) =>
  sizeKey(lengthFrom(width), lengthFrom(height), turn)

/**
 * What the document says is cut of a paper and fit for use: without layouts that are of other pieces, and what was
 * spoiled.
 */
function cutAlready({ cutting }: Batch, paper: string, known: ReadonlySet<string>) {
  const [cut, lost]: [Counts, Counts] = [new Map(), new Map()]
  const sheets = new Map<string, { cut: number, unshelved: number }>()
  const entry = cutting.find(one => one.paper === paper)
  for (const { tree, cut: done, repeats, supply, shelved, from } of entry?.layouts ?? []) {
    const own: Counts = new Map()
    piecesKept(tree, Math.min(done, repeats), own)
    if (done === 0 || [...own.keys()].some(key => !known.has(key))) continue
    for (const [key, number] of own) count(cut, key, number)
    if (from !== 'sheet') continue
    const before = sheets.get(supply) ?? { cut: 0, unshelved: 0 }
    const times = Math.min(done, repeats)
    sheets.set(supply, { cut: before.cut + times, unshelved: before.unshelved + (shelved ? 0 : times) })
  }
  for (const { piece, count: number } of entry?.spoiled ?? []) count(lost, refKey(piece), number)
  for (const { piece, count: number } of entry?.miscut ?? []) count(lost, refKey(piece), number)
  return { cut, lost, sheets }
}

/** What one paper gives by its plan, and what is wrong with that. */
function paperDisagreements(
  batch: Batch, wanted: Counts, scrap: Counts, said: SaidCutting,
): { found: Disagreement[], over: Counts } {
  const name = batch.papers.find(({ key }) => key === said.paper)?.name ?? said.paper
  const found: Disagreement[] = []
  const wrong = (problem: string) => found.push({ where: `Cutting of ${name}`, problem })
  const planned: Counts = new Map()
  for (const { width, height, turn, quantity } of said.wanted) count(planned, sizeKey(width, height, turn), quantity)
  for (const key of new Set([...planned.keys(), ...wanted.keys()])) {
    const [has, due] = [planned.get(key) ?? 0, wanted.get(key) ?? 0]
    if (has !== due) wrong(`asks for ${has} of ${inWords(key)}, and the bags take ${due}`)
  }
  const made = givenBy(said)
  for (const { root } of said.layouts) found.push(...misplaced(root, said, `Cutting of ${name}`))
  const { cut, lost } = cutAlready(batch, said.paper, new Set([...wanted.keys(), ...scrap.keys()]))
  const over: Counts = new Map()
  for (const key of new Set([...wanted.keys(), ...made.keys(), ...cut.keys()])) {
    const needed = Math.max(
      0, (wanted.get(key) ?? 0) - (cut.get(key) ?? 0) + (wanted.has(key) ? (lost.get(key) ?? 0) : 0),
    )
    const gives = made.get(key) ?? 0
    if (gives < needed) wrong(`cuts ${gives} of ${inWords(key)}, and ${needed} are missing`)
    // What is beyond may be hidden parts that scrap would do for.
    if (gives > needed || !wanted.has(key)) over.set(key, gives - needed + (wanted.has(key) ? 0 : cut.get(key) ?? 0))
  }
  return { found: [...found, ...suppliesUsed(batch, said, name)], over }
}

/** A piece on a sheet has the size that its demand says, and lies the way that its print allows. */
function misplaced(tree: SaidTree, said: SaidCutting, where: string): Disagreement[] {
  if (tree.kind === 'cut') return (tree.parts ?? []).flatMap(part => misplaced(part, said, where))
  if (tree.kind !== 'piece') return []
  const asked = said.asked.find(({ key }) => key === tree.demand)
  if (!asked) return [{ where, problem: 'a layout holds a piece that nobody asked for' }]
  const [width, height] = tree.turned ? [asked.height, asked.width] : [asked.width, asked.height]
  if (tree.width !== width || tree.height !== height)
    return [{ where, problem: 'a piece on a layout has another size than was asked for' }]
  const isAllowed = asked.turn === 'either' || (asked.turn === 'turned') === tree.turned
  return isAllowed ? [] : [{ where, problem: 'a piece lies across the direction of its print' }]
}

/** No more is cut from than there is, where none can be bought. */
function suppliesUsed(batch: Batch, { layouts, supplies }: SaidCutting, name: string): Disagreement[] {
  return supplies.flatMap(({ key, onHand, isForSale }): Disagreement[] => {
    const used = layouts.filter(({ supply }) => supply === key).reduce((sum, { repeats }) => sum + repeats, 0)
    return !isForSale && used > onHand
      ? [
          {
            where: `Cutting of ${name}`,
            problem: `takes ${used} of what there are ${onHand} of, and none can be bought`,
          },
        ]
      : []
  })
}

const inWords = (key: string): string => key.replace(/(\d+) × (\d+)/, (_, width: string, height: string) =>
  `${Number(width) / 1_000_000} × ${Number(height) / 1_000_000} mm`)

/** What the plans of all papers give beside what the bags take. */
export function cuttingDisagreements(audited: Audited): Disagreement[] {
  const { batch, said: { papers, scrap } } = audited
  const wanted = wantedOf(audited)
  const hidden = wanted.get(ANY_SCRAP) ?? new Map<string, number>()
  const found: Disagreement[] = []
  const fromOthers: Counts = new Map()
  for (const said of papers) {
    const answer = paperDisagreements(batch, wanted.get(said.paper) ?? new Map(), hidden, said)
    found.push(...answer.found)
    for (const [key, number] of answer.over) count(fromOthers, key, number)
  }
  for (const [paper, counts] of wanted) {
    if (paper === ANY_SCRAP || papers.some(said => said.paper === paper) || counts.size === 0) continue
    found.push({ where: `Cutting of ${paper}`, problem: 'is not planned, and bags hold pieces of it' })
  }
  const made: Counts = new Map(fromOthers)
  if (scrap) for (const [key, number] of givenBy(scrap)) count(made, key, number)
  for (const [key, due] of hidden) {
    const gives = made.get(key) ?? 0
    if (gives < due)
      found.push({ where: 'Any scrap', problem: `gives ${gives} of ${inWords(key)}, and the bags take ${due}` })
  }
  return found
}

/** Whether two sheet formats measure the same. */
function isAsLarge(one: { width: string, height: string }, other?: { width: string, height: string }): boolean {
  return other !== undefined && lengthFrom(one.width) === lengthFrom(other.width)
    && lengthFrom(one.height) === lengthFrom(other.height)
}

/** The shopping list asks for the sheets that the plans open and the shelf does not hold. */
export function sheetDisagreements(audited: Audited): Disagreement[] {
  const { batch, said: { papers, purchases } } = audited
  const wanted = wantedOf(audited)
  const hidden = [...wanted.get(ANY_SCRAP)?.keys() ?? []]
  return papers.flatMap(({ paper, layouts }) => {
    const entry = batch.papers.find(({ key }) => key === paper)
    const { sheets } = cutAlready(batch, paper, new Set([...wanted.get(paper)?.keys() ?? [], ...hidden]))
    return (entry?.stocks ?? []).flatMap(({ key, onHand, pack, price }): Disagreement[] => {
      const opened = layouts.filter(({ supply }) => supply === key).reduce((sum, { repeats }) => sum + repeats, 0)
      const { cut, unshelved } = sheets.get(key) ?? { cut: 0, unshelved: 0 }
      const line = purchases.find(({ sort, item, stock }) => sort === 'paper' && item === paper && stock === key)
      const lacks = Math.max(0, opened - Math.max(0, onHand - unshelved))
      // What has no price of its own and lies in a pad is bought with the pad.
      const inPad = price === null && batch.papers.some(({ kind, holds, stocks: [format] }) =>
        kind === 'pad' && format !== undefined && format.price !== null && holds.some(sheet => sheet.key === paper)
        && isAsLarge(format, entry?.stocks.find(stock => stock.key === key)))
      const toBuy = inPad ? 0 : Math.ceil(lacks / pack)
      const said = [line?.needed ?? 0, line?.toBuy ?? 0]
      if (said[0] === opened + cut && said[1] === toBuy) return []
      const due = `instead of ${opened + cut} and ${toBuy}`
      return [{ where: 'Shopping list', problem: `${entry?.name}: ${said[0]} needed and ${said[1]} to buy ${due}` }]
    })
  })
}
