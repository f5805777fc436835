import type { PaperOutcome } from '../plans'
import { proofOf } from '../plans'
import type { BenchStep, Cutter, KeyedLayout, Supply } from '../cutting'
import { countsOf, heldInWords, leavesOf, pileInWords, takenInWords, wholeMinutes, lettersOf } from '../cutting'
import { byKey, count, itemAt } from '../lists'
import type { OrderTogether, StepTogether } from '../together'
import { lotsInWords, papersInWords, partsInWords, placeLetters, placeNames, sheetsIn } from '../together'
import type { Units } from '../lengths'
import type { Paper } from '../paper'
import type { Drawing, PrintBlock, PrintSection } from './model'
import { drawing, hatching, line, rectangle, text } from './svg'
import { sheetInWords, typeset, typesetSize } from './typeset'

/** What is said of a sheet that is cut from, by its name where it has one. */
function supplyInWords(
  { kind, width, height }: Pick<Supply, 'kind' | 'width' | 'height'>, units: Units, from?: string,
): string {
  const size = sheetInWords(width, height, units)
  return kind === 'sheet' ? size : from ? `leftover of ${from}, ${size}` : `${kind} ${size}`
}

/** The section of one paper: layouts in outline with letters, their key, and the order of cuts. */
export function cuttingSection(outcome: PaperOutcome, units: Units): PrintSection {
  const { paper, plan, entry, settings, minutes, steps } = outcome
  const { cutter, supplies } = entry.problem
  const letters = lettersOf(plan.layouts, cutter.kerf)
  const drawings = plan.layouts.map((layout, index) => {
    const supply = byKey(supplies, layout.supply)
    const source = entry.paperOf?.get(layout.supply)
    const name = plan.layouts.length > 1 ? `Sheet ${index + 1}: ` : ''
    const title = `${name}${layout.repeats} × ${supplyInWords(supply, units, source?.name)}`
    return sheetDrawing({ layout, supply, cutter, letters, units, paper: source ?? paper, title })
  })
  const demands = [...letters].map(([key, letter]) => {
    const demand = byKey(entry.problem.demands, key)
    const made = plan.layouts.reduce((sum, { root, repeats }) => sum + (countsOf(root).get(key) ?? 0) * repeats, 0)
    const belongs = entry.belongs.get(key)
    const name = `${entry.names.get(key) ?? key}${belongs ? `: ${belongs}` : ''}`
    return [letter, name, typesetSize(demand.width, demand.height, units), String(made)]
  })
  const missing = plan.unplaced.map(({ demand, quantity, reason }): PrintBlock => ({
    kind: 'text',
    strong: true,
    text: `Missing: ${quantity} × ${entry.names.get(demand) ?? demand}. ${reason}`,
  }))
  if (plan.layouts.length === 0) {
    const words = missing.length > 0 ? [] : [{ kind: 'text' as const, text: 'Everything of this paper is cut.' }]
    return { heading: paper.name, blocks: [...words, ...missing] }
  }
  const work = steps.length === 0
    ? 'No cut is needed: every piece is a whole sheet.'
    : `${count(settings, 'setting')} of the fence, about ${wholeMinutes(minutes)} min. Stacks of at most ${cutter.stack}.`
  return {
    heading: paper.name,
    blocks: [
      { kind: 'text', text: `${proofOf(outcome)}. ${work}` },
      ...missing,
      ...laidOut(drawings, [
        {
          kind: 'table', name: `Pieces of ${paper.name}`, head: ['', 'Piece', 'Width × height', 'Number'],
          rows: demands, numbers: [3],
        },
        ...(steps.length === 0 ? [] : [stepTable(steps, letters, units, paper)]),
      ]),
    ],
  }
}

/**
 * The section of an order of cuts for several papers: stacks in outline with letters and what lies in them, and the
 * order by setting of the fence.
 * @param heading what it is called where there are several
 */
export function orderSection(order: OrderTogether, units: Units, heading: string): PrintSection {
  const { stacks, steps, settings, minutes, apart } = order
  if (stacks.length === 0) return { heading, blocks: [{ kind: 'text', text: 'Everything is cut.' }] }
  const { cutter } = itemAt(itemAt(stacks, 0).members, 0).of.problem
  const letters = placeLetters(stacks, cutter.kerf)
  const names = placeNames(stacks)
  const drawings = stacks.map((stack, at) => sheetDrawing({
    layout: { key: stack.key, supply: stack.key, root: stack.root, repeats: sheetsIn(stack) },
    supply: { key: stack.key, ...stack.supply, onHand: 0, price: null },
    cutter, letters, units, paper: { upright: false },
    title: `Sheet ${at + 1}: ${sheetsIn(stack)} × ${supplyInWords(stack.supply, units)}, `
      + papersInWords(stack.members),
  }))
  const work = steps.length === 0
    ? 'No cut is needed: every piece is a whole sheet.'
    : `${count(settings, 'setting')} of the fence, about ${wholeMinutes(minutes)} min; each paper by itself `
      + `${count(apart.settings, 'setting')}, about ${wholeMinutes(apart.minutes)} min.`
  return {
    heading,
    blocks: [
      { kind: 'text', text: work },
      { kind: 'drawings', drawings },
      {
        kind: 'table', name: `Pieces of ${heading}`, head: ['', 'Piece'],
        rows: [...letters].map(([place, letter]) => [letter, names.get(place) ?? place]),
      },
      ...(steps.length === 0 ? [] : [stepTable(steps, letters, units, { name: heading })]),
    ],
  }
}

/** More steps than this take the whole width of a page. */
const FEW_STEPS = 12

/** One drawing stands beside its tables where they are short: two papers and more go on a page then. */
function laidOut(drawings: Drawing[], tables: Extract<PrintBlock, { kind: 'table' }>[]): PrintBlock[] {
  const rows = tables.reduce((sum, table) => sum + table.rows.length, 0)
  if (drawings.length > 1 || rows > FEW_STEPS) return [{ kind: 'drawings', drawings }, ...tables]
  return [{ kind: 'side by side', cells: [[{ kind: 'drawings', drawings }], tables] }]
}

/** The order of cuts; a fence that stays where it is is not said again. */
function stepTable(
  steps: readonly (BenchStep | StepTogether)[],
  letters: ReadonlyMap<string, string>,
  units: Units,
  { name }: Pick<Paper, 'name'>,
): Extract<PrintBlock, { kind: 'table' }> {
  const pile = (pile: BenchStep['keep'], papers = '') =>
    pileInWords(pile, (pile.demand && letters.get(pile.demand)) ?? pile.name)
    + (papers && pile.kind !== 'waste' ? ` (${papers})` : '')
  const notes = ({ reading, byKnife }: BenchStep) => [
    ...(reading.from === 'far' ? [`set ${typeset(reading.at, units)} from the other edge`] : []),
    ...(reading.from === 'between' ? [`between marks, nearest ${typeset(reading.at, units)}`] : []),
    ...(byKnife ? ['longer than the trimmer: knife and steel ruler'] : []),
  ]
  return {
    kind: 'table',
    name: `Order of cuts of ${name}`,
    head: ['Cut', 'Fence', 'What', 'Done'],
    rows: steps.map((step, index) => {
      const moved = index === 0 || steps[index - 1]?.fence !== step.fence
      const turn = step.turn ? 'turn: ' : ''
      const parts = 'held' in step ? step : undefined
      const rest = step.rest ? `, ${pile(step.rest, parts && partsInWords(parts.left))} remains` : ''
      const lies = parts ? lotsInWords(parts.lots) : ''
      const more = notes(step).map(note => ` (${note})`).join('')
      const cuts = `${count(step.cuts, 'cut')} along the ${step.side}`
      const from = takenInWords(step)
      const papers = parts ? ` (${papersInWords(parts.held)})` : ''
      const size = typesetSize(step.size.width, step.size.height, units)
      const held = `${heldInWords(step)}${papers}${from && ` ${from}`}, ${size}`
      const words = `${turn}${held}: ${cuts} → ${pile(step.keep, parts && partsInWords(parts.kept))}${rest}${more}`
        + (lies && `. Under the blade: ${lies}`)
      return [String(index + 1), moved ? typeset(step.fence, units) : 'same', words, '☐']
    }),
  }
}

interface SheetDrawing {
  layout: KeyedLayout
  supply: Supply
  cutter: Cutter
  letters: ReadonlyMap<string, string>
  units: Units
  paper: Pick<Paper, 'upright'>
  title: string
}
/** Points: the widest and the highest drawing, room for measures along two edges. */
const BOX = { width: 236, height: 236 }
const EDGE = 22

/**
 * One layout in outline: letters and sizes, offcuts hatched, waste crossed, a light hatch where the print has a right
 * way up.
 */
function sheetDrawing({ layout, supply, cutter, letters, units, paper, title }: SheetDrawing): Drawing {
  const scale = Math.min((BOX.width - EDGE) / supply.width, (BOX.height - EDGE) / supply.height)
  const [width, height] = [supply.width * scale, supply.height * scale]
  const [left, top] = [EDGE, EDGE]
  const px = (value: number) => value * scale
  const content: string[] = []
  if (paper.upright)
    for (let x = 9; x < width; x += 9)
      content.push(line(left + x, top, left + x, top + height, 0.3, ' stroke-opacity="0.25"'))
  for (const leaf of leavesOf(layout.root, cutter.kerf)) {
    const [x, y, w, h] = [left + px(leaf.x), top + height - px(leaf.y + leaf.height), px(leaf.width), px(leaf.height)]
    if (leaf.node.kind === 'offcut') content.push(hatching(x, y, w, h))
    if (leaf.node.kind === 'waste' && Math.min(w, h) > 6)
      content.push(line(x, y, x + w, y + h, 0.3), line(x + w, y, x, y + h, 0.3))
    content.push(rectangle(x, y, w, h))
    if (leaf.node.kind === 'piece')
      content.push(...labelled(letters.get(leaf.node.demand) ?? '', leaf, { x, y, w, h }, units))
    else if (leaf.node.kind === 'offcut' && w > 46 && h > 14)
      content.push(text(x + w / 2, y + h / 2 + 3, typesetSize(leaf.width, leaf.height, units), { size: 8 }))
  }
  content.push(rectangle(left, top, width, height, 1.3))
  content.push(...edges({ layout, cutter, units, left, top, height, px }))
  if (paper.upright)
    content.push(text(left + width - 2, top + height + 9, 'print stands this way up ↑', { size: 7, anchor: 'end' }))
  return drawing(title, left + width + 2, top + height + (paper.upright ? 12 : 3), content)
}

/** The letter of a piece as large as it fits, and its size where there is room. */
function labelled(
  letter: string,
  leaf: { width: Supply['width'], height: Supply['height'] },
  { x, y, w, h }: { x: number, y: number, w: number, h: number },
  units: Units,
): string[] {
  const size = Math.max(6, Math.min(15, Math.min(w, h) * 0.6))
  const words = typesetSize(leaf.width, leaf.height, units)
  const lies = w > words.length * 3.6 + 4 && h > size + 12
  const stands = !lies && h > words.length * 3.6 + size + 6 && w > 12
  const middle = [x + w / 2, y + h / 2] as const
  if (lies) return [text(middle[0], middle[1], letter, { size, bold: true }), text(middle[0], middle[1] + 10, words)]
  if (stands)
    return [
      text(middle[0], y + size + 1, letter, { size: Math.min(size, w * 0.9), bold: true }),
      text(middle[0] + 3, y + size + (h - size) / 2, words, { upright: true }),
    ]
  return [text(middle[0], middle[1] + size * 0.35, letter, { size, bold: true })]
}

/** What the first cuts measure, along the edge they are made from. */
function edges({ layout: { root }, cutter, units, left, top, height, px }: {
  layout: KeyedLayout
  cutter: Cutter
  units: Units
  left: number
  top: number
  height: number
  px: (value: number) => number
}): string[] {
  if (root.kind !== 'cut' || root.parts.length < 2) return []
  let at = 0
  return root.parts.flatMap((part) => {
    const size = part[root.side]
    const middle = px(at + size / 2)
    at += size + cutter.kerf
    if (px(size) < 16 || part.kind === 'waste') return []
    const words = typeset(size, units)
    return [root.side === 'width'
      ? text(left + middle, top - 5, words)
      : text(left - 6, top + height - middle, words, { upright: true })]
  })
}
