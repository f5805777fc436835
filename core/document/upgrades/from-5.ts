/*
 * From version 5 to version 6. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 5 knew one choice of papers for a card, dealt prints of pools out in turn, and had nobody's name: bags were
 * alike.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Papers are as they were. */
export const upgradePaper = (paper: Data): Data => paper

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export const upgradeClass = (document: Data): Data => ({
  ...document,
  cards: Array.isArray(document.cards)
    ? document.cards.map(card => (isData(card) ? { colourways: [], insteadOf: '', bags: [], ...card } : card))
    : document.cards,
  sharing: {
    touching: { hold: 'wish', weight: 20 },
    neighbours: { hold: 'wish', weight: 10 },
    different: { hold: 'wish', weight: 10 },
    evenly: { hold: 'wish', weight: 1 },
    surplus: 0,
  },
  roster: [],
})
