/*
 * From version 11 to version 12. Frozen: it is never changed to follow what a new class starts with today.
 *
 * Version 11 knew four words for what is done to a piece, and of a face only whether it is stamped.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: (entry: Data) => Data): unknown =>
  Array.isArray(list) ? list.map(entry => (isData(entry) ? change(entry) : entry)) : list

const TECHNIQUES: Record<string, string> = {
  'stamped': 'stamp', 'coloured': 'colour in', 'die cut': 'die cut', 'cut out': 'cut out',
}
const work = (word: unknown, at: number): Data => ({
  key: `work-${at + 1}`, technique: TECHNIQUES[String(word)] ?? word, shows: '', sort: 'motif', using: '',
  width: '0 in', height: '0 in', centred: true, left: '0 in', bottom: '0 in', turn: 0, times: 1, by: 'either',
})

/**
 * A piece or a layer. A word is understood once, however often it stands there; what is of no version may know works
 * already.
 */
const piece = ({ made, ...entry }: Data): Data => ({
  works: Array.isArray(made) ? [...new Set(made)].map(work) : made ?? [], ...entry,
})
const face = ({ stamped, ...entry }: Data): Data => ({
  works: stamped === true ? [work('stamped', 0)] : stamped === false || stamped === undefined ? [] : stamped,
  ...entry,
  layers: each(entry.layers, piece),
})

/** What is put on a card. */
export const upgradeDressing = (dressing: Data): Data => ({
  ...dressing,
  faces: each(dressing.faces, face),
  free: each(dressing.free, piece),
  parts: each(dressing.parts, piece),
})

/** A class, alone or with its papers. */
export const upgradeClass = (document: Data): Data => ({
  ...document, ...(document.cards !== undefined && { cards: each(document.cards, upgradeDressing) }),
})
