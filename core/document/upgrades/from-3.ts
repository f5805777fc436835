/*
 * From version 3 to version 4. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 3 glued what it put on a card all over, did nothing to it before, and wrote on layers only. It knew neither
 * pools of papers nor what things cost that are bought.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: (entry: Data) => Data): unknown =>
  Array.isArray(list) ? list.map(entry => (isData(entry) ? change(entry) : entry)) : list

/** Papers are as they were; their keys may not look like those of pools. */
export const upgradePaper = (paper: Data): Data => paper

const held = (entry: Data): Data => ({
  ...entry, glue: { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' }, made: [],
})

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export const upgradeClass = (document: Data): Data => ({
  ...document,
  cards: each(document.cards, card => ({
    ...card,
    faces: each(card.faces, face => ({ ...face, message: false, layers: each(face.layers, held) })),
    free: each(card.free, held),
  })),
  pools: [],
  bought: [],
})
