import { readFileSync } from 'node:fs'
import type { Batch } from '..'
import { readBatch } from '../../formats'

export type Data = ReturnType<typeof JSON.parse>
export const fixture = (name: string): Data =>
  JSON.parse(readFileSync(new URL(`fixtures/${name}.json`, import.meta.url), 'utf8'))

export function opened(data: Data): Batch {
  const read = readBatch(JSON.stringify(data))
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}

/** Before version 8 there was no time of day, and tape and foam were prices. */
export const UNTIMED = { starts: '', lasts: 180, place: '' }
export const moneyOf = ({ currency, hour = 1200 }: Data) => ({
  currency, hour, venue: 0, seat: 0, packs: 'share', offcuts: 'nothing',
})

export const pricesOf = ({ supplies }: Batch) => supplies.map(({ price }) => price)
/**
 * Before version 9 the parts of a fold were held as the catalogue has them, and no piece was cut out of another one.
 */
export const inOneHold = (card: Data): Data =>
  ({
    parts: [], ...UNTOLD, ...UNPICTURED, ...card,
    free: (card.free ?? []).map((piece: Data) => ({ from: '', ...piece })),
  })

/** Before version 6 a card was the same for everybody. */
export const ALIKE = { colourways: [], insteadOf: '', bags: [] }
/** Before version 10 every paper was cut by itself, and no paper was held apart from the others. */
export const APART = { apart: false }
/** What was not limited before version 5. */
export const UNLIMITED = {
  working: 'as it pays', mostPiles: null, mostLayouts: null, mostStages: null, leastStrip: '0 in', offcutsFirst: false,
}

/** Before version 12 a face was stamped or not, and what was done to a piece was one of four words. */
export const STAMPED = {
  key: 'work-1', technique: 'stamp', shows: '', sort: 'motif', using: '', width: '0 in', height: '0 in', centred: true,
  left: '0 in', bottom: '0 in', turn: 0, times: 1, by: 'either',
}
/** A face or a piece of an older file, with these works instead. */
export const worked = ({ stamped: _, made: __, ...entry }: Data, works: Data[]): Data => ({ ...entry, works })

/** Before version 11 nothing was cut out of a picture. */
export const UNPICTURED = { pictures: {} }

/** Before version 13 steps were told as they follow by themselves. */
export const UNTOLD = { steps: [], note: '' }

/** Before version 3 nothing was put on a card. */
export const UNDRESSED = { ...UNPICTURED, ...UNTOLD, faces: [], free: [], parts: [] }

/** Before version 11 a paper was sold by the sheet, alike on both sides and good for everything. */
export const soldSingly = (paper: Data): Data => ({
  article: '', where: '', link: '', note: '', family: '', standsIn: [], thick: '0 mm', coating: 'uncoated', core: 'dyed',
  scale: 'middle', folded: 'flat', pictures: [], holds: [], ...paper,
  stocks: paper.stocks.map((stock: Data) => ({ pack: 1, ...stock })),
  back: {
    differs: false, name: '', colour: paper.colour, motif: paper.motif, scale: 'middle', upright: paper.upright,
  },
})
