import type { Crease, Part, Point } from '../folds'
import { creaseAt, outlineOf, windowOutline } from '../folds'
import type { Units } from '../lengths'
import type { Drawing } from './model'
import { drawing, line, outline, text } from './svg'
import { typeset, typesetSize } from './typeset'
import { workMarks } from './works'

const EDGE = { left: 34, right: 44, top: 14, bottom: 26 }
const DASHES = { mountain: ' stroke-dasharray="8 2.5 1.5 2.5"', valley: ' stroke-dasharray="5 3.5"' }

/** Where a blank lies on a drawing, in points. */
interface Placed {
  part: Part
  units: Units
  scale: number
  width: number
  height: number
  at: (point: Point) => readonly [number, number]
}

/**
 * A blank in outline, inside face up: creases dash-dot for mountain and dashed for valley with the number of their
 * score, slits heavy, measures of the creases along the edge.
 * @param numbers number of the score that makes each crease
 * @param box widest and highest drawing in points
 */
export function patternDrawing(
  part: Part, numbers: number[], units: Units, box: { width: number, height: number },
): Drawing {
  const scale = Math.min(
    (box.width - EDGE.left - EDGE.right) / part.width.value, (box.height - EDGE.top - EDGE.bottom) / part.height.value,
  )
  const [width, height] = [part.width.value * scale, part.height.value * scale]
  const at = ([x, y]: Point) => [EDGE.left + x * scale, EDGE.top + height - y * scale] as const
  const placed: Placed = { part, units, scale, width, height, at }
  const whole: Point[] = part.outline
    ?? [[0, 0], [part.width.value, 0], [part.width.value, part.height.value], [0, part.height.value]]
  const content = [
    outline([whole.map(at), ...part.windows.map(window => windowOutline(window).map(at))], 1.2),
    ...part.slits.map(({ from, to }) => lineBetween(placed, from, to, 2)),
    ...panelNames(placed),
    ...workMarks(part, at),
    ...part.creases.flatMap((crease, index) => [
      lineBetween(placed, crease.from, crease.to, 0.9, DASHES[crease.direction]),
      ...scoreNumber(placed, crease, numbers[index]),
    ]),
    ...creaseMeasures(placed),
    text(EDGE.left + width / 2, EDGE.top - 4, typeset(part.width.value, units), { size: 9, bold: true }),
    text(EDGE.left - 5, EDGE.top + height / 2, typeset(part.height.value, units), {
      size: 9, bold: true, anchor: 'end',
    }),
  ]
  return drawing(
    `${part.name}, ${typesetSize(part.width.value, part.height.value, units, true)}`,
    EDGE.left + width + EDGE.right,
    EDGE.top + height + EDGE.bottom, content)
}

function lineBetween({ at }: Placed, from: Crease['from'], to: Crease['to'], weight: number, dashes?: string): string {
  const [[x1, y1], [x2, y2]] = [at([from.x.value, from.y.value]), at([to.x.value, to.y.value])]
  return line(x1, y1, x2, y2, weight, dashes)
}

/** Names of the panels that have room for theirs. */
function panelNames({ part: { panels }, at }: Placed): string[] {
  if (panels.length < 2) return []
  return panels.flatMap((panel) => {
    const corners = outlineOf(panel).map(at)
    const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
    const [left, right] = [Math.min(...xs), Math.max(...xs)]
    const [top, bottom] = [Math.min(...ys), Math.max(...ys)]
    return right - left > panel.name.length * 4 && bottom - top > 24
      ? [text((left + right) / 2, (top + bottom) / 2 + 10, panel.name, { size: 7.5 })]
      : []
  })
}

/** The number of the score that makes a crease, in a circle on it. */
function scoreNumber({ at }: Placed, { from, to }: Crease, number: number | undefined): string[] {
  if (number === undefined) return []
  const [[x1, y1], [x2, y2]] = [at([from.x.value, from.y.value]), at([to.x.value, to.y.value])]
  const [x, y] = [x1 + (x2 - x1) / 4, y1 + (y2 - y1) / 4]
  return [
    `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="6" fill="#fff" stroke="#000" stroke-width="0.6"/>`,
    text(x, y + 2.8, String(number), { size: 8, bold: true }),
  ]
}

/** Where the creases are, along the edge; measures that would run into one another are left to the words below. */
function creaseMeasures({ part, units, scale, width, height }: Placed): string[] {
  const marked: { along: Crease['along'], value: number }[] = []
  return part.creases.flatMap((crease) => {
    const { value } = creaseAt(crease)
    const { along } = crease
    const alike = marked.filter(other => other.along === along)
    if (along === 'slant' || alike.some(other => other.value === value)) return []
    const isNear = alike.some(other => Math.abs(other.value - value) * scale < (along === 'x' ? 22 : 10))
    marked.push({ along, value })
    if (isNear) return []
    return along === 'x'
      ? [text(EDGE.left + value * scale, EDGE.top + height + 12, typeset(value, units), { size: 9 })]
      : [text(EDGE.left + width + 5, EDGE.top + height - value * scale + 3, typeset(value, units), {
          size: 9, anchor: 'start',
        })]
  })
}
