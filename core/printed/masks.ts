import type { PreparedCard } from '../batch'
import type { SeenFace } from '../dressing'
import { areaOfAll, facesOf, maskedFaces } from '../dressing'
import type { Construction } from '../folds'
import type { Units } from '../lengths'
import type { Drawing, PrintBlock, PrintSection } from './model'
import { drawing, line, outline } from './svg'
import { typesetSize } from './typeset'

/** Micrometres to points. */
const POINT = 72 / 25_400
/** Points: what goes across a sheet of either school between its margins. */
const WIDEST = 500
const HIGHEST = 660
const HIDDEN = '#d4d4d4'

export const MASK_KEY
  = 'White is seen: inside a full line while the card is on display, inside a broken one while it is closed. Grey is covered. What is '
    + 'crossed out lies under glue or is glued itself: no ink there where wet glue is used. Each mask is drawn as its face is seen.'

/** Where a face can be stamped, in real size; one that is larger than a sheet says that it is drawn smaller. */
export function maskDrawing(seen: SeenFace, name: string, units: Units): Drawing {
  const { panel, side, whole, open, closed, glued } = seen
  const [wide, high] = [panel.width.value / 1000, panel.height.value / 1000]
  const shrunk = Math.min(1, WIDEST / (wide * POINT), HIGHEST / (high * POINT))
  const scale = POINT * shrunk
  const at = ([x, y]: readonly [number, number]) =>
    [EDGE + (side === 'inside' ? x : wide - x) * scale, EDGE + (high - y) * scale] as const
  const rings = (polygons: SeenFace['open']) => polygons.flatMap(polygon => polygon.map(ring => ring.map(at)))
  const filled = (polygons: SeenFace['open'], fill: string, stroke: string) =>
    outline(rings(polygons)).replace(
      'stroke="#000" stroke-width="0.9" fill="none"', `fill="${fill}" fill-rule="evenodd" ${stroke}`,
    )
  const crosses = glued.flatMap(([ring = []]) => {
    const corners = ring.map(at)
    const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
    const [left, right, top, foot] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
    return [outline([corners], 0.4), line(left, top, right, foot, 0.4), line(left, foot, right, top, 0.4)]
  })
  const size = typesetSize(panel.width.value, panel.height.value, units, true)
  return drawing(
    `${name}, ${size}${shrunk < 1 ? ', drawn smaller than it is' : ''}`,
    wide * scale + 2 * EDGE,
    high * scale + 2 * EDGE,
    [
      filled([whole], HIDDEN, 'stroke="#000" stroke-width="1.2"'),
      filled([...open, ...closed], '#fff', 'stroke="none"').replace('evenodd', 'nonzero'),
      filled(open, 'none', 'stroke="#000" stroke-width="0.8"'),
      filled(closed, 'none', 'stroke="#000" stroke-width="0.8" stroke-dasharray="4 3"'),
      ...crosses,
    ])
}
const EDGE = 3

/** Less of a face that is seen is a frame round what lies on it; from so much on it is all of it. */
const LITTLE = 0.2
const WHOLE = 0.98

/**
 * Every face of a card that is seen at least in part, with its name, its mask and the share of it that is seen on
 * display.
 */
export function masksOf(
  construction: Construction, units: Units,
): { key: string, name: string, mask: Drawing, share: number }[] {
  const faces = facesOf(construction)
  return maskedFaces(construction).map((seen) => {
    const face = faces.find(({ panel, side }) => panel === seen.panel && side === seen.side)
    const name = face?.name ?? seen.part.name
    const [whole, open, closed] = [[seen.whole], seen.open, seen.closed].map(areaOfAll) as [number, number, number]
    // What is seen whole open and in part closed is worth a mask as well.
    const isBoth = closed > 0 && closed < whole * WHOLE
    const share = Math.min(open / whole, isBoth ? WHOLE : 1)
    return {
      key: face?.key ?? seen.part.key, name, mask: maskDrawing(seen, name, units),
      share: Math.max(share, closed / whole),
    }
  })
}

/** The stamping masks of a card. */
export function maskSection({ entry, construction }: PreparedCard, units: Units): PrintSection[] {
  if (!construction) return []
  const all = masksOf(construction, units)
  const whole = all.filter(({ share }) => share > WHOLE)
  const some = all.filter(({ share }) => share >= LITTLE && share <= WHOLE)
  return [{
    heading: entry.title,
    blocks: [
      { kind: 'text', text: MASK_KEY },
      ...(whole.length > 0
        ? [
            {
              kind: 'text' as const,
              text: `All of these is seen, they need no mask: ${whole.map(({ name }) => name).join('; ')}.`,
            },
          ]
        : []),
      ...some.map(({ mask }): PrintBlock => ({
        kind: 'together', blocks: [{ kind: 'drawings', drawings: [mask] }],
      })),
    ],
  }]
}
