import { byKey, count } from '../lists'
import { lengthFrom } from '../lengths'
import type { Units } from '../lengths'
import type { ComingClass, Reserved, CutAtOnce } from '../reserved'
import { boughtFor, buyingOf, inPacks, shareOf } from '../reserved'
import type { PrintBlock, PrintSection } from './model'
import { sheetInWords, typesetSize } from './typeset'

/** What is bought for all classes that are coming up, by the day on which it is missing. */
export function buyingSection(
  reserved: readonly Reserved[], classes: readonly Pick<ComingClass, 'id' | 'title'>[],
  { units, money, day }: { units: Units, money: (cents: number) => string, day: (day: string) => string },
): PrintSection {
  const { lines, cents } = buyingOf(reserved)
  if (lines.length === 0)
    return { heading: 'What to buy', blocks: [{ kind: 'text', text: 'Nothing: everybody has theirs.' }] }
  const title = (id: number) => classes.find(one => one.id === id)?.title ?? ''
  const rows = lines.map((line): string[] => [
    '☐', lineName(line, units), howMany(line),
    boughtFor(line).map(({ class: id, count: number }) => `${number} ${title(id)}`).join(', '),
    line.by ? day(line.by) : '', line.cost === null ? 'not for sale' : money(line.cost),
  ])
  return {
    heading: 'What to buy',
    blocks: [
      { kind: 'text', text: `${count(lines.length, 'thing')} for ${money(cents)}.` },
      {
        kind: 'table', name: 'What to buy', head: ['', 'What', 'How many', 'For whom', 'By', 'Costs'], rows,
        numbers: [2, 5],
      },
    ],
  }
}

/** `8`, `8: 1 pack of 25`. */
const howMany = (line: Reserved): string => [line.toBuy, inPacks(line)].filter(Boolean).join(': ')

/** `Kelp, Letter`. */
const lineName = ({ name, width, height, sort }: Reserved, units: Units): string =>
  (sort === 'supply' ? name : `${name}, ${sheetInWords(lengthFrom(width, units), lengthFrom(height, units), units)}`)

/** Who gets how many of the pieces of a paper that is cut for several classes. */
export function sharesBlock(
  { entry, shares }: CutAtOnce, classes: readonly { id: number, title: string }[], units: Units,
): PrintBlock {
  return {
    kind: 'table', name: 'Packed apart', head: ['Piece', 'Width × height', ...classes.map(({ title }) => title)],
    rows: [...shares].map(([key, own]) => {
      const { width, height } = byKey(entry.problem.demands, key)
      return [entry.names.get(key) ?? key, typesetSize(width, height, units), ...classes.map(({ id }) =>
        String(shareOf(own, id) || ''))]
    }),
    numbers: classes.map((_, at) => at + 2),
  }
}
