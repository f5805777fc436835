import Papa from 'papaparse'
import type { LineReader, Said, SaidLine } from '../audit'
import { lineReader } from '../audit'
import type { Bag } from '../kits'
import { bagLabel } from '../batch'
import type { Batch } from '../document'
import { bagsCsv } from '../exports'
import type { Length, Units } from '../lengths'
import { parseLength } from '../lengths'
import type { PrintBlock } from '../printed'
import { bagSection } from '../printed'

/** The lists of what is in the bags, read back from print, alike and one by one, and from the data. */
export async function listsOf(bags: Bag[], { class: { units }, papers }: Batch): Promise<Said['lists']> {
  const names = papers.flatMap(({ name, back }) => [name, back.name || `${name}, other side`])
  const read = lineReader([...names, 'Any scrap'], units)
  return [
    { source: 'Printed list of one bag', bags: eachList(bags, units, read) },
    { source: 'Printed lists', bags: sharedLists(bags, units, read) },
    { source: 'CSV of the bags', bags: await csvList(bags, units) },
  ]
}

/** Lines that are about pieces, strips and things; things that are brought are on it too. */
const itemsOf = (blocks: PrintBlock[]): string[] => blocks.flatMap(block => (block.kind === 'list' ? block.items : []))

function eachList(bags: Bag[], units: Units, read: LineReader): Map<string, SaidLine[]> {
  const [block] = bagSection(bags, units, true).blocks
  const cells = block?.kind === 'side by side' ? block.cells : []
  return new Map(bags.map(({ key }, at) => [key, itemsOf(cells[at] ?? []).flatMap(item => read(item) ?? [])]))
}

/** Lists for several bags at once: what a line leaves to the table is looked up there, as whoever packs does it. */
function sharedLists(bags: Bag[], units: Units, read: LineReader): Map<string, SaidLine[]> {
  const found = new Map<string, SaidLine[]>()
  const titles = new Set(bags.flatMap(({ kits }) => kits.map(({ card: { entry } }) => entry.title)))
  let items: string[] = []
  const close = (label: string, papers: string[]) => {
    let at = 0
    const lines = items.flatMap(text => read(text.replace(SEE_TABLE, () => papers[at++] ?? '')) ?? [])
    const bag = bags.find(other => other.label.replaceAll(' ', '\u00a0') === label || other.label === label)
    if (bag) found.set(bag.key, lines)
  }
  for (const block of bagSection(bags, units, false).blocks) {
    if (block.kind === 'heading') items = []
    if (block.kind === 'list') items.push(...block.items)
    if (block.kind === 'text' && block.text.startsWith('☐'))
      for (const label of block.text.split('   ')) close(label.replace(/^☐\u00a0/, ''), [])
    if (block.kind !== 'table') continue
    const asked = items.filter(text => text.includes(SEE_TABLE)).length
    for (const row of block.rows) {
      const cells = row.map((text, at) => ({ text, head: block.head[at] ?? '' })).slice(1)
      // Columns that are named after a card say the colourway.
      for (let at = cells.length - 1; at >= 0 && cells.length > asked; at--)
        if (titles.has(cells[at]?.head ?? '')) cells.splice(at, 1)
      close((row[0] ?? '').replace(/^☐\u00a0/, ''), cells.map(({ text }) => text))
    }
  }
  return found
}
const SEE_TABLE = 'see the table'

async function csvList(bags: Bag[], units: Units): Promise<Map<string, SaidLine[]>> {
  const { data } = Papa.parse<Record<string, string>>(await bagsCsv(bags, units), {
    header: true, skipEmptyLines: true,
  })
  const found = new Map<string, SaidLine[]>(bags.map(({ key }) => [key, []]))
  const keys = new Map(bags.map(({ key }) => [bagLabel(key), key]))
  for (const { Bag: bag = '', What = '', Count, Width = '', Height = '', Paper = '', State = '' } of data) {
    const sides = [Width, Height].map(text => parseLength(text.replace('≈', ''), units))
      .flatMap(one => (one.ok ? [one.length] : [])).sort((a, b) => a - b)
    const size = sides.length === 2 ? sides as [Length, Length] : undefined
    // A thing says how many of it in its name as well.
    const name = plain(size ? What : plain(What).replace(/^\d+ × /, ''))
    found.get(keys.get(bag) ?? '')?.push({ name, count: Number(Count), paper: plain(Paper), state: State, size })
  }
  return found
}

/** A cell as a spreadsheet shows it: an apostrophe before it only says that it is text. */
const plain = (cell: string): string => cell.replace(/^'/, '')
