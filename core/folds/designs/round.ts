import { at } from '../model/entries'
import type { Place } from '../model/card'
import { Measure, nanometres } from '../../lengths'

const CORNERS = 60

/**
 * The part of a disc between two levels, as corners counter-clockwise.
 * @param x centre of the disc, `y` its height, all in nanometres
 * @param from lower level, `to` the upper one
 */
export function arcs(x: number, y: number, radius: number, from: number, to: number): Place[] {
  const spot = (right: number, up: number) =>
    at(Measure.of('Round edge', nanometres(right)), Measure.of('Round edge', nanometres(up)))
  /** Half the width of the disc at a level. */
  const reach = (level: number) => Math.sqrt(Math.max(0, radius * radius - (level - y) * (level - y)))
  const [low, high] = [Math.max(from, y - radius), Math.min(to, y + radius)]
  // Evenly by angle, so that flat caps are as smooth as the sides.
  const [start, end] = [low, high].map(level => Math.asin(Math.max(-1, Math.min(1, (level - y) / radius)))) as [
    number, number,
  ]
  const levels = Array.from({ length: CORNERS / 2 + 1 }, (_, index) =>
    index === 0
      ? low
      : index === CORNERS / 2
        ? high
        : y + radius * Math.sin(start + ((end - start) * index) / (CORNERS / 2)),
  )
  const right = levels.map(level => spot(x + reach(level), level))
  const left = levels.map(level => spot(x - reach(level), level)).reverse()
  return [...right, ...left].filter(
    ({ x, y }, index, all) => x.value !== all[index - 1]?.x.value || y.value !== all[index - 1]?.y.value,
  )
}

/**
 * A blank with a half-round notch for a finger in its foot, counter-clockwise from its lower left corner.
 * @param turned the notch is at the head instead
 * @param centre of the notch, from the left; in the middle where it is not given
 */
export function notched(
  { width, height }: { width: Measure, height: Measure },
  radius: Measure,
  turned = false,
  centre = width.half(),
): Place[] {
  const middle = (turned ? width.minus(centre) : centre).value
  const round = Array.from({ length: CORNERS / 4 + 1 }, (_, step) => {
    const angle = Math.PI * (1 - step / (CORNERS / 4))
    return at(
      Measure.of('Notch', nanometres(Math.round(middle + radius.value * Math.cos(angle)))),
      Measure.of('Notch', nanometres(Math.round(radius.value * Math.sin(angle)))),
    )
  })
  const zero = Measure.zero
  const corners = [at(zero, zero), ...round, at(width, zero), at(width, height), at(zero, height)]
  return turned ? corners.map(({ x, y }) => at(width.minus(x), height.minus(y))) : corners
}

/** How far it is in a straight line to what lies so far across and so far up. */
export const reachTo = (across: Measure, up: Measure): Measure =>
  Measure.of('Reach', nanometres(Math.floor(Math.hypot(across.value, up.value))))

/**
 * The outline round two discs, one above the other, that meet in a chord: right edges upwards, left edges downwards.
 */
export function outlineAround(lower: Place[], upper: Place[]): Place[] {
  const half = (corners: Place[]) => corners.length / 2
  return [...lower.slice(0, Math.ceil(half(lower))), ...upper, ...lower.slice(Math.ceil(half(lower)))]
}
