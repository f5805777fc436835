/*
 * Content as heavy as it may be, for whatever weighs what is done with it.
 */

export const list = (length, entry) => Array.from({ length }, (_, at) => entry(at))

/** Five hundred seats with somebody of whom much is written at each. */
export function fillSeats(file) {
  file.class.seats = 500
  const [first = {}] = file.roster
  file.roster = list(500, at => ({ ...first, key: `seat-${at + 1}`, name: `Nobody ${at}`, notes: 'n'.repeat(1500) }))
}

/**
 * Changes that put two thousand papers on the shelf, each like one but without offcuts and with one format of sheets.
 */
export const manyPapers = ({ papers: [paper] }) => list(2000, at => ({
  op: 'add', path: ['papers'], after: null,
  entry: { ...paper, offcuts: [], stocks: paper.stocks.slice(0, 1), key: `many-${at}`, name: `Many ${at}` },
}))

/** Changes that take the same papers off it. */
export const takenOff = patches => patches.map(({ entry }) => ({ op: 'remove', path: ['papers', entry.key] }))
