import { zipSync } from 'fflate'
import { serve } from '../lib/serve.mjs'
import { fillSeats, list, manyPapers, takenOff } from './heavy.mjs'
import { edit, mainThread, memory, person } from './people.mjs'
import { someChanges, someFile } from './worst.mjs'
import { DEMO, FOLDER, forget, pause } from './studio.mjs'

/** Milliseconds of the main thread that whatever is allowed may take. */
const MOST = 50

/**
 * What is allowed and as heavy as it can be, each with what the main thread does for it, beside a request that asks for
 * nothing.
 */
export async function work({ random }) {
  forget()
  process.env.WAKARU_RATE = '1000000000'
  const { address, stop } = await serve({ folder: FOLDER, port: 4314, backups: `${FOLDER}-backups` })
  delete process.env.WAKARU_RATE
  const one = person(address, 0)
  const rows = []
  const file = JSON.parse(DEMO)
  const encode = text => new TextEncoder().encode(text)
  const text = content => JSON.stringify(content)
  const add = async (change = () => {}) => {
    const copy = structuredClone(file)
    change(copy)
    return (await one.ask('/api/import', { method: 'POST', body: JSON.stringify(copy) })).data?.id
  }
  const id = await add()
  const [paper] = file.papers
  const [card] = file.cards
  const heavy = await add((copy) => {
    copy.class.seats = 500
    copy.cards = list(40, at => ({ ...card, key: `card-${at}`, title: `Card ${at}`, kits: 10_000 }))
  })
  /** As large as a class may be: five hundred who have much written about them, and papers with all their offcuts. */
  const enlarge = (copy) => {
    fillSeats(copy)
    const offcuts = list(60, at => ({
      ...(paper.offcuts[0] ?? { width: '3 in', height: '4 in', count: 1 }), key: `rest-${at}`,
    }))
    copy.papers.push(...list(60, at => ({ ...paper, key: `full-${at}`, name: `Full ${at}`, offcuts })))
    copy.pools.push(
      ...list(2, at => ({
        key: `pool--full-${at}`, name: `Full ${at}`, papers: list(30, of => `full-${at * 30 + of}`),
      })),
    )
  }
  /** Figures of classes that were changed before are not of a request: until they are worked out nothing is weighed. */
  const settled = async () => {
    while ((await one.ask('/api/classes?when=all')).data.classes.some(({ pending }) => pending)) await pause(200)
  }
  const quiet = async () => {
    let before
    do {
      before = mainThread()
      await pause(300)
    } while (mainThread() - before > 3)
  }
  const measure = async (ask, times = 1) => {
    await quiet()
    const begin = mainThread()
    const answers = []
    for (let at = 0; at < times; at++) answers.push(await ask(at))
    // What it leaves to be done afterwards counts too, but for what others ask for.
    await pause(30)
    return { status: answers[0]?.status, busy: (mainThread() - begin) / times }
  }
  for (let times = 0; times < 50; times++) await one.ask('/api/health')
  const nothing = (await measure(() => one.ask('/api/health'), 100)).busy
  /** What changes nothing is asked five times: what a first time costs more is not of that request. */
  const row = async (what, ask, expected, times = 1) => {
    await settled()
    rows.push(said(what, await measure(ask, times), expected))
  }
  const said = (what, { status, busy }, expected) => ({
    what,
    done: `answered ${status}`,
    seen: `${busy.toFixed(1)} ms of the main thread, ${Math.round(busy / nothing)} × a request for nothing; ${memory()} MB`,
    good: expected.includes(status) && busy <= MOST,
  })
  /** Requests drawn by lot: the one that costs most is told. A first few are for warming up. */
  const drawn = async (what, many, draw) => {
    const seen = []
    for (let at = -10; at < many; at++) {
      const { what, ask } = draw()
      let cost = await measure(() => ask(one))
      // Figures may have come in between, so what is dear is asked once more when there are none; it counts where the
      // answer is the same.
      if (cost.busy > MOST) {
        await settled()
        const again = await measure(() => ask(one))
        if (again.status === cost.status && again.busy < cost.busy) cost = again
      }
      if (at >= 0) seen.push({ what, ...cost })
    }
    const worst = seen.reduce((most, next) => (next.busy > most.busy ? next : most))
    const answers = [...new Set(seen.map(({ status }) => status))].sort()
    rows.push({
      what,
      done: `${many}, answered ${answers.map(answer => `${answer} (${seen.filter(({ status }) => status === answer).length})`).join(', ')}`,
      seen:
        `${worst.busy.toFixed(1)} ms of the main thread at most, ${Math.round(worst.busy / nothing)} × a request for nothing: `
        + worst.what,
      good: answers.every(answer => [200, 201, 409, 413, 422].includes(answer)) && worst.busy <= MOST,
    })
  }
  const pick = list => list[Math.floor(random() * list.length)]
  const opened = async (id) => {
    const { document, position } = (await one.ask(`/api/classes/${id}`)).data
    return { id, document, position }
  }
  const small = { key: '', name: 'x' }
  const pieces = at => ({ ...(card.free?.[0] ?? {}), ...small, key: `p-${at}` })
  const edits = (what, patches, expected, of = id, since) =>
    row(what, () => one.ask('/api/edits', edit(of, patches, since)), expected)

  for (let times = 1; times < 40; times++)
    await one.ask('/api/edits', edit(id, [{ op: 'set', path: ['class', 'seats'], value: times }]))
  await edits('an edit of one figure', [{ op: 'set', path: ['class', 'seats'], value: 9 }], [200])
  await edits('an edit of 5,000 adds to one list', list(5000, at => ({
    op: 'add', path: ['cards', card.key, 'free'], entry: pieces(at), after: null,
  })), [422])
  await edits(
    'an edit of 5,000 orders of one list', list(5000, () => ({ op: 'order', path: ['cards'], keys: [] })), [200, 422],
  )
  const field = (name, most) => list(5000, at => ({ op: 'set', path: ['class', name], value: 1 + (at % most) }))
  await edits('an edit of 5,000 changes of one field', field('seats', 400), [200])
  await edits('the same against another window’s 5,000', field('spares', 50), [200], id, 1)
  const many = manyPapers(file)
  await edits('2,000 papers put on the shelf', many, [200], null)
  await edits('2,000 papers taken off it', takenOff(many), [200], null)
  const renamed = [{ op: 'set', path: ['class', 'title'], value: 'Heavy' }]
  await edits('a class that is renamed, of forty cards and 10,000 kits', renamed, [200], heavy)
  await pause(2500)
  await row('the list of classes with that one', () => one.ask('/api/classes?when=all'), [200], 5)
  await row('that class', () => one.ask(`/api/classes/${heavy}`), [200], 5)
  await row('the student page of that class', () => one.ask(`/api/classes/${heavy}/student`), [200], 5)
  await row('all pieces of that class as a table', () => one.ask(`/api/classes/${heavy}/pieces`), [200], 5)
  await row('that class as a file', () => one.ask(`/api/classes/${heavy}/file`), [200], 5)
  const large = await add(enlarge)
  await pause(4000)
  await row('the largest class there may be', () => one.ask(`/api/classes/${large}`), [200], 5)
  await edits('a figure of it changed', [{ op: 'set', path: ['class', 'seats'], value: 480 }], [200], large)
  const copied = text({ title: 'Copy', date: '2026-06-01' })
  await row('a copy of it', () => one.ask(`/api/classes/${large}/copy`, { method: 'POST', body: copied }), [201], 3)
  const again = structuredClone(file)
  enlarge(again)
  await row('its file imported again', () => one.ask('/api/import', { method: 'POST', body: text(again) }), [201], 3)
  const zip = (what, files, expected) =>
    row(
      what,
      () => one.ask('/api/archive', { method: 'POST', type: 'application/zip', body: Buffer.from(zipSync(files)) }),
      expected,
    )
  // An archive is taken in class by class, and others are answered in between: a class is what is asked for at once.
  const each = async (what, many, bytes) => {
    const { status, busy } = await measure(() =>
      one.ask('/api/archive?twins=add', { method: 'POST', type: 'application/zip', body: bytes, patience: 120_000 }))
    rows.push(said(`${what}, for each of ${many}`, { status, busy: busy / many }, [201]))
  }
  const packed = files =>
    Buffer.from(zipSync(Object.fromEntries(files.map((text, at) => [`${at}.json`, encode(text)]))))
  await each('an archive of four megabytes of blanks', 40, packed(list(40, () => ' '.repeat(3_990_000))))
  await each(
    'an archive of classes', 40,
    packed(list(40, at => text({ ...file, class: { ...file.class, title: `Packed ${at}` } }))),
  )
  const kept = Number((await one.ask('/api/classes?when=all')).data.total)
  const { status, busy } = await measure(() => one.ask('/api/archive', { patience: 120_000 }))
  rows.push(said(`all classes as an archive, for each of ${kept}`, { status, busy: busy / kept }, [200]))
  await zip('an archive of one file of 200 MB', { 'a.json': new Uint8Array(200_000_000) }, [422])
  const letters = `"${'x'.repeat(3_900_000)}"`
  await row(
    'a file of four megabytes that is no class', () => one.ask('/api/import', { method: 'POST', body: letters }), [422],
  )
  const taken = [await opened(id), await opened(heavy), await opened(await add(enlarge))]
  await drawn('random changes of any list and field, up to 5,000 at once', 120, () => someChanges(pick(taken), random))
  await drawn('random files with a list as long as may be', 40, () => someFile(file, random))
  const other = person(address, 1)
  rows.push(...await together({ one, other, add, file, heavy }))
  for (const each of [one, other]) each.leave()
  await stop()
  return rows
}

/** What used to hold others up: how long each of them waits, and what they are answered. */
async function together({ one, other, add, file, heavy }) {
  const timed = async (ask) => {
    const begin = performance.now()
    const answer = await ask()
    return { status: answer?.status, took: performance.now() - begin }
  }
  const said = (answers) => {
    const statuses = [...new Set(answers.map(({ status }) => status ?? 'none'))]
    return `${statuses.join(', ')}; longest ${Math.round(Math.max(...answers.map(({ took }) => took)))} ms`
  }
  const row = (what, answers, most) => ({
    what,
    done: `${answers.length} at once`,
    seen: said(answers),
    good: answers.every(({ status, took }) => status === 200 && took <= most),
  })
  const rows = []

  // Notes make it a class of some eighty kilobytes.
  const bulky = await add((copy) => {
    copy.roster = list(60, at => ({ ...(copy.roster[0] ?? {}), key: `seat-${at + 1}`, notes: 'n'.repeat(900) }))
    copy.class.seats = 60
  })
  const bytes = Buffer.from(
    zipSync(
      Object.fromEntries(
        list(30, at => [
          `${at}.json`,
          new TextEncoder().encode(
            JSON.stringify({
              ...file, class: { ...file.class, title: `Beside ${at}`, notes: 'x'.repeat(3000) },
            }))]))))
  const archive = one.ask('/api/archive?twins=add', {
    method: 'POST', type: 'application/zip', body: bytes, patience: 120_000,
  })
  const saves = await Promise.all(list(9, at => timed(() =>
    one.ask('/api/edits', edit(bulky, [{ op: 'set', path: ['class', 'seats'], value: 60 + at }], 999_999_999)))))
  rows.push(row('saves of a large class beside an archive of thirty', saves, 2000))
  await archive

  await one.ask('/api/edits', edit(heavy, [{ op: 'set', path: ['class', 'title'], value: 'Heavy again' }]))
  const lists = await Promise.all(list(40, () => timed(() => one.ask('/api/classes'))))
  rows.push(row('lists with a heavy class that has just been changed', lists, 1000))

  const spare = at => [{ op: 'set', path: ['class', 'spares'], value: at % 40 }]
  const many = list(60, at => timed(() => one.ask('/api/edits', edit(bulky, spare(at)))))
  const reads = list(20, () => timed(() => other.ask('/api/papers?limit=20')))
  rows.push(row('looks at the shelf while sixty saves wait for each other', await Promise.all(reads), 1000))
  rows.push(row('those sixty saves', await Promise.all(many), 5000))
  return rows
}
