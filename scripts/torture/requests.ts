import { connect } from 'node:net'
import { serve } from '../lib/serve'
import type { Loose } from './heavy'
import { pick } from './heavy'
import type { Options, Row } from './parts'
import { memory, percentile } from './people'
import { DEMO, FOLDER, addClass, ask, forget, pause } from './studio'

/** A studio that lets one address ask as much as it likes. */
async function servedOn(port: number) {
  process.env.WAKARU_RATE = '1000000000'
  try {
    return await serve({ folder: FOLDER, port, backups: `${FOLDER}-backups` })
  }
  finally {
    delete process.env.WAKARU_RATE
  }
}

const JUNK = [
  null,
  true,
  -1,
  1e308,
  '',
  '\u0000',
  '\uD800',
  'x'.repeat(5000),
  '=1+1',
  '../../etc/passwd',
  '<script>',
  [],
  {},
  [[]],
  { __proto__: 1 },
]

/** A batch file with something in it replaced, left out or added. */
function spoiled(random: () => number) {
  const file = JSON.parse(DEMO)
  for (let times = 0; times < 1 + random() * 3; times++) {
    let at = file
    for (let depth = random() * 6; depth > 0; depth--) {
      const names = Object.keys(at)
      if (names.length === 0) break
      const inner = at[pick(names, random)]
      if (typeof inner !== 'object' || inner === null) break
      at = inner
    }
    const names = Object.keys(at)
    const name = random() < 0.15 || names.length === 0 ? 'strange' : pick(names, random)
    if (random() < 0.2) Reflect.deleteProperty(at, name)
    else at[name] = structuredClone(pick(JUNK, random))
  }
  return JSON.stringify(file)
}

/** A request drawn by lot: what it asks for, and what it sends. */
function wrongRequest(id: number, random: () => number) {
  const paths = [
    '/api/import',
    '/api/edits',
    '/api/classes',
    '/api/variants',
    `/api/classes/${id}/copy`,
    '/api/archive',
    '/api/bin/1/restore',
  ]
  const reads = [
    '/api/classes?limit=', '/api/papers?search=', '/api/classes/', '/api/bin/', `/api/classes/${id}/pattern?card=`,
    '/api/',
  ]
  if (random() < 0.7) return { path: pick(paths, random), method: 'POST', body: wrongBody(id, random) }
  const junk = encodeURIComponent(String(JUNK[Math.floor(random() * 7)]).toWellFormed())
  return { path: pick(reads, random) + junk, method: random() < 0.8 ? 'GET' : 'DELETE' }
}

function wrongBody(id: number, random: () => number): string {
  const kind = random()
  if (kind < 0.6) return spoiled(random)
  if (kind < 0.8) return JSON.stringify(pick(JUNK, random))
  if (kind < 0.9) return DEMO.slice(0, random() * DEMO.length)
  return JSON.stringify({
    token: 'torture-0001',
    label: 'x',
    class: id,
    since: 0,
    patches: [{ op: 'set', path: ['class', 'title'], value: pick(JUNK, random) }],
  })
}

/** Asks for next to nothing all the time, and knows how long that took at most. */
function bystander(address: string) {
  const seen = { longest: 0 }
  let going = true
  const asking = (async () => {
    while (going) {
      const begin = performance.now()
      await ask(address, '/api/health')
      seen.longest = Math.max(seen.longest, performance.now() - begin)
      await pause(5)
    }
  })()
  return { seen, leave: () => (going = false, asking) }
}

/** Files that are dear to refuse, one after the other. */
async function heavyFiles(address: string, seen: { longest: number }): Promise<Row[]> {
  const names = Array.from({ length: 150_000 }, (_, index) => `"n${index}":1`)
  const heavy = {
    'a length of 40,000 letters': DEMO.replace('"trimmer": "12 in"', `"trimmer": "${' 1'.repeat(20_000)}x"`),
    '1.9 MB of empty cards': JSON.stringify({ format: 'wakaru-batch', version: 3, cards: Array(630_000).fill({}) }),
    '1.9 MB of empty papers': JSON.stringify({ format: 'wakaru-batch', version: 3, papers: Array(630_000).fill({}) }),
    '150,000 unknown names': `{"format":"wakaru-batch","version":2,${names.join(',')}}`,
    'an old file with endless lists': JSON.stringify({
      format: 'wakaru-batch', version: 1, cards: Array(140_000).fill([1, 2, 3]),
    }),
  }
  const waits: Row[] = []
  for (const [what, body] of Object.entries(heavy)) {
    await pause(300)
    seen.longest = 0
    const begin = performance.now()
    const answer = await ask(address, '/api/import', { method: 'POST', body, patience: 60_000 })
    waits.push({
      what: `import of ${what}`,
      done: `answered ${answer?.status}`,
      seen: `${Math.round(performance.now() - begin)} ms; others waited ${Math.round(seen.longest)} ms at most`,
      good: answer?.status === 422 && seen.longest < 100,
    })
  }
  return waits
}

/** Requests that are wrong in every way; each is answered, none as a fault of ours, and others are not held up. */
export async function badRequests({ requests, random }: Options): Promise<Row[]> {
  forget()
  const { address, stop } = await servedOn(4311)
  const id = await addClass(address)
  let [faults, silent, taken] = [0, 0, 0]
  const { seen, leave } = bystander(address)
  const one = async () => {
    const { path, method, body } = wrongRequest(id, random)
    const answer = await ask(address, path, { method, body })
    if (!answer) silent++
    else if (answer.status >= 500) {
      faults++
      if (faults < 4) console.error(answer.status, path, body?.slice(0, 300), answer.text.slice(0, 300))
    }
    else if (answer.status < 300) taken++
  }
  for (let left = requests; left > 0; left -= 20) await Promise.all(Array.from({ length: Math.min(20, left) }, one))
  const sizes = memory()
  const waits = await heavyFiles(address, seen)
  await leave()
  const slow = await slowSenders(address)
  await stop()
  return [
    {
      what: 'bad requests, twenty at once',
      done: `${requests}, ${taken} of them right after all`,
      seen: `${faults} answered as a fault, ${silent} not answered; ${sizes} MB`,
      good: faults + silent === 0,
    },
    ...waits,
    slow,
  ]
}

/** Senders that send a drop at a time, and one that has a frozen database behind it. */
async function slowSenders(address: string) {
  const { hostname, port } = new URL(address)
  let cut = 0
  const begin = Date.now()
  await Promise.all(
    Array.from(
      { length: 50 },
      () =>
        new Promise<void>((resolve) => {
          const line = connect(Number(port), hostname)
          line.write('GET /api/health HTTP/1.1\r\nHost: localhost\r\nX-')
          const timer = setInterval(() => line.write('x'), 500)
          const done = () => (clearInterval(timer), resolve())
          line.on('close', () => (cut++, done())).on('error', () => {})
          setTimeout(() => (line.destroy(), done()), 20_000)
        }),
    ),
  )
  return {
    what: 'senders of a letter every half second',
    done: '50',
    seen: `${cut} cut off after ${Math.round((Date.now() - begin) / 1000)} s`,
    good: cut === 50,
  }
}

/** Lists of a large studio: their first pages are quick and small. */
export async function lists(): Promise<Row[]> {
  forget()
  const { address, stop, ownerUrl } = await servedOn(4312)
  await fill(ownerUrl, 2000, 5000)
  const rows: Row[] = []
  const today = '2026-06-01'
  const pages: [what: string, path: string][] = [
    ['classes, first page', `/api/classes?when=coming&today=${today}`],
    ['classes, the last ones', `/api/classes?when=past&today=${today}&offset=800`],
    ['classes, a search', `/api/classes?when=coming&today=${today}&search=17`],
    ['shelf, first page', '/api/papers?limit=60'],
    ['shelf, a search', '/api/papers?search=499'],
    ['a class with its choice of papers', '/api/classes/1'],
    ['the page itself', '/'],
  ]
  for (const [what, path] of pages) {
    const times: number[] = []
    let bytes = 0
    for (let times_ = 0; times_ < 60; times_++) {
      const begin = performance.now()
      bytes = (await ask(address, path))?.text.length ?? Infinity
      times.push(performance.now() - begin)
    }
    const middle = percentile(times.slice(10), 0.5)
    const most = path.startsWith('/api/classes/') ? 200_000 : 60_000
    rows.push({
      what: `2,000 classes, 5,000 papers: ${what}`,
      done: '50 times',
      seen:
        `${middle.toFixed(1)} ms, 95 %: ${percentile(times.slice(10), 0.95).toFixed(1)} ms; `
        + `${Math.round(bytes / 1000)} kB`,
      good: middle < 50 && bytes < most,
    })
  }
  await stop()
  return rows
}

/** Fills the tables with copies of the demo class and of its papers. */
async function fill(url: string, classes: number, papers: number) {
  const mysql = (await import('mysql2/promise')).default
  const connection = await mysql.createConnection(url)
  const [[{ document: paper }]] = await connection.query<Loose>('SELECT document FROM papers LIMIT 1')
  const [[{ document, summary }]] = await connection.query<Loose>('SELECT document, summary FROM classes WHERE id = 1')
  const parse = (value: Loose) => (typeof value === 'string' ? JSON.parse(value) : value)
  for (let from = 0; from < papers; from += 500) {
    const rows = Array.from({ length: 500 }, (_, index) => {
      const key = `many-${from + index}`
      return [
        key, `Many ${from + index}`, 'cardstock',
        JSON.stringify({ ...parse(paper), key, name: `Many ${from + index}` }), 0,
      ]
    })
    await connection.query(
      'INSERT INTO papers (`key`, name, kind, document, position) VALUES ?'.replace(
        'position)',
        'position, created_at, updated_at)',
      ),
      [rows.map(row => [...row, new Date(), new Date()])],
    )
  }
  for (let from = 0; from < classes; from += 200) {
    const rows = Array.from({ length: 200 }, (_, index) => {
      const one = parse(document)
      const day = new Date(Date.UTC(2024, 0, 1 + (from + index))).toISOString().slice(0, 10)
      const title = `Many classes ${from + index}`
      const figures = summary ? JSON.stringify({ ...parse(summary), title, date: day }) : null
      return [
        JSON.stringify({ ...one, class: { ...one.class, title, date: day } }),
        0,
        title,
        day,
        figures,
        figures ? null : 1,
        new Date(),
        new Date(),
      ]
    })
    await connection.query(
      'INSERT INTO classes (document, position, title, day, summary, stale, created_at, updated_at) VALUES ?', [rows],
    )
  }
  await connection.end()
}
