import { itemAt } from '../lists'

/*
 * Which groups of a cut node are still to come off. Plain numbers are quick and hold 53 groups; for more of them big
 * integers are used.
 */

export type GroupSet = number | bigint

/** Groups that a number tells apart. */
const IN_A_NUMBER = 53

export const allOf = (groups: number): GroupSet =>
  groups <= IN_A_NUMBER ? 2 ** groups - 1 : (1n << BigInt(groups)) - 1n

export const has = (set: GroupSet, group: number): boolean =>
  (typeof set === 'number' ? (set / itemAt(POWERS, group)) % 2 >= 1 : (set >> BigInt(group) & 1n) === 1n)
const POWERS = Array.from({ length: IN_A_NUMBER }, (_, group) => 2 ** group)

/** @param group one that is in it */
export const withoutGroup = (set: GroupSet, group: number): GroupSet =>
  (typeof set === 'number' ? set - 2 ** group : set - (1n << BigInt(group)))

export const isNone = (set: GroupSet): boolean => set === 0 || set === 0n

/** Whether there is one group in it and no other. */
export const isOne = (set: GroupSet): boolean =>
  (typeof set === 'number' ? POWERS.includes(set) : set > 0n && (set & (set - 1n)) === 0n)
