/*
 * Content as heavy as it may be, for whatever weighs what is done with it.
 */

/** A batch file, and patches of one: what is tried is sent as it is, so their fields are not told apart here. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type Loose = any

export const list = <Entry>(length: number, entry: (at: number) => Entry): Entry[] =>
  Array.from({ length }, (_, at) => entry(at))

export function pick<Entry>(list: readonly Entry[], random: () => number): Entry {
  if (list.length === 0) throw new Error('There is nothing to draw from.')
  return list[Math.floor(random() * list.length)] as Entry
}

/** Five hundred seats with somebody of whom much is written at each. */
export function fillSeats(file: Loose) {
  file.class.seats = 500
  const [first = {}] = file.roster
  const notes = 'n'.repeat(1500)
  file.roster = list(500, at => ({ ...first, key: `seat-${at + 1}`, name: `Nobody ${at}`, notes }))
}

/**
 * Changes that put two thousand papers on the shelf, each like one but without offcuts and with one format of sheets.
 */
export const manyPapers = ({ papers: [paper] }: Loose) => list(2000, at => ({
  op: 'add', path: ['papers'], after: null,
  entry: { ...paper, offcuts: [], stocks: paper.stocks.slice(0, 1), key: `many-${at}`, name: `Many ${at}` },
}))

/** Changes that take the same papers off it. */
export const takenOff = (patches: { entry: { key: string } }[]) =>
  patches.map(({ entry }) => ({ op: 'remove', path: ['papers', entry.key] }))
