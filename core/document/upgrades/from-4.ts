/*
 * From version 4 to version 5. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 4 counted settings, strokes and handling only, had no price for an hour, and wished for fewest settings or
 * least time, which are one wish since. It knew one foam for the whole class, and one kind of tape.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: (entry: Data) => Data): unknown =>
  Array.isArray(list) ? list.map(entry => (isData(entry) ? change(entry) : entry)) : list

/** Papers are as they were. */
export const upgradePaper = (paper: Data): Data => paper

/** The paces that were not counted; in the settings of a studio as well. */
export const upgradeTools = (tools: unknown): unknown =>
  isData(tools) && isData(tools.pace)
    ? { ...tools, pace: { turning: 3, aside: 10, beside: 2, reading: 30, ...tools.pace } }
    : tools

/** What an hour costs, and a metre of strong tape; in the settings of a studio as well. */
export const upgradePrices = (prices: unknown): unknown =>
  isData(prices) ? { hour: 1200, strongTapePerMetre: 20, ...prices } : prices

const wished = (priority: unknown): unknown => (priority === 'settings' || priority === 'time' ? 'easy' : priority)
const raised = (entry: Data): Data => ({ foam: '0 in', ...entry })

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export const upgradeClass = (document: Data): Data => ({
  ...document,
  cards: each(document.cards, card => ({
    ...card,
    faces: each(card.faces, face => ({ ...face, layers: each(face.layers, raised) })),
    free: each(card.free, raised),
  })),
  tools: upgradeTools(document.tools),
  wishes: isData(document.wishes)
    ? {
        ...document.wishes,
        priority: wished(document.wishes.priority),
        working: 'as it pays',
        mostPiles: null,
        mostLayouts: null,
        mostStages: null,
        leastStrip: '0 in',
      }
    : document.wishes,
  cutting: each(document.cutting, entry => ({ ...entry, priority: wished(entry.priority) })),
  prices: upgradePrices(document.prices),
})
