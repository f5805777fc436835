import { zipSync } from 'fflate'
import { serve } from '../lib/serve'
import type { Loose } from './heavy'
import { fillSeats, list, manyPapers, pick, takenOff } from './heavy'
import type { Answer, Options, Row } from './parts'
import type { Person } from './people'
import { edit, person } from './people'
import { DEMO, FOLDER, forget, pause } from './studio'
import { weighing } from './weighing'
import type { Opened } from './worst'
import { someChanges, someFile } from './worst'

type Weighing = Awaited<ReturnType<typeof weighing>>
const FILE = JSON.parse(DEMO)
const [PAPER] = FILE.papers
const [CARD] = FILE.cards
const text = (content: unknown) => JSON.stringify(content)

/**
 * What is allowed and as heavy as it can be, each with what the main thread does for it, beside a request that asks for
 * nothing.
 */
export async function work({ random }: Options): Promise<Row[]> {
  forget()
  process.env.WAKARU_RATE = '1000000000'
  const { address, stop } = await serve({ folder: FOLDER, port: 4314, backups: `${FOLDER}-backups` })
  delete process.env.WAKARU_RATE
  const [one, other] = [person(address, 0), person(address, 1)]
  const weigh = await weighing(one)
  const id = await added(one)
  const heavy = await added(one, (copy) => {
    copy.class.seats = 500
    copy.cards = list(40, at => ({ ...CARD, key: `card-${at}`, title: `Card ${at}`, kits: 10_000 }))
  })
  await weighEdits(one, weigh, id)
  await weighHeavy(one, weigh, heavy)
  await weighLarge(one, weigh)
  await weighArchives(one, weigh)
  const taken = [await opened(one, id), await opened(one, heavy), await opened(one, await added(one, enlarge))]
  const changes = () => someChanges(pick(taken, random), random)
  await weigh.drawn('random changes of any list and field, up to 5,000 at once', 120, changes)
  await weigh.drawn('random files with a list as long as may be', 40, () => someFile(FILE, random))
  const rows = [...weigh.rows, ...await together(one, other, heavy)]
  for (const each of [one, other]) each.leave()
  await stop()
  return rows
}

/** Adds the demo class, changed; answers its number. */
async function added(one: Person, change: (copy: Loose) => void = () => {}): Promise<number> {
  const copy = structuredClone(FILE)
  change(copy)
  return (await one.ask('/api/import', { method: 'POST', body: text(copy) }))?.data?.id
}

/** As large as a class may be: five hundred who have much written about them, and papers with all their offcuts. */
function enlarge(copy: Loose) {
  fillSeats(copy)
  const offcut = PAPER.offcuts[0] ?? { width: '3 in', height: '4 in', count: 1 }
  const offcuts = list(60, at => ({ ...offcut, key: `rest-${at}` }))
  copy.papers.push(...list(60, at => ({ ...PAPER, key: `full-${at}`, name: `Full ${at}`, offcuts })))
  copy.pools.push(...list(2, at => ({
    key: `pool--full-${at}`, name: `Full ${at}`, papers: list(30, of => `full-${at * 30 + of}`),
  })))
}

async function opened(one: Person, id: number): Promise<Opened> {
  const { document, position } = (await one.ask(`/api/classes/${id}`))?.data ?? {}
  return { id, document, position }
}

async function weighEdits(one: Person, weigh: Weighing, id: number) {
  const edits = (what: string, patches: object[], expected: number[], of: number | null = id, since?: number) =>
    weigh.row(what, () => one.ask('/api/edits', edit(of, patches, since)), expected)
  for (let times = 1; times < 40; times++)
    await one.ask('/api/edits', edit(id, [{ op: 'set', path: ['class', 'seats'], value: times }]))
  await edits('an edit of one figure', [{ op: 'set', path: ['class', 'seats'], value: 9 }], [200])
  await edits('an edit of 5,000 adds to one list', list(5000, at => ({
    op: 'add', path: ['cards', CARD.key, 'free'], after: null,
    entry: { ...(CARD.free?.[0] ?? {}), key: `p-${at}`, name: 'x' },
  })), [422])
  const orders = list(5000, () => ({ op: 'order', path: ['cards'], keys: [] }))
  await edits('an edit of 5,000 orders of one list', orders, [200, 422])
  const field = (name: string, most: number) =>
    list(5000, at => ({ op: 'set', path: ['class', name], value: 1 + (at % most) }))
  await edits('an edit of 5,000 changes of one field', field('seats', 400), [200])
  await edits('the same against another window’s 5,000', field('spares', 50), [200], id, 1)
  const many = manyPapers(FILE)
  await edits('2,000 papers put on the shelf', many, [200], null)
  await edits('2,000 papers taken off it', takenOff(many), [200], null)
}

/** A class of forty cards and 10,000 kits. */
async function weighHeavy(one: Person, { row }: Weighing, heavy: number) {
  const renamed = edit(heavy, [{ op: 'set', path: ['class', 'title'], value: 'Heavy' }])
  await row('a class that is renamed, of forty cards and 10,000 kits', () => one.ask('/api/edits', renamed), [200])
  await pause(2500)
  await row('the list of classes with that one', () => one.ask('/api/classes?when=all'), [200], 5)
  await row('that class', () => one.ask(`/api/classes/${heavy}`), [200], 5)
  await row('the student page of that class', () => one.ask(`/api/classes/${heavy}/student`), [200], 5)
  await row('all pieces of that class as a table', () => one.ask(`/api/classes/${heavy}/pieces`), [200], 5)
  await row('that class as a file', () => one.ask(`/api/classes/${heavy}/file`), [200], 5)
}

async function weighLarge(one: Person, { row }: Weighing) {
  const large = await added(one, enlarge)
  await pause(4000)
  await row('the largest class there may be', () => one.ask(`/api/classes/${large}`), [200], 5)
  const changed = edit(large, [{ op: 'set', path: ['class', 'seats'], value: 480 }])
  await row('a figure of it changed', () => one.ask('/api/edits', changed), [200])
  const copied = text({ title: 'Copy', date: '2026-06-01' })
  await row('a copy of it', () => one.ask(`/api/classes/${large}/copy`, { method: 'POST', body: copied }), [201], 3)
  const again = structuredClone(FILE)
  enlarge(again)
  await row('its file imported again', () => one.ask('/api/import', { method: 'POST', body: text(again) }), [201], 3)
  const letters = `"${'x'.repeat(3_900_000)}"`
  const imported = () => one.ask('/api/import', { method: 'POST', body: letters })
  await row('a file of four megabytes that is no class', imported, [422])
}

async function weighArchives(one: Person, { row, measure, add }: Weighing) {
  const packed = (texts: string[]) => zipped(texts.map((text, at) => [`${at}.json`, new TextEncoder().encode(text)]))
  const sent = (body: Buffer, query = '') => () =>
    one.ask(`/api/archive${query}`, { method: 'POST', type: 'application/zip', body, patience: 120_000 })
  // An archive is taken in class by class, and others are answered in between: a class is what is asked for at once.
  const each = async (what: string, texts: string[]) => {
    const { status, busy } = await measure(sent(packed(texts), '?twins=add'))
    add(`${what}, for each of ${texts.length}`, { status, busy: busy / texts.length }, [201])
  }
  await each('an archive of four megabytes of blanks', list(40, () => ' '.repeat(3_990_000)))
  const titled = (at: number) => text({ ...FILE, class: { ...FILE.class, title: `Packed ${at}` } })
  await each('an archive of classes', list(40, titled))
  const kept = Number((await one.ask('/api/classes?when=all'))?.data.total)
  const { status, busy } = await measure(() => one.ask('/api/archive', { patience: 120_000 }))
  add(`all classes as an archive, for each of ${kept}`, { status, busy: busy / kept }, [200])
  await row('an archive of one file of 200 MB', sent(zipped([['a.json', new Uint8Array(200_000_000)]])), [422])
}

const zipped = (files: [name: string, bytes: Uint8Array][]) => Buffer.from(zipSync(Object.fromEntries(files)))

interface Timed {
  status: number | undefined
  took: number
}

/** What used to hold others up: how long each of them waits, and what they are answered. */
async function together(one: Person, other: Person, heavy: number): Promise<Row[]> {
  const timed = async (ask: () => Promise<Answer | undefined>): Promise<Timed> => {
    const begin = performance.now()
    const answer = await ask()
    return { status: answer?.status, took: performance.now() - begin }
  }
  // Notes make it a class of some eighty kilobytes.
  const bulky = await added(one, (copy) => {
    const notes = 'n'.repeat(900)
    copy.roster = list(60, at => ({ ...(copy.roster[0] ?? {}), key: `seat-${at + 1}`, notes }))
    copy.class.seats = 60
  })
  const beside = (at: number) => text({
    ...FILE, class: { ...FILE.class, title: `Beside ${at}`, notes: 'x'.repeat(3000) },
  })
  const body = zipped(list(30, at => [`${at}.json`, new TextEncoder().encode(beside(at))]))
  const rows: Row[] = []
  const archive = one.ask('/api/archive?twins=add', {
    method: 'POST', type: 'application/zip', body, patience: 120_000,
  })
  const saves = await Promise.all(list(9, at => timed(() =>
    one.ask('/api/edits', edit(bulky, [{ op: 'set', path: ['class', 'seats'], value: 60 + at }])))))
  rows.push(waited('saves of a large class beside an archive of thirty', saves, 2000))
  await archive

  await one.ask('/api/edits', edit(heavy, [{ op: 'set', path: ['class', 'title'], value: 'Heavy again' }]))
  const lists = await Promise.all(list(40, () => timed(() => one.ask('/api/classes'))))
  rows.push(waited('lists with a heavy class that has just been changed', lists, 1000))

  const spare = (at: number) => [{ op: 'set', path: ['class', 'spares'], value: at % 40 }]
  const many = list(60, at => timed(() => one.ask('/api/edits', edit(bulky, spare(at)))))
  const reads = list(20, () => timed(() => other.ask('/api/papers?limit=20')))
  rows.push(waited('looks at the shelf while sixty saves wait for each other', await Promise.all(reads), 1000))
  rows.push(waited('those sixty saves', await Promise.all(many), 5000))
  return rows
}

/** How many of the same waited at once, none of them longer than some milliseconds. */
function waited(what: string, answers: Timed[], most: number): Row {
  const statuses = [...new Set(answers.map(({ status }) => status ?? 'none'))]
  const longest = Math.max(...answers.map(({ took }) => took))
  return {
    what,
    done: `${answers.length} at once`,
    seen: `${statuses.join(', ')}; longest ${Math.round(longest)} ms`,
    good: answers.every(({ status }) => status === 200) && longest <= most,
  }
}
