import type { Part, Point } from '../folds'
import { creaseAt, outlineOf, windowOutline } from '../folds'
import type { Units } from '../lengths'
import type { Drawing } from './model'
import { drawing, line, outline, text } from './svg'
import { typeset, typesetSize } from './typeset'

const EDGE = { left: 34, right: 44, top: 14, bottom: 26 }
const DASHES = { mountain: ' stroke-dasharray="8 2.5 1.5 2.5"', valley: ' stroke-dasharray="5 3.5"' }

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
  const whole: Point[] = part.outline
    ?? [[0, 0], [part.width.value, 0], [part.width.value, part.height.value], [0, part.height.value]]
  const content = [outline([whole.map(at), ...part.windows.map(window => windowOutline(window).map(at))], 1.2)]
  for (const { from, to } of part.slits) {
    const [[x1, y1], [x2, y2]] = [at([from.x.value, from.y.value]), at([to.x.value, to.y.value])]
    content.push(line(x1, y1, x2, y2, 2))
  }
  for (const panel of part.panels) {
    if (part.panels.length < 2) break
    const corners = outlineOf(panel).map(at)
    const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
    const [wide, high] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)]
    if (wide > panel.name.length * 4 && high > 24)
      content.push(
        text((Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2 + 10, panel.name, {
          size: 7.5,
        }),
      )
  }
  const marked = new Set<string>()
  part.creases.forEach((crease, index) => {
    const [[x1, y1], [x2, y2]] = [
      at([crease.from.x.value, crease.from.y.value]), at([crease.to.x.value, crease.to.y.value]),
    ]
    content.push(line(x1, y1, x2, y2, 0.9, DASHES[crease.direction]))
    const [x, y] = [x1 + (x2 - x1) / 4, y1 + (y2 - y1) / 4]
    const number = numbers[index]
    if (number !== undefined) content.push(
      `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="6" fill="#fff" stroke="#000" stroke-width="0.6"/>`,
      text(x, y + 2.8, String(number), { size: 8, bold: true }),
    )
    const measure = creaseAt(crease)
    const key = `${crease.along} ${measure.value}`
    if (crease.along === 'slant' || marked.has(key)) return
    const along = EDGE.left + measure.value * scale
    const up = EDGE.top + height - measure.value * scale
    // Measures that would run into one another are left to the words below.
    const near = [...marked].some((other) => {
      const [way, value] = other.split(' ')
      return way === crease.along && Math.abs(Number(value) - measure.value) * scale < (way === 'x' ? 22 : 10)
    })
    marked.add(key)
    if (near) return
    content.push(crease.along === 'x'
      ? text(along, EDGE.top + height + 12, typeset(measure.value, units), { size: 9 })
      : text(EDGE.left + width + 5, up + 3, typeset(measure.value, units), { size: 9, anchor: 'start' }))
  })
  content.push(text(EDGE.left + width / 2, EDGE.top - 4, typeset(part.width.value, units), { size: 9, bold: true }))
  content.push(
    text(EDGE.left - 5, EDGE.top + height / 2, typeset(part.height.value, units), {
      size: 9, bold: true, anchor: 'end',
    }),
  )
  return drawing(
    `${part.name}, ${typesetSize(part.width.value, part.height.value, units, true)}`,
    EDGE.left + width + EDGE.right,
    EDGE.top + height + EDGE.bottom, content)
}
