import { ROSTER_COLUMNS as COLUMNS, bagLabel, bagsOf, seatOf, withColourways } from '../batch'
import type { Batch, Checked, Problem, SeatEntry } from '../document'
import { BOUNDS, MOST_PROBLEMS } from '../document'

const FLAGS = ['leftHanded', 'online', 'paid'] as const
const YES = ['yes', 'y', 'true', 'x', '1']
const NO = ['no', 'n', 'false', '', '0']

/** A file of names as it came: its columns, and the cells of each line that is not empty. */
interface Sheet {
  columns: string[]
  /** Each with its number in the file, and what it says in a column; nothing where there is no such column. */
  lines: { number: number, cells: string[], cell: (column: string) => string | undefined }[]
}

/**
 * Reads names and wishes: as CSV with a head (`Name`, and if wanted `Bag`, a column for each card with colourways,
 * `Left-handed`, `Online`, `Paid`, `Made ready`, `Notes`), or as plain lines with one name each. Rows without a bag go
 * to the seats in order. What is not named in the file stays as it is. Nothing is read where a line is wrong; the
 * problems name it.
 */
export async function readRoster(text: string, batch: Batch): Promise<Checked<SeatEntry[]>> {
  if (text.includes('\uFFFD'))
    return refused(
      'the file is not in UTF-8, so that letters with accents are lost. Save it as “CSV UTF-8” and take it again.',
    )
  const { columns, lines } = await sheetOf(text)
  const known = [...Object.values(COLUMNS) as string[], ...withColourways(batch).map(({ title }) => title)]
  const problems = columns
    .filter(column => !known.some(name => name.toLowerCase() === column.toLowerCase()))
    .map((column): Problem => ({
      path: 'line 1', problem: `“${column.slice(0, 40)}” is no column here; there are: ${known.join(', ')}.`,
    }))
  const seats: SeatEntry[] = []
  const bagFor = givingBags(batch)
  for (const { number, cells, cell } of lines) {
    // An apostrophe before it says that a cell is text; a bare formula is nobody's name.
    const formula = cells.find(text => /^[=+@|]|^-\d/.test(text.trim()))?.trim()
    const seat = formula === undefined
      ? seatFrom(cell, batch, bagFor)
      : `begins with “${formula[0]}”, as formulas do: write plain text.`
    if (typeof seat === 'string') problems.push({ path: `line ${number}`, problem: seat })
    else seats.push(seat)
  }
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) }
  return seats.length > 0
    ? { ok: true, value: seats }
    : refused('the file holds no name. Write one on each line, or a CSV file with a column Name.')
}

async function sheetOf(text: string): Promise<Sheet> {
  const { default: Papa } = await import('papaparse')
  const rows = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { skipEmptyLines: false }).data
  const [first = []] = rows
  const isHead = first.some(cell => ['name', 'bag'].includes(cell.trim().toLowerCase()))
  const columns = isHead ? first.map(cell => cell.trim().replace(/^'/, '')) : [COLUMNS.name]
  const lower = columns.map(column => column.toLowerCase())
  const lines = rows.map((cells, at) => ({
    number: at + 1,
    cells,
    cell: (column: string) => {
      const place = lower.indexOf(column.toLowerCase())
      return place < 0 ? undefined : (cells[place] ?? '').trim()
    },
  }))
  return { columns, lines: lines.slice(isHead ? 1 : 0).filter(({ cells }) => cells.some(cell => cell.trim() !== '')) }
}

/** Gives each line the bag that it names, or the next one that nobody has; says why it cannot. */
function givingBags(batch: Batch): (label: string | undefined) => { bag: string } | string {
  const bags = bagsOf(batch)
  const byLabel = new Map(
    bags.flatMap(key => [
      [bagLabel(key).toLowerCase(), key], [key, key], [key.startsWith('seat-') ? key.slice(5) : key, key],
    ]),
  )
  const taken = new Set<string>()
  let next = 0
  return (label) => {
    const named = label ? byLabel.get(label.toLowerCase()) : undefined
    if (label && named === undefined)
      return `has the bag “${label.slice(0, 40)}”; the class has Seat 1 to Seat ${batch.class.seats}.`
    while (named === undefined && taken.has(bags[next] ?? '')) next++
    const bag = named ?? bags[next]
    if (bag === undefined) return `has no seat left: the class has ${bags.length} bags. Raise the seats first.`
    if (taken.has(bag)) return `has the same bag as a line before: ${bagLabel(bag)}.`
    taken.add(bag)
    return { bag }
  }
}

/** The seat that a line makes; what is wrong with the line otherwise. */
function seatFrom(
  cell: (column: string) => string | undefined, batch: Batch, bagFor: ReturnType<typeof givingBags>,
): SeatEntry | string {
  const plain = (name: string) => cell(name)?.replace(/^'/, '')
  const given = bagFor(cell(COLUMNS.bag))
  if (typeof given === 'string') return given
  const seat: SeatEntry = { ...seatOf(batch, given.bag) }
  const name = plain(COLUMNS.name)
  if (name !== undefined && name.length > BOUNDS.title) return `has a name of more than ${BOUNDS.title} characters.`
  seat.name = name ?? seat.name
  seat.notes = plain(COLUMNS.notes)?.slice(0, BOUNDS.notes) ?? seat.notes
  for (const flag of FLAGS) {
    const text = cell(COLUMNS[flag])?.toLowerCase()
    if (text === undefined) continue
    if (!YES.includes(text) && !NO.includes(text))
      return `${COLUMNS[flag]} is yes or no, not “${text.slice(0, 40)}”.`
    seat[flag] = YES.includes(text)
  }
  const ready = plain(COLUMNS.profile)
  if (ready !== undefined) {
    const own = named(batch.prep.profiles, ready)
    if (ready !== '' && !own) return `is made ready as “${ready.slice(0, 40)}”; ${thereAre(batch.prep.profiles)}`
    seat.profile = own?.key ?? ''
  }
  for (const { key, title, colourways } of withColourways(batch)) {
    const wish = plain(title)
    if (wish === undefined) continue
    const own = named(colourways, wish)
    if (wish !== '' && !own) return `wishes for ${title} in “${wish.slice(0, 40)}”; ${thereAre(colourways)}`
    const { [key]: _, ...others } = seat.colourways
    seat.colourways = own ? { ...others, [key]: own.key } : others
  }
  return seat
}

interface Named {
  key: string
  name: string
}
const named = (entries: Named[], name: string): Named | undefined =>
  entries.find(entry => entry.name.toLowerCase() === name.toLowerCase())
const thereAre = (entries: Named[]): string => `there are: ${entries.map(({ name }) => name).join(', ')}.`

const refused = (problem: string): Checked<never> => ({ ok: false, problems: [{ path: '', problem }] })
