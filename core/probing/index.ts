import type { DressingEntry } from '../document'
import type { Construction, Face, Panel } from '../folds'
import { glueAmiss } from './holding'
import { hiddenParts, peeping } from './looking'
import { inTheWay } from './passing'
import { stickingOut } from './outside'
import type { Verdict } from './space'
import { roomToWrite } from './writing'

export type { Verdict } from './space'

/** What may be wrong with a part of a card, and the words of its finding that say so. */
export const AMISS = {
  'never seen': /is never seen/,
  'in the way': /stands in its way/,
  'glued beyond': /is glued beyond/,
  'over an opening': /is glued over an opening/,
  'looking out': /shows while the card is closed/,
  'sticking out': /sticks out of the closed card/,
} as const
export type Amiss = keyof typeof AMISS

/** What a slow look at a card in space says of its parts, by their keys; a part that is not named is as it should be. */
export function secondLook(natural: Construction, card: Construction): Record<Amiss, ReadonlyMap<string, Verdict>> {
  const { beyond, overOpening } = glueAmiss(card)
  return {
    'never seen': hiddenParts(card),
    'in the way': inTheWay(card),
    'glued beyond': beyond,
    'over an opening': overOpening,
    'looking out': peeping(card),
    'sticking out': stickingOut(natural, card),
  }
}

/** The rooms to write on that are found cell by cell, the largest first: on every message piece and every face that is kept for one. */
export function roomsToWrite(card: Construction, { faces }: Pick<DressingEntry, 'faces'>): { width: number, height: number }[] {
  const written: [Panel, Face][] = faces.filter(({ message }) => message).flatMap(({ key }) =>
    card.parts.flatMap(part => part.panels).flatMap(panel => (['inside', 'outside'] as const)
      .filter(side => `${panel.part}--${panel.key}--${side}` === key).map((side): [Panel, Face] => [panel, side])))
  const pieces = card.parts.filter(({ kind }) => kind === 'message').flatMap(({ panels }) => panels).map((panel): [Panel, Face] => [panel, 'inside'])
  return [...pieces, ...written].flatMap(([panel, side]) => roomToWrite(card, panel, side === 'inside' ? 1 : -1) ?? [])
    .sort((a, b) => b.width * b.height - a.width * a.height)
}
