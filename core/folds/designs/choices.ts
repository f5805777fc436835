import type { Measure } from '../../lengths'
import type { Means, WindowShape } from '../model/card'
import { length, options } from '../model/parameters'

/** Choices that several designs offer in the same words. */
export const WINDOWS = options({ circle: 'Round', rectangle: 'Square' })

/** Windows with two sizes of their own. */
export const OPENINGS = options({ circle: 'Round', rectangle: 'Rectangle' })

/** How a loose piece on the front is held. */
export const HELD = options({ tape: 'Flat', foam: 'On foam' })
/** The same where foam is usual. */
export const RAISED = [...HELD].reverse()
export const heldBy = (held: string): Means => (held === 'foam' ? 'foam' : 'tape')

export const shapeOf = (window: string): WindowShape => (window === 'circle' ? 'circle' : 'rectangle')

/** The border of every mat of a card. */
export const matBorder = length('Border', '1/8 in', '3 mm', {
  zero: true, help: 'What each mat leaves visible on every side',
})

/**
 * What the maker has said of a length whose field says “Nothing: as usual”, and the usual one where that is nothing.
 */
export const orUsual = (said: Measure, usual: Measure): Measure => (said.value > 0 ? said : usual)

/** The border that a base shows round an inner sheet: at its sides, and at head and foot where that is another one. */
export const insertBorder = {
  border: length('Border', '1/8 in', '3 mm', { help: 'What the inner sheet leaves visible of the base' }),
  borderHigh: length('Border at head and foot', '0 in', '0 mm', { zero: true, help: 'Nothing: as at the sides' }),
}
