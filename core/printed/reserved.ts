import { byKey, count } from '../lists'
import { lengthFrom } from '../lengths'
import type { Units } from '../lengths'
import type { ComingClass, Reserved, CutAtOnce } from '../reserved'
import type { PrintBlock, PrintSection } from './model'
import { sheetInWords, typesetSize } from './typeset'

/** What is bought for all classes that are coming up, by the day on which it is missing. */
export function buyingSection(
  reserved: readonly Reserved[], classes: readonly Pick<ComingClass, 'id' | 'title'>[],
  { units, money, day }: { units: Units, money: (cents: number) => string, day: (day: string) => string },
): PrintSection {
  const lines = reserved.filter(({ toBuy, pad }) => toBuy > 0 && pad === undefined)
  if (lines.length === 0)
    return { heading: 'What to buy', blocks: [{ kind: 'text', text: 'Nothing: everybody has theirs.' }] }
  const title = (id: number) => classes.find(one => one.id === id)?.title ?? ''
  const rows = lines.map((line): string[] => [
    '☐', lineName(line, units), howMany(line),
    line.takes.filter(({ short, ordered }) => short > ordered)
      .map(({ class: id, short, ordered }) => `${short - ordered} ${title(id)}`).join(', '),
    line.by ? day(line.by) : '', line.cost === null ? 'not for sale' : money(line.cost),
  ])
  const sum = lines.reduce((total, { cost }) => total + (cost ?? 0), 0)
  return {
    heading: 'What to buy',
    blocks: [
      { kind: 'text', text: `${count(lines.length, 'thing')} for ${money(sum)}.` },
      {
        kind: 'table', name: 'What to buy', head: ['', 'What', 'How many', 'For whom', 'By', 'Costs'], rows,
        numbers: [2, 5],
      },
    ],
  }
}

/** `8`, `8: 1 pack of 25`. */
const howMany = ({ toBuy, pack }: Reserved): string =>
  (pack > 1 ? `${toBuy}: ${count(Math.ceil(toBuy / pack), 'pack')} of ${pack}` : String(toBuy))

/** `Kelp, Letter`. */
function lineName({ name, width, height, sort }: Pick<Reserved, 'name' | 'width' | 'height' | 'sort'>,
  units: Units): string {
  if (sort === 'supply') return name
  const size = sheetInWords(lengthFrom(width, units), lengthFrom(height, units), units)
  return `${name}, ${sort === 'offcut' ? `offcut ${size}` : size}`
}

/** Who gets how many of the pieces of a paper that is cut for several classes. */
export function sharesBlock(
  { entry, shares }: CutAtOnce, classes: readonly { id: number, title: string }[], units: Units,
): PrintBlock {
  return {
    kind: 'table', name: 'Packed apart', head: ['Piece', 'Width × height', ...classes.map(({ title }) => title)],
    rows: [...shares].map(([key, own]) => {
      const { width, height } = byKey(entry.problem.demands, key)
      return [entry.names.get(key) ?? key, typesetSize(width, height, units), ...classes.map(({ id }) =>
        String(own.filter(share => share.class === id).reduce((sum, { count: number }) => sum + number, 0) || ''))]
    }),
    numbers: classes.map((_, at) => at + 2),
  }
}
