import type { Construction, DrawnPanel, Joint, Part, Point, Stage, View } from '../folds'
import { assembliesAt, drawFolded, jointsAt, outlineOf, stagesOf, windowOutline } from '../folds'
import type { Drawing } from './model'
import { drawing, hatching, line, outline, text } from './svg'
import { workMarks } from './works'

/* Drawings for the steps of a hand-out, in black on white: made from the model, so that they show what is there. */

/** Points: the card with what comes on it, and each piece that comes. */
const CARD = { width: 128, height: 104 }
const PIECE = { width: 92, height: 78 }
const ROOM = 12

type Corners = readonly (readonly [number, number])[]

/** What puts corners into the middle of a box, as large as it goes. */
function into(all: Corners, box: { width: number, height: number }) {
  const span = (axis: 0 | 1) =>
    [Math.min(...all.map(point => point[axis])), Math.max(...all.map(point => point[axis]))] as const
  const [[left, right], [top, foot]] = [span(0), span(1)]
  const scale = Math.min((box.width - 2 * ROOM) / (right - left || 1), (box.height - 2 * ROOM) / (foot - top || 1))
  return ([x, y]: readonly [number, number]) =>
    [box.width / 2 + (x - (left + right) / 2) * scale, box.height / 2 + (y - (top + foot) / 2) * scale] as const
}

const filled = (rings: Corners[], fill: string, stroke: number): string => {
  const path = rings.map(ring => `M${ring.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`).join('')
  return `<path d="${path}" fill="${fill}" fill-rule="evenodd" `
    + `stroke="#000" stroke-width="${stroke}" stroke-linejoin="round"/>`
}

/** Panels from back to front; what comes in a heavy outline on grey, all else white. */
function panelsIn(panels: DrawnPanel[], coming: ReadonlySet<string>, box: { width: number, height: number }): string[] {
  const at = into(panels.flatMap(({ points }) => points), box)
  return panels.map(({ part, points, holes }) =>
    filled(
      [points, ...holes].map(ring => ring.map(at)), coming.has(part) ? '#ddd' : '#fff', coming.has(part) ? 1.5 : 0.5,
    ),
  )
}

/** A card at an opening, as a picture in outlines. */
export function cardDrawing(card: Construction, opening: number, view: View, title: string, box = CARD): Drawing {
  return drawing(title, box.width, box.height, panelsIn(drawFolded(card, opening, view), new Set(), box))
}

const OPENINGS: [least: number, words: string][] = [[0.95, 'open'], [0.3, 'half open'], [0, 'closed']]
const openingWords = ({ opening, behind }: Stage): string =>
  `${OPENINGS.find(([least]) => opening >= least)?.[1] ?? 'closed'}${behind ? ', from behind' : ''}`

/** A joint in words: where the glue is. */
const onFace = ({ faceDown, means }: Joint): string =>
  (means === 'held'
    ? 'not glued'
    : `${means === 'foam' ? 'foam' : means === 'dot' ? 'dots' : 'glue'} on its ${faceDown ? 'front' : 'back'}`)

/** Corners of the parts of a box that glue keeps off: left, right, below and above it. */
function freeOf({ glue }: Joint, [x, y, width, height]: readonly [number, number, number, number]): Corners[] {
  const [left, foot, right, top] = [
    glue.x.value, glue.y.value, glue.x.value + glue.width.value, glue.y.value + glue.height.value,
  ]
  const boxes: [number, number, number, number][] = [
    [x, y, left, y + height], [right, y, x + width, y + height], [left, y, right, foot], [left, top, right, y + height],
  ]
  const least = Math.min(width, height) / 20
  return boxes.filter(([x1, y1, x2, y2]) => x2 - x1 > least && y2 - y1 > least)
    .map(([x1, y1, x2, y2]) => [[x1, y1], [x2, y1], [x2, y2], [x1, y2]] as const)
}

/**
 * A piece that comes: its outline from its front, the glued area hatched, what is to stay free of glue crossed, where
 * its top is.
 */
function pieceDrawing(part: Part, joints: Joint[], names: string): Drawing {
  const whole: Point[] = part.outline
    ?? [[0, 0], [part.width.value, 0], [part.width.value, part.height.value], [0, part.height.value]]
  // y counts upwards on a part and downwards on paper.
  const turned = (points: Corners) => points.map(([x, y]) => [x, -y] as const)
  const at = into(turned(whole), PIECE)
  const place = (points: Corners) => turned(points).map(at)
  const content = [filled([place(whole), ...part.windows.map(window => place(windowOutline(window)))], '#fff', 1.1)]
  for (const { from, to } of part.creases) {
    const [[x1, y1], [x2, y2]] = place([[from.x.value, from.y.value], [to.x.value, to.y.value]]) as [Point, Point]
    content.push(line(x1, y1, x2, y2, 0.6, ' stroke-dasharray="4 2.5"'))
  }
  const glued = joints.filter(({ means }) => means !== 'held')
  for (const { glue } of glued) {
    const corners = place([
      [glue.x.value, glue.y.value], [glue.x.value + glue.width.value, glue.y.value],
      [glue.x.value + glue.width.value, glue.y.value + glue.height.value],
      [glue.x.value, glue.y.value + glue.height.value],
    ])
    const [left, top] = [Math.min(...corners.map(([x]) => x)), Math.min(...corners.map(([, y]) => y))]
    const [right, foot] = [Math.max(...corners.map(([x]) => x)), Math.max(...corners.map(([, y]) => y))]
    if (right - left < 1 || foot - top < 1) continue
    content.push(hatching(left, top, right - left, foot - top, 4, '#555'), outline([corners], 0.4))
  }
  // Where glue must never go: the rest of a panel that is glued, and panels that are not.
  const free = part.panels.flatMap((panel): Corners[] => {
    const joint = glued.find(({ by }) => by === panel || by.key === panel.key)
    if (glued.length === 0) return []
    return joint
      ? freeOf(joint, [panel.x.value, panel.y.value, panel.width.value, panel.height.value])
      : [outlineOf(panel)]
  })
  for (const corners of free) {
    const box = place(corners)
    const [xs, ys] = [box.map(([x]) => x), box.map(([, y]) => y)]
    const [left, right, top, foot] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
    if (right - left < 5 || foot - top < 5) continue
    content.push(line(left, top, right, foot, 0.9), line(left, foot, right, top, 0.9))
  }
  content.push(...workMarks(part, point => place([point])[0] ?? [0, 0]), ...topMark(part, place(whole)))
  return drawing(
    `${names}: ${glued[0] ? onFace(glued[0]) : joints[0] ? onFace(joints[0]) : ''}`.replace(/: $/, ''),
    PIECE.width,
    PIECE.height,
    content)
}

/** A small arrow at the edge that the top of a print must meet. */
function topMark({ printTop }: Part, corners: Corners): string[] {
  if (printTop === 'any') return []
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
  const [left, right, top, foot] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const [middle, half] = [(left + right) / 2, (top + foot) / 2]
  const places = {
    top: text(middle, top - 3, '▲ top', { size: 7 }),
    bottom: text(middle, foot + 8, '▼ top', { size: 7 }),
    left: text(left - 3, half, '▲ top', { size: 7, upright: true }),
    right: text(right + 9, half, '▼ top', { size: 7, upright: true }),
  }
  return [places[printTop]]
}

/** So many pieces that come are drawn by themselves; of more the drawing of the card tells. */
const MOST_PIECES = 4

/** What tells apart how pieces are glued and lie; those alike are drawn once. */
const likeness = (part: Part, joints: Joint[]): string => JSON.stringify([
  part.width.value, part.height.value, part.printTop, part.windows.length, part.outline ?? [],
  joints.map(({ means, faceDown, glue }) => [
    means, faceDown, glue.x.value, glue.y.value, glue.width.value, glue.height.value,
  ]),
])

/**
 * The drawings of a step: what is put together so far with the pieces that come marked, then these pieces by
 * themselves. A step in which nothing is put on shows nothing here: its blanks are drawn by `patternDrawing`.
 */
export function stepDrawings(card: Construction, step: number, view: View): Drawing[] {
  const joints = jointsAt(card, step)
  const stages = assembliesAt(card, step).flatMap((assembly) => {
    const faceDown = new Set(assembly.card.joints.filter(joint => joint.faceDown).map(({ part }) => part))
    return stagesOf(assembly, view, part => (faceDown.has(part) ? 'outside' : 'inside')).map(stage =>
      drawing(openingWords(stage), CARD.width, CARD.height, panelsIn(stage.panels, assembly.coming, CARD)))
  })
  const alike = new Map<string, { part: Part, joints: Joint[], names: string[] }>()
  for (const part of card.parts) {
    const own = joints.filter(joint => joint.part === part.key)
    if (own.length === 0) continue
    const known = alike.get(likeness(part, own)) ?? { part, joints: own, names: [] }
    known.names.push(part.name)
    alike.set(likeness(part, own), known)
  }
  const pieces = [...alike.values()]
  return [
    ...stages.slice(0, 2),
    ...pieces.slice(0, MOST_PIECES).map(({ part, joints, names }) =>
      pieceDrawing(part, joints, names.length > 2 ? `${names.slice(0, 2).join(', ')} …` : names.join(', '))),
  ]
}
