import { ROSTER_COLUMNS as COLUMNS, bagLabel, bagsOf, seatOf, withColourways } from '../batch'
import type { Batch, Checked, Problem, SeatEntry } from '../document'
import { BOUNDS, MOST_PROBLEMS } from '../document'

const FLAGS = ['leftHanded', 'online', 'paid'] as const
const YES = ['yes', 'y', 'true', 'x', '1']
const NO = ['no', 'n', 'false', '', '0']

/**
 * Reads names and wishes: as CSV with a head (`Name`, and if wanted `Bag`, a column for each card with colourways,
 * `Left-handed`, `Online`, `Paid`, `Made ready`, `Notes`), or as plain lines with one name each. Rows without a bag go
 * to the seats in order. What is not named in the file stays as it is. Nothing is read where a line is wrong; the
 * problems name it.
 */
export async function readRoster(text: string, batch: Batch): Promise<Checked<SeatEntry[]>> {
  const { default: Papa } = await import('papaparse')
  const problems: Problem[] = []
  const wrong = (line: number, problem: string) => void problems.push({ path: `line ${line}`, problem })
  if (text.includes('\uFFFD'))
    return refused(
      'the file is not in UTF-8, so that letters with accents are lost. Save it as “CSV UTF-8” and take it again.',
    )
  const rows = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { skipEmptyLines: false }).data
  const isHead = (rows[0] ?? []).some(cell => ['name', 'bag'].includes(cell.trim().toLowerCase()))
  const head = isHead ? (rows[0] ?? []).map(cell => cell.trim().replace(/^'/, '')) : [COLUMNS.name]
  const cards = withColourways(batch)
  const known = [...Object.values(COLUMNS) as string[], ...cards.map(({ title }) => title)]
  const at = (name: string) => head.findIndex(cell => cell.toLowerCase() === name.toLowerCase())
  if (isHead) {
    for (const cell of head)
      if (!known.some(name => name.toLowerCase() === cell.toLowerCase())) wrong(
        1, `“${cell.slice(0, 40)}” is no column here; there are: ${known.join(', ')}.`)
  }
  const bags = bagsOf(batch)
  const byLabel = new Map(
    bags.flatMap(key => [
      [bagLabel(key).toLowerCase(), key], [key, key], [key.startsWith('seat-') ? key.slice(5) : key, key],
    ]),
  )
  const seats: SeatEntry[] = []
  const taken = new Set<string>()
  let next = 0
  rows.slice(isHead ? 1 : 0).forEach((cells, index) => {
    const line = index + (isHead ? 2 : 1)
    if (cells.every(cell => cell.trim() === '')) return
    const cell = (name: string) => (at(name) < 0 ? undefined : (cells[at(name)] ?? '').trim())
    // An apostrophe before it says that a cell is text; a bare formula is nobody's name.
    for (const text of cells) if (/^[=+@|]|^-\d/.test(text.trim())) return wrong(
      line, `begins with “${text.trim()[0]}”, as formulas do: write plain text.`)
    const plain = (name: string) => cell(name)?.replace(/^'/, '')
    const label = cell(COLUMNS.bag)
    const named = label ? byLabel.get(label.toLowerCase()) : undefined
    if (label && named === undefined) return wrong(
      line, `has the bag “${label.slice(0, 40)}”; the class has Seat 1 to Seat ${batch.class.seats}.`)
    while (named === undefined && taken.has(bags[next] ?? '')) next++
    const bag = named ?? bags[next]
    if (bag === undefined)
      return wrong(line, `has no seat left: the class has ${bags.length} bags. Raise the seats first.`)
    if (taken.has(bag)) return wrong(line, `has the same bag as a line before: ${bagLabel(bag)}.`)
    taken.add(bag)
    const seat: SeatEntry = { ...seatOf(batch, bag) }
    const name = plain(COLUMNS.name)
    if (name !== undefined) {
      if (name.length > BOUNDS.title) return wrong(line, `has a name of more than ${BOUNDS.title} characters.`)
      seat.name = name
    }
    const notes = plain(COLUMNS.notes)
    if (notes !== undefined) seat.notes = notes.slice(0, BOUNDS.notes)
    for (const flag of FLAGS) {
      const text = cell(COLUMNS[flag])?.toLowerCase()
      if (text === undefined) continue
      if (!YES.includes(text) && !NO.includes(text))
        return wrong(line, `${COLUMNS[flag]} is yes or no, not “${text.slice(0, 40)}”.`)
      seat[flag] = YES.includes(text)
    }
    const ready = plain(COLUMNS.profile)
    if (ready !== undefined) {
      const own = batch.prep.profiles.find(({ name }) => name.toLowerCase() === ready.toLowerCase())
      if (ready !== '' && !own)
        return wrong(line,
          `is made ready as “${ready.slice(0, 40)}”; there are: ${batch.prep.profiles.map(({ name }) => name).join(', ')}.`,
        )
      seat.profile = own?.key ?? ''
    }
    for (const { key, title, colourways } of cards) {
      const wish = plain(title)
      if (wish === undefined) continue
      const own = colourways.find(one => one.name.toLowerCase() === wish.toLowerCase())
      if (wish !== '' && !own)
        return wrong(
          line,
          `wishes for ${title} in “${wish.slice(0, 40)}”; there are: ${colourways.map(({ name }) => name).join(', ')}.`,
        )
      const { [key]: _, ...others } = seat.colourways
      seat.colourways = own ? { ...others, [key]: own.key } : others
    }
    seats.push(seat)
  })
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) }
  return seats.length > 0
    ? { ok: true, value: seats }
    : refused('the file holds no name. Write one on each line, or a CSV file with a column Name.')
}

const refused = (problem: string): Checked<never> => ({ ok: false, problems: [{ path: '', problem }] })
