import type { Construction, Panel, Pose } from '../folds'
import { dot, isLayer, isWhole, panelKey, poseOf, seenFrom, windowOutline } from '../folds'
import { difference } from './clipping'
import { AJAR, CRACK, NEAR, PARALLEL, areaOfAll, coverOf, polygonOf } from './seen'

/** How much of an opening is clear of what slides past it, as a share of it. */
export interface ClearWindow {
  key: string
  name: string
  panel: Panel
  open: number
  closed: number
}

/**
 * Every window that something slides past: how much of it stays covered by that on display, and while the card is
 * closed.
 */
export function windowsClear(card: Construction): ClearWindow[] {
  const parts = card.parts.filter(isWhole)
  if (parts.every(({ windows }) => windows.length === 0)) return []
  const [open, closed, ...between] = [1, CRACK, 0.25, 0.5, 0.75].map(opening => poseOf(card, opening, AJAR)) as [
    Pose, Pose, ...Pose[],
  ]
  const all = parts.flatMap(part => part.panels.map(panel => ({ part, panel })))
  return parts.filter(part => !isLayer(part.kind)).flatMap(part => part.windows.flatMap((window): ClearWindow[] => {
    const panel = part.panels.find(({ key }) => key === window.panel)
    if (!panel || window.width.value <= 0 || window.height.value <= 0 || !open.has(panelKey(panel))) return []
    const sliding = all.filter(other => other.panel !== panel && slides(other.panel, panel))
    if (sliding.length === 0) return []
    const whole = polygonOf(windowOutline(window), [], panel)
    const clear = (pose: Pose) => {
      const over = sliding.flatMap(other =>
        (['inside', 'outside'] as const).flatMap(side =>
          coverOf(pose, panel, other, { side, near: NEAR, later: true }),
        ),
      )
      return over.length === 0 ? 1 : areaOfAll(difference(whole, ...over)) / areaOfAll([whole])
    }
    const shares = { open: clear(open), closed: clear(closed) }
    return Math.min(shares.open, shares.closed) < 1 ? [{ key: window.key, name: window.name, panel, ...shares }] : []
  }))

  /** Whether a panel moves along another one and stays about parallel to it. */
  function slides(panel: Panel, along: Panel): boolean {
    const places = [closed, ...between, open].map((pose) => {
      const [ground, mover] = [pose.get(panelKey(along)), pose.get(panelKey(panel))]
      return ground && mover && Math.abs(dot(ground.normal, mover.normal)) > PARALLEL
        ? seenFrom(ground, mover.origin)
        : undefined
    })
    const [first, last] = [places[0], places.at(-1)]
    return first !== undefined && last !== undefined && places.every(place => place !== undefined)
      && Math.hypot(first[0] - last[0], first[1] - last[1]) > NEAR
  }
}
