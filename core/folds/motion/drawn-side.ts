import type { Construction, Part } from '../model/card'
import { closedPose, panelKey } from './pose'

/** What a maker calls the side of a sheet that its pattern shows and that lies up for its valleys. */
export type DrawnSide = 'inside' | 'outside' | 'front'

/** What the other side of the sheet is called then. */
export const OTHER_SIDE = { inside: 'outside', outside: 'inside', front: 'back' } as const satisfies Record<
  DrawnSide,
  string
>

/** Share of a sheet that must look one way on the closed card for that way to give it its name. */
const LOOKS = 0.3

/**
 * Names the drawn side of the parts of a card. Valleys alone close over it, mountains alone leave it outside. Of a
 * sheet that is folded both ways it is the front where most of it looks one way on the closed card, and the inside
 * where its panels look at each other.
 */
export const drawnSides = (card: Construction) => ({ creases, panels }: Part): DrawnSide => {
  const first = creases[0]?.direction
  if (creases.every(({ direction }) => direction === first)) return first === 'mountain' ? 'outside' : 'inside'
  let [whole, looks] = [0, 0]
  for (const panel of panels) {
    const area = panel.width.value * panel.height.value
    whole += area
    looks += area * (closedPose(card).get(panelKey(panel))?.normal[2] ?? 0)
  }
  const share = whole === 0 ? 0 : looks / whole
  return Math.abs(share) > LOOKS ? 'front' : 'inside'
}
