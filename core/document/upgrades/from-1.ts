import { lengthFrom, parseLength } from '../../lengths'

/*
 * From version 1 to version 2. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 1 grew without saying so. Its first documents have no posting, then
 * none of the wishes for single papers, pace, kerf, grain and offcuts; what is missing
 * gets what was natural when it came. Version 2 gives a key to sheet formats, offcuts,
 * kept layouts, envelopes and rates, and whatever pointed at one by its size or its name
 * points at its key.
 */

type Data = Record<string, unknown>

const PACE = { setting: 25, stroke: 4, handling: 8 }
const POST = {
  foam: '1.5 mm',
  bulk: 1.25,
  envelopes: [
    { name: 'Small envelope', width: '4 3/8 in', height: '5 3/4 in' },
    { name: 'Half sheet envelope', width: '5 3/4 in', height: '8 3/4 in' },
    { name: 'Square envelope', width: '6 1/4 in', height: '6 1/4 in' },
    { name: 'A6 envelope', width: '114 mm', height: '162 mm' },
    { name: 'A5 envelope', width: '162 mm', height: '229 mm' },
    { name: 'Long envelope', width: '110 mm', height: '220 mm' },
  ],
  rates: [
    { name: 'Flat letter', width: '165 mm', height: '240 mm', thickness: '5 mm', weight: 100, price: 110 },
    { name: 'Thick letter', width: '250 mm', height: '353 mm', thickness: '25 mm', weight: 500, price: 290 },
    { name: 'Small parcel', width: '350 mm', height: '450 mm', thickness: '160 mm', weight: 2000, price: 540 },
  ],
}

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const data = (value: unknown): Data => (isData(value) ? value : {})

/** Changes every entry of a list; what is no list of entries stays for the door to refuse. */
const each = (list: unknown, change: (entry: Data, index: number) => unknown): unknown =>
  Array.isArray(list) ? list.map((entry, index) => (isData(entry) ? change(entry, index) : entry)) : list

/** A paper, with a key for each of its sheet formats and offcuts. */
export function upgradePaper(paper: Data): Data {
  const taken = new Set<string>()
  const keyed
    = (kind: string) =>
      (entry: Data): Data => ({ key: unused(sizeKey(kind, entry), taken), ...entry })
  return {
    grain: 'any', ...paper, stocks: each(paper.stocks, keyed('sheet')),
    offcuts: each(paper.offcuts ?? [], keyed('offcut')),
  }
}

/** A class, alone or with its papers. */
export function upgradeClass(document: Data): Data {
  const tools = data(document.tools)
  const wishes = data(document.wishes)
  const before = document.cutting === undefined
  const post = document.post === undefined ? POST : document.post
  const envelopes = new Map<unknown, string>()
  const taken = new Set<string>()
  const named = (entry: Data): Data => {
    const key = unused(nameKey(entry.name), taken)
    if (!envelopes.has(entry.name)) envelopes.set(entry.name, key)
    return { key, ...entry }
  }
  const newPost = isData(post)
    ? { ...post, envelopes: each(post.envelopes, named), rates: each(post.rates, keyedRate(new Set())) }
    : post
  return {
    ...document,
    version: 2,
    cards: each(document.cards, card => ({
      ...card,
      // The name of an envelope that is not in the table stays as a key that nothing has, and is found to be missing as
      // before.
      envelope:
        card.envelope === undefined || card.envelope === ''
          ? ''
          : (envelopes.get(card.envelope) ?? nameKey(card.envelope)),
    })),
    tools: isData(document.tools) ? { kerf: '0 mm', pace: PACE, ...tools } : document.tools,
    // What was called fewest sheets spent the least money first until wishes for single papers came.
    wishes: before && wishes.priority === 'sheets' ? { ...wishes, priority: 'money' } : document.wishes,
    cutting: before ? [] : each(document.cutting, upgradeCutting),
    post: newPost,
    ...(document.papers !== undefined && { papers: each(document.papers, upgradePaper) }),
  }
}

function upgradeCutting(entry: Data): Data {
  return {
    ...entry,
    without: Array.isArray(entry.without)
      ? entry.without.map(size => (isData(size) ? sizeKey('sheet', size) : size))
      : entry.without,
    layouts: each(entry.layouts, (layout, index) => ({
      key: `kept-${index + 1}`,
      supply:
        layout.from === 'drop-out' ? '' : sizeKey(layout.from === 'offcut' ? 'offcut' : 'sheet', data(layout.tree)),
      shelved: false,
      ...layout,
    })),
  }
}

const keyedRate
  = (taken: Set<string>) =>
    (rate: Data): Data => ({ key: unused(nameKey(rate.name), taken), ...rate })

/** `sheet-215900000x279400000`: the size in nanometres, so that it is found whatever its unit. */
function sizeKey(kind: string, { width, height }: Data): string {
  const read = [width, height].map(side =>
    typeof side === 'string' && side.length < 100 && parseLength(side, 'inch').ok ? Math.abs(lengthFrom(side)) : 0,
  )
  return `${kind}-${read.join('x')}`
}

const nameKey = (name: unknown): string =>
  String(name)
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60)
    .replace(/-+$/, '') || 'unnamed'

function unused(stem: string, taken: Set<string>): string {
  let key = stem
  for (let number = 2; taken.has(key); number++) key = `${stem}-${number}`
  taken.add(key)
  return key
}
