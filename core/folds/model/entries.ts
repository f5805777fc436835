import type { Measure } from '../../lengths'
import type { CreaseDirection, Panel, Place } from './card'

/* What designs describe sheets with: panels and creases of a strip, places and boxes. */

export interface PanelEntry {
  key: string
  name: string
  width: Measure
}

/** An entry of a strip: a panel of some width. Creases stand between panels. */
export const panel = (key: string, name: string, width: Measure): PanelEntry => ({ key, name, width })

/** How a crease folds: its direction, and by how many degrees at each opening. */
export interface CreaseEntry {
  direction: CreaseDirection
  fold: (opening: number) => number
}

/** From `closed` degrees as mailed to `open` degrees on display, evenly. */
const evenly
  = (direction: CreaseDirection) =>
    (open: number, closed = 180): CreaseEntry => ({ direction, fold: opening => closed + (open - closed) * opening })
export const mountain = evenly('mountain')
export const valley = evenly('valley')
/** A crease whose fold follows a formula of its own. */
export const bent = (direction: CreaseDirection, fold: CreaseEntry['fold']): CreaseEntry => ({ direction, fold })

/**
 * A crease that folds only while the opening passes from one share of the way to another: one part waits for the other.
 */
export const during = (from: number, to: number, { direction, fold }: CreaseEntry): CreaseEntry =>
  bent(direction, opening => fold(Math.max(0, Math.min(1, (opening - from) / (to - from)))))

/** A place on a sheet, from its lower left corner. */
export const at = (x: Measure, y: Measure): Place => ({ x, y })
/** A box on a sheet by its lower left corner and its size. */
export const box = (
  x: Measure, y: Measure, width: Measure, height: Measure,
): Pick<Panel, 'x' | 'y' | 'width' | 'height'> => ({
  x, y, width, height,
})
