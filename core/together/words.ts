import { lettersOf } from '../cutting'
import type { PaperPart, PaperShare, SheetStack } from './stacks'

/*
 * What an order of several papers says, in words that stand alike on screen, in print, in files and on the command
 * line.
 */

/** Of which papers some things are: `Kelp`, or `4 Kelp, 2 Fog`. */
export const papersInWords = (shares: readonly PaperShare[]): string => {
  const [only, ...others] = shares
  if (!only) return ''
  return others.length === 0
    ? only.paper.name
    : shares.map(({ paper, quantity }) => `${quantity} ${paper.name}`).join(', ')
}

/**
 * Where pieces that came off go: `4 Kelp, 2 Fog`, or `4 Kelp: Base, 2 Fog: Pocket` where papers make different pieces
 * of them.
 */
export function partsInWords(parts: readonly PaperPart[]): string {
  const names = new Set(parts.map(({ name }) => name))
  return names.size < 2
    ? papersInWords(parts)
    : parts.map(({ paper, quantity, name }) => `${quantity} ${paper.name}: ${name ?? ''}`).join(', ')
}

/**
 * How sheets lie under the blade, a stack after the other: `4 Kelp; 1 Rope under 2 Fog`. Nothing where they are all of
 * one paper.
 */
export const lotsInWords = (lots: readonly (readonly PaperShare[])[]): string =>
  (lots.every(lot => lot.length === 1) && new Set(lots.map(([share]) => share?.paper.key)).size === 1
    ? ''
    : lots.map(lot => lot.map(({ paper, quantity }) => `${quantity} ${paper.name}`).join(' under ')).join('; '))

/** What the pieces of some stacks are called, by their places: names that papers have in common once. */
export function placeNames(stacks: readonly SheetStack[]): Map<string, string> {
  const names = new Map<string, Set<string>>()
  for (const { members } of stacks)
    for (const { pieces, of } of members)
      for (const [place, demand] of pieces)
        names.set(place, (names.get(place) ?? new Set()).add(of.names.get(demand) ?? demand))
  return new Map([...names].map(([place, all]) => [place, [...all].join(' / ')]))
}

/** A letter for each piece on some stacks, by its place. */
export const placeLetters = (stacks: readonly SheetStack[], kerf: number): Map<string, string> =>
  lettersOf(stacks.map(({ key, root }) => ({ key, root, supply: key, repeats: 1 })), kerf)
