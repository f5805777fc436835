import type { SupplyKind } from '../cutting'
import type { Length } from '../lengths'

export interface Leftover {
  width: Length
  height: Length
  count: number
}

/** Sheets or offcuts of one size that a plan uses up. */
export interface UsedUp extends Leftover {
  kind: SupplyKind
}

/** How many of one kind and size are used up. */
export const goneOf = (usedUp: UsedUp[], kind: SupplyKind, { width, height }: { width: Length, height: Length }): number =>
  usedUp.find(other => other.kind === kind && other.width === width && other.height === height)?.count ?? 0

/** What is used up beside fresh sheets. */
export const offcutsIn = (usedUp: UsedUp[]): UsedUp[] => usedUp.filter(({ kind }) => kind !== 'sheet')
