/*
 * From version 10 to version 11. Frozen: it is never changed to follow what a new class starts with today.
 *
 * Version 10 knew papers by name, weight and look alone: sold by the sheet, alike on both sides, good for everything,
 * with no picture to be cut out.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: (entry: Data) => Data): unknown =>
  Array.isArray(list) ? list.map(entry => (isData(entry) ? change(entry) : entry)) : list

/** A paper; what is no list of entries stays for the door to refuse. */
export const upgradePaper = (paper: Data): Data => ({
  article: '', where: '', link: '', note: '', family: '', standsIn: [], thick: '0 mm', coating: 'uncoated', core: 'dyed',
  scale: 'middle', folded: 'flat', pictures: [], holds: [],
  back: {
    differs: false, name: '', colour: paper.colour, motif: paper.motif, scale: 'middle', upright: paper.upright,
  },
  ...paper,
  stocks: each(paper.stocks, stock => ({ pack: 1, ...stock })),
})

/** A class, alone or with its papers. */
export const upgradeClass = (document: Data): Data => ({
  ...document,
  ...(document.cards !== undefined && { cards: each(document.cards, card => ({ pictures: {}, ...card })) }),
  ...(document.papers !== undefined && { papers: each(document.papers, upgradePaper) }),
})
