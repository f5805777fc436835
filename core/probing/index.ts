import type { Construction } from '../folds'
import { glueAmiss } from './holding'
import { hiddenParts, peeping } from './looking'
import { inTheWay } from './passing'
import { stickingOut } from './outside'
import type { Verdict } from './space'
import type { Room } from './writing'
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

/** Points along each side of a glued area for one who looks closely. */
const CLOSE = 80

/**
 * What a slow look at a card in space says of its parts, by their keys; a part that is not named is as it should be.
 * @param natural the card without the maker's dressing
 * @param closely whether points lie so close that a sliver of glue is met too
 */
export function secondLook(
  natural: Construction, card: Construction, closely = false,
): Record<Amiss, ReadonlyMap<string, Verdict>> {
  const { beyond, overOpening } = glueAmiss(card, closely ? CLOSE : undefined)
  return {
    'never seen': hiddenParts(card),
    'in the way': inTheWay(card),
    'glued beyond': beyond,
    'over an opening': overOpening,
    'looking out': peeping(card),
    'sticking out': stickingOut(natural, card),
  }
}

/** The room to write on that is found cell by cell on each of the message areas of a card, as they are listed there. */
export const roomsToWrite = (card: Construction): (Room | undefined)[] =>
  [card.message, ...(card.alsoMessages ?? [])].map(
    area => area?.on && roomToWrite(card, area.on.panel, area.on.side === 'inside' ? 1 : -1),
  )
