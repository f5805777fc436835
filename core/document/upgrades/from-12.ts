/*
 * From version 12 to version 13. Frozen: it is never changed to follow what a new class starts with today.
 *
 * Version 12 did not know how long the making takes, how many share a machine, and how many days the post takes;
 * every step was told as it follows by itself.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

const HANDS = {
  'reading': 40, 'cutting': 90, 'scoring': 45, 'slitting': 90, 'putting': 90, 'trim': 30, 'wash': 120, 'spray': 60,
  'blend': 150, 'sponge': 90, 'stamp': 60, 'heat-emboss': 150, 'colour in': 240, 'draw': 120, 'emboss': 60,
  'die cut': 60, 'cut out': 180, 'punch': 30, 'crease': 30, 'sew': 300, 'other': 120, 'set': 60, 'tie': 120,
  'write': 120,
}
const DRYING = {
  'wet glue': 120, 'trim': 0, 'wash': 600, 'spray': 300, 'blend': 60, 'sponge': 60, 'stamp': 60, 'heat-emboss': 60,
  'colour in': 60, 'draw': 0, 'emboss': 0, 'die cut': 0, 'cut out': 0, 'punch': 0, 'crease': 0, 'sew': 0, 'other': 0,
  'set': 0, 'tie': 0, 'write': 0,
}

/** What is put on a card: told as it follows by itself. */
export const told = (dressing: Data): Data => ({ steps: [], note: '', ...dressing })

/** A class, alone or with its papers, and the settings of a studio alike. */
export const withEveningAndDays = (document: Data): Data => ({
  evening: {
    machines: 1, heatTools: 1, spread: 35, showing: 4, share: 60, hands: { ...HANDS }, drying: { ...DRYING },
  },
  ...document,
  ...(Array.isArray(document.cards) && {
    cards: document.cards.map((card: unknown) => (isData(card) ? told(card) : card)),
  }),
  ...(isData(document.post) && { post: { days: 4, ...document.post } }),
})
