import type { Bag } from '../kits'
import { bagLabel } from '../batch'
import type { Batch, LabelsEntry } from '../document'
import { lengthFrom, millimetres } from '../lengths'

/** What stands on a label: its first line large. */
export type LabelText = string[]

/** A label in its place on a sheet. Points from the upper left corner. */
export interface PlacedLabel {
  x: number
  y: number
  width: number
  height: number
  lines: LabelText
}

const INCH = lengthFrom('1 in')
const points = (text: string): number => (lengthFrom(text) / INCH) * 72
/** Points. */
export const PAGES = {
  LETTER: { width: 612, height: 792 }, A4: { width: (210 / 25.4) * 72, height: (297 / 25.4) * 72 },
}
/** So much may be wrong with what is measured off a sheet of labels. */
const SLACK = (millimetres(0.5) / INCH) * 72

/** What is wrong with a grid of labels: it does not fit on its sheet. */
export function labelProblem(labels: LabelsEntry): string | undefined {
  const page = PAGES[labels.paper]
  const wide
    = points(labels.left) + labels.columns * points(labels.width) + (labels.columns - 1) * points(labels.across)
  const high = points(labels.top) + labels.rows * points(labels.height) + (labels.rows - 1) * points(labels.down)
  const name = labels.paper === 'A4' ? 'A4' : 'Letter'
  if (wide > page.width + SLACK)
    return `${labels.columns} labels with their gaps are wider than ${name}: make them narrower, or fewer across.`
  if (high > page.height + SLACK)
    return `${labels.rows} labels with their gaps are higher than ${name}: make them lower, or fewer down.`
  return undefined
}

/**
 * Labels on their sheets, row by row.
 * @param used labels of the first sheet that are gone already
 */
export function labelSheets(labels: LabelsEntry, texts: LabelText[], used = 0): PlacedLabel[][] {
  const each = labels.columns * labels.rows
  const sheets: PlacedLabel[][] = []
  texts.forEach((lines, index) => {
    const place = index + Math.min(used, each - 1)
    const [sheet, cell] = [Math.floor(place / each), place % each]
    const [row, column] = [Math.floor(cell / labels.columns), cell % labels.columns]
    const on = sheets[sheet] ?? []
    sheets[sheet] = on
    on.push({
      x: points(labels.left) + column * (points(labels.width) + points(labels.across)),
      y: points(labels.top) + row * (points(labels.height) + points(labels.down)),
      width: points(labels.width),
      height: points(labels.height),
      lines,
    })
  })
  return sheets
}

/** One label for every bag that something is in: whose it is, the class, and its cards in their colourways. */
export const bagLabels = (bags: Bag[], { class: { title } }: Pick<Batch, 'class'>, day: string): LabelText[] =>
  bags.filter(({ kits }) => kits.length > 0).map(({ key, seat, kits }) => [
    seat.name || bagLabel(key),
    [...(seat.name ? [bagLabel(key)] : []), title, day].join(' · '),
    kits
      .map(({ card, colourway }) => (colourway ? `${card.entry.title}, ${colourway.name}` : card.entry.title))
      .join('; '),
  ])

/** One label for every kit, for bags in the bag: the card, its colourway and whose it is. */
export const kitLabels = (bags: Bag[]): LabelText[] =>
  bags.flatMap(({ key, seat, kits }) => kits.map(({ card, colourway }) => [
    card.entry.title, ...(colourway ? [colourway.name] : []), [bagLabel(key), seat.name].filter(Boolean).join(', '),
  ]))
