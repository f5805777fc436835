import type { SupplyKind } from '../document'
import type { Length } from '../lengths'

export interface Leftover {
  width: Length
  height: Length
  count: number
}

/** Sheets or offcuts of one supply that a plan uses up. */
export interface UsedUp extends Leftover {
  /** Key of the sheet format or offcut on the shelf; of a drop-out, that of its supply. */
  key: string
  kind: SupplyKind
}

/** How many of one sheet format or offcut are used up. */
export const goneOf = (usedUp: UsedUp[], key: string): number => usedUp.find(other => other.key === key)?.count ?? 0

/** What is used up beside fresh sheets. */
export const offcutsIn = (usedUp: UsedUp[]): UsedUp[] => usedUp.filter(({ kind }) => kind !== 'sheet')
