/*
 * From version 2 to version 3. Frozen: it is never changed to follow what a new class
 * starts with today.
 *
 * Version 2 cut from every sheet format of a paper that the class did not do without. Version 3
 * cuts from those of the class's own units, and from others that it names. It also says what is
 * put on a card otherwise than the catalogue has it; of that version 2 knew nothing. And a size that
 * a card leaves out follows the size of the card, where in version 2 it was always the same. The
 * scoring board has marks of its own.
 */
import { LEFT_OUT } from './left-out-2'

type Data = Record<string, unknown>

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Papers are as they were. */
export const upgradePaper = (paper: Data): Data => paper

/** A class, alone or with its papers; what is no list of entries stays for the door to refuse. */
export function upgradeClass(document: Data): Data {
  const each = (list: unknown, added: Data): unknown =>
    Array.isArray(list) ? list.map(entry => (isData(entry) ? { ...entry, ...added } : entry)) : list
  const isMetric = isData(document.class) && document.class.units === 'metric'
  const sized = (card: unknown) => (isData(card) ? withSizes(card, isMetric) : card)
  const cards = Array.isArray(document.cards) ? document.cards.map(sized) : document.cards
  return { ...document, cards, tools: upgradeTools(document.tools), cutting: each(document.cutting, { also: [] }) }
}

/** The scoring board was read with the marks of the trimmer; in the settings of a studio as well. */
export const upgradeTools = (tools: unknown): unknown => (isData(tools) ? { board: tools.mark, ...tools } : tools)

/** A card with what it left out written down, and nothing put on it but what the catalogue puts there. */
function withSizes(card: Data, isMetric: boolean): Data {
  const usual = typeof card.fold === 'string' && Object.hasOwn(LEFT_OUT, card.fold) ? LEFT_OUT[card.fold] : undefined
  const bare = { ...card, faces: [], free: [] }
  if (!usual || !isData(card.parameters)) return bare
  const sizes = Object.fromEntries(
    Object.entries(usual).map(([name, [inch, metric]]) => [name, isMetric ? metric : inch]),
  )
  // Beside a window this front had no mat.
  const isOpen = card.fold === 'rising-scene' && card.parameters.window === true
  const faces = isOpen ? [{ key: 'base--front--outside', stamped: false, layers: [] }] : []
  return { ...bare, faces, parameters: { ...sizes, ...card.parameters } }
}
