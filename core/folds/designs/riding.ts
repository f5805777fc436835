/**
 * A blade hinged on a swinging panel, its free end riding on the ground the panel
 * is hinged to. With `away` degrees between the panel and its flat, open place, the
 * hinge of the blade stands `from · sin away` above the ground; a blade of length
 * `reach` tilts by the arcsine of that height over its length.
 * @param from distance of the blade's hinge from the panel's hinge, in nanometres
 * @returns how far the crease between panel and blade is folded, in degrees, for each opening
 */
export const riding = (from: number, reach: number, away: (opening: number) => number) => (opening: number): number => {
  const angle = away(opening)
  const rise = from * Math.sin(angle * Math.PI / 180)
  return angle - Math.asin(Math.min(1, Math.max(-1, rise / Math.max(1, reach)))) * 180 / Math.PI
}
