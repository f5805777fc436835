import { dot } from '../motion/frame'

const DEGREES = 180 / Math.PI

/**
 * A square whose diagonals and middle line meet in its centre, two opposite quarters
 * held by covers that open by ω about the middle line. The quarters are at 45 degrees
 * to the fold between covers; by symmetry the middle line of each side stays in the
 * plane that halves ω and dips into it by β with tan(β/2) = cos(ω/2).
 *
 * A tucked corner is a flat-foldable point of degree four (45, 45, 135, 135 degrees):
 * its outer diagonal folds as the inner one does, and its two flanks by γ with
 * tan(γ/2) = √2 · tan(δ/2), δ being the fold of the diagonal.
 * @returns degrees of `diagonal`, `middle` and `flank`: 0 spread flat, 180 folded
 */
export function squash(opening: number): { diagonal: number, middle: number, flank: number } {
  if (opening === 0) return { diagonal: 180, middle: 180, flank: 180 }
  if (opening === 1) return { diagonal: 0, middle: 0, flank: 0 }
  const half = (Math.PI / 2) * opening
  const [c, s] = [Math.cos(half), Math.sin(half)]
  const dip = 2 * Math.atan(c)
  // Upper quarter towards e, fold between covers x, middle line of the side m.
  const quarterNormal = [0, -c, s] as const
  const [mx, mz] = [Math.cos(dip), Math.sin(dip)]
  const diagonal = [Math.SQRT1_2, Math.SQRT1_2 * s, Math.SQRT1_2 * c] as const
  const sideNormal = [-diagonal[1] * mz, diagonal[0] * mz - diagonal[2] * mx, diagonal[1] * mx] as const
  const size = Math.hypot(...sideNormal)
  const between = dot(quarterNormal, sideNormal) / size
  const diagonalFold = Math.acos(Math.max(-1, Math.min(1, between)))
  const middleFold = 2 * Math.asin(Math.min(1, Math.abs(sideNormal[1]) / size))
  return {
    diagonal: diagonalFold * DEGREES,
    middle: middleFold * DEGREES,
    flank: 2 * Math.atan(Math.SQRT2 * Math.tan(diagonalFold / 2)) * DEGREES,
  }
}
