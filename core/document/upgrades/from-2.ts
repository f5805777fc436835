/*
 * From version 2 to version 3. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 2 cut from every sheet format of a paper that the class did not do without. Version 3
 * cuts from those of the class's own units, and from others that it names. It also says what is
 * put on a card otherwise than the catalogue has it; of that version 2 knew nothing.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Papers are as they were. */
export const upgradePaper = (paper: Data): Data => paper

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export function upgradeClass(document: Data): Data {
  const each = (list: unknown, added: Data): unknown =>
    Array.isArray(list) ? list.map(entry => (isData(entry) ? { ...entry, ...added } : entry)) : list
  return { ...document, cards: each(document.cards, { faces: [], free: [] }), cutting: each(document.cutting, { also: [] }) }
}
