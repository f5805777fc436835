import type { FreeEntry, FreeKind } from '../document'
import type { Construction, Joint, Part, PartKind, Point } from '../folds'
import { AS_DRAWN, face as onlyPanel } from '../folds'
import type { Length, Units } from '../lengths'
import { Measure, lengthFrom, nanometres } from '../lengths'
import type { CardFace } from './faces'
import { facesOf } from './faces'
import { outlineFor } from './outlines'
import { flatPart, foamOf, glueFindings, glueZone, glued, meansOf } from './parts'
import { addWorks } from './works'

/** The key of the part that a free piece becomes, which its paper is chosen by. */
export const freePartKey = (key: string): string => `free--${key}`

/** Whether a part is a free piece of the maker's. */
export const isFreePart = (key: string): boolean => key.startsWith('free--')

/** What is bought and not cut. */
export const isBought = (kind: FreeKind): boolean => kind === 'ribbon' || kind === 'solid'

const KINDS: Record<FreeKind, PartKind> = {
  'topper': 'figure',
  'sentiment': 'figure',
  'figure': 'figure',
  'strip': 'plate',
  'ring': 'figure',
  'insert': 'insert',
  'liner': 'insert',
  'flap strip': 'plate',
  'ribbon': 'figure',
  'solid': 'figure',
}

/** Where a free piece was put. */
export interface PlacedPiece {
  entry: FreeEntry
  /** Missing for what is bought. */
  part?: Part
  /** Missing where it lies in the bag, or its face is gone. */
  face?: CardFace
}

/** Puts a free piece on a card: its part and its joint, or a line among the supplies where it is bought. */
export function addFree(card: Construction, entry: FreeEntry, units: Units, mark: Length): PlacedPiece {
  const face = facesOf({ parts: card.parts.filter(({ key }) => entry.face.startsWith(key)) }).find(
    ({ key }) => key === entry.face,
  )
  const size = { width: lengthFrom(entry.width), height: lengthFrom(entry.height) }
  if (isBought(entry.kind)) {
    // Ribbon is bought by the metre.
    card.extras.push({ name: entry.name, count: entry.count, ...(entry.kind === 'ribbon' && { length: size.width }) })
    stick(card, entry, size)
    return { entry, face }
  }
  const outline = outlineFor(entry.shape, size, { corner: lengthFrom(entry.corner), path: entry.outline })
  const part = flatPart({
    key: freePartKey(entry.key),
    name: entry.name,
    kind: KINDS[entry.kind],
    width: Measure.of(`${entry.name} width`, size.width),
    height: Measure.of(`${entry.name} height`, size.height),
    printTop: entry.printTop,
    count: entry.count,
  }, outline)
  openRing(part, entry, outline)
  card.parts.push(part)
  const own = { part, panel: onlyPanel(part), side: 'inside' as const, path: `free/${entry.key}/works` }
  addWorks(card, own, entry.works, units, mark, () => AS_DRAWN)
  if (face) {
    const joint = jointOn(face, part, entry)
    card.joints.push(joint)
    card.findings.push(...glueFindings(part, joint, `free/${entry.key}`))
  }
  else {
    stick(card, entry, size)
  }
  if (!face && entry.face !== '') {
    card.findings.push({
      severity: 'warn', subject: entry.name, part: part.key, parameter: `free/${entry.key}/face`,
      problem: 'lies on a face that the card does not have: it goes into the bag beside it. Choose another face.',
    })
  }
  return { entry, part, face }
}

/** What has no joint is stuck all the same, unless it is loose. */
function stick(card: Construction, entry: FreeEntry, size: { width: Length, height: Length }): void {
  const means = meansOf(entry.hold)
  if (means !== 'held') card.alsoStuck.push({ means, foam: foamOf(entry), ...size, count: entry.count })
}

/** Opens a ring: its own outline, smaller by its width all round. What comes out of a plain one is a piece to use. */
function openRing(part: Part, entry: FreeEntry, outline?: Point[]): void {
  const wide = Measure.of('Width of the ring', lengthFrom(entry.ring))
  const { width, height } = part
  const inner = { width: width.minus(wide.times(2)), height: height.minus(wide.times(2)) }
  if (wide.value <= 0 || inner.width.value <= 0 || inner.height.value <= 0) return
  if (entry.shape === 'outline' && outline) {
    const within = (at: number, size: number) => Math.round(wide.value + (at * (size - 2 * wide.value)) / size)
    onlyPanel(part).holes = [outline.map(([x, y]): Point => [within(x, width.value), within(y, height.value)])]
    return
  }
  part.windows.push({
    key: 'opening',
    name: `Opening of ${part.name}`,
    panel: 'face',
    shape: entry.shape === 'oval' ? 'circle' : 'rectangle',
    x: wide, y: wide, ...inner,
  })
}

/** On its panel, glued only where it lies on that; `settle` lifts it onto the layers there. */
function jointOn({ panel, side }: CardFace, part: Part, entry: FreeEntry): Joint {
  const [left, bottom] = [
    Measure.of('from the left', lengthFrom(entry.left)), Measure.of('from the foot', lengthFrom(entry.bottom)),
  ]
  const mirrored = side === 'outside'
  const x = mirrored ? panel.width.minus(left).minus(part.width) : left
  const by = onlyPanel(part)
  const means = meansOf(entry.hold)
  const turned = entry.turn
  const zone = glueZone(part, entry.glue)
  const overlap = (from: Measure, first: Measure, size: Measure, room: Measure) => {
    const start = Math.max(first.value, -from.value)
    const end = Math.min(first.value + size.value, room.value - from.value)
    return {
      start: Measure.of('edge', nanometres(start)), size: Measure.of('glued', nanometres(Math.max(0, end - start))),
    }
  }
  const [across, up] = [
    overlap(left, zone.x, zone.width, panel.width), overlap(bottom, zone.y, zone.height, panel.height),
  ]
  const glue = turned === 0 ? { x: across.start, y: up.start, width: across.size, height: up.size } : zone
  return glued(part, by, { onto: panel, face: side, x, y: bottom, means, foam: foamOf(entry), turned, glue })
}
