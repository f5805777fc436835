/*
 * From version 8 to version 9. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 8 drew dots for layers from the hook-and-loop dots, held the parts of a fold as the catalogue has them, and
 * cut every free piece from a paper of its own.
 */

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: (entry: Data) => Data): unknown =>
  Array.isArray(list) ? list.map(entry => (isData(entry) ? change(entry) : entry)) : list

/** Papers are as they were. */
export const upgradePaper = (paper: Data): Data => paper

/** The key by which a fold that wants a hook-and-loop dot finds it among what is bought. */
const HOOK_AND_LOOP = 'hook-and-loop-dot'

/** Whether a supply was for dots and is hook and loop by its name. */
const isHookAndLoop = ({ use, name }: Data): boolean => use === 'dot' && /hook.+loop/i.test(String(name))

/** Hook-and-loop dots are a thing that a card names, and no dots for layers. */
export function upgradeSupplies(supplies: unknown): unknown {
  const isFree = Array.isArray(supplies) && !supplies.some(entry => isData(entry) && entry.key === HOOK_AND_LOOP)
  return each(supplies, supply =>
    isHookAndLoop(supply) ? { ...supply, use: 'thing', ...(isFree && { key: HOOK_AND_LOOP }) } : supply,
  )
}

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export function upgradeClass(document: Data): Data {
  const before = Array.isArray(document.supplies)
    ? document.supplies
        .filter(isData)
        .filter(isHookAndLoop)
        .map(({ key }) => key)
    : []
  const supplies = upgradeSupplies(document.supplies)
  const isMoved = Array.isArray(supplies) && supplies.some(entry => isData(entry) && entry.key === HOOK_AND_LOOP)
  return {
    ...document,
    supplies,
    shopping: each(document.shopping, line =>
      (isMoved && line.sort === 'supply' && before.includes(line.item) ? { ...line, item: HOOK_AND_LOOP } : line)),
    cards: each(document.cards, card => ({
      parts: [], ...card, free: each(card.free, piece => ({ from: '', ...piece })),
    })),
  }
}
