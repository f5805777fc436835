import { cross, scale, subtract } from '../motion/frame'

const RADIAN = Math.PI / 180

/**
 * The floor of a corner between two walls. Walls, floor and diagonal meet in one
 * point with angles of 90, 45, 45 and 90 degrees: a spherical linkage, alike on both
 * sides of the plane that halves the angle ψ between the walls. The diagonal stays in
 * that plane and at 45 degrees to the foot of each wall, so it rises from the ground
 * by ε with cos ε = cos 45° / cos(ψ/2).
 * @returns degrees: `foot` between wall and floor, 90 at a right angle and 180 when closed;
 *   `diagonal` between the two halves of the floor, 0 when it is flat
 */
export function cornerFloor(opening: number): { foot: number, diagonal: number } {
  if (opening === 0) return { foot: 180, diagonal: 180 }
  if (opening === 1) return { foot: 90, diagonal: 0 }
  const half = 45 * opening * RADIAN
  const rise = Math.acos(Math.min(1, Math.SQRT1_2 / Math.cos(half)))
  // Foot of the wall p, diagonal d; up is z and the halving plane x = 0.
  const p = [Math.sin(half), Math.cos(half), 0] as const
  const d = [0, Math.cos(rise), Math.sin(rise)] as const
  const across = subtract(d, scale(p, Math.SQRT1_2))
  const foot = Math.acos(-across[2] / Math.hypot(...across)) / RADIAN
  // The floor's normal is square to p and d; its mirror image belongs to the other half.
  const normal = cross(p, d)
  const size = Math.hypot(...normal)
  return { foot, diagonal: 2 * Math.asin(Math.min(1, Math.abs(normal[0]) / size)) / RADIAN }
}
