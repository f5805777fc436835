import type { Polygon } from './clipping'
import type { FaceEntry, LayerEntry } from '../document'
import type { Construction, Finding, Panel, Part, Point, SideWords, Window } from '../folds'
import { face as onlyPanel, insetOn, outlineOf, windowOutline } from '../folds'
import type { Length, Units } from '../lengths'
import { Measure, downToMark, formatLength, lengthFrom, nanometres } from '../lengths'
import { difference } from './clipping'
import type { CardFace } from './faces'
import { eroded, outlineFor } from './outlines'
import { flatPart, foamOf, glueFindings, glueZone, glued, meansOf } from './parts'
import { TRIFLE, areaOfAll, inMicrometres } from './seen'
import { addWorks } from './works'

/** The key of the part that a layer becomes, which papers are chosen by. */
export const layerKey = (face: string, layer: string): string => `${face}--${layer}`

interface Box {
  width: Measure
  height: Measure
  /** From the lower left corner of what it lies on, seen from its own side. */
  left: Measure
  bottom: Measure
}

/**
 * Puts layers on a face of a card, the lowest first, each on the one before.
 * @param card its parts, joints and findings are added to
 * @param sides what the sides of the face are called
 * @returns what they are called
 */
export function addLayers(
  card: Construction, face: CardFace, { key, layers }: FaceEntry, units: Units, mark: Length, sides: () => SideWords,
): string[] {
  const names: string[] = []
  let below: { part: Part, panel: Panel, side: CardFace['side'] } = face
  for (const [index, entry] of layers.entries()) {
    const name
      = entry.name
        || `${entry.message ? 'Message' : layers.length > 1 ? `Layer ${index + 1}` : 'Layer'} on ${face.name}`
    const at = `faces/${key}/layers/${entry.key}`
    const ringed = below.part.windows.find(window => window.panel === below.panel.key && window.key === entry.ring)
    if (entry.ring && !ringed) {
      const problem = 'rings a window that is not there: it is left whole.'
      card.findings.push({ severity: 'warn', subject: name, part: face.part.key, problem })
    }
    const shaped = ringed ? undefined : shapedLike(below.panel, below.side, entry, mark)
    const box = ringed ? boxRound(ringed, below.panel, entry, below.side) : shaped ?? boxOn(below.panel, entry, mark)
    // A ring has no size of its own that could be put right.
    card.findings.push(
      ...tooLarge(name, at, box, below.panel, units, mark).map(found =>
        ringed ? { ...found, fix: undefined } : found,
      ),
    )
    const mirrored = below.side === 'outside'
    const outline = shaped?.outline ?? outlineFor(entry.shape, { width: box.width.value, height: box.height.value }, {
      corner: lengthFrom(entry.corner),
      below: { panel: below.panel, mirrored },
    })
    const part = flatPart({
      key: layerKey(key, entry.key),
      name,
      kind: entry.message ? 'message' : index < layers.length - 1 && !layers[index + 1]?.message ? 'underlay' : 'mat',
      width: box.width,
      height: box.height,
      printTop: entry.printTop,
      pair: entry.pair || undefined,
    }, outline)
    const panel = onlyPanel(part)
    const x = mirrored ? below.panel.width.minus(box.left).minus(box.width) : box.left
    if (entry.windows || ringed)
      part.windows.push(...windowsThrough(below.part, below.panel, { x, y: box.bottom, part, mirrored }))
    if (isCutAway(part)) card.findings.push({
      severity: 'stop', subject: name, part: part.key,
      problem:
          'lies in the opening altogether: cut through, nothing is left of it. Make it larger, or let it cover the opening.',
    })
    card.parts.push(part)
    const joint = glued(part, panel, {
      onto: below.panel, face: below.side, x, y: box.bottom, means: meansOf(entry.hold), foam: foamOf(entry),
      glue: glueZone(part, entry.glue),
    })
    card.joints.push(joint)
    card.findings.push(...glueFindings(part, joint, at))
    addWorks(card, { part, panel, side: 'inside', path: `${at}/works` }, entry.works, units, mark, sides)
    below = { part, panel, side: 'inside' }
    names.push(name)
  }
  return names
}

/**
 * The shape of what it lies on with an even border all along it; nothing where that is a rectangle or the borders
 * differ.
 */
function shapedLike(
  below: Panel, side: CardFace['side'], entry: LayerEntry, mark: Length,
): (Box & { outline: Point[] }) | undefined {
  const borders = [entry.left, entry.right, entry.top, entry.bottom].map(text => lengthFrom(text))
  const isEven = borders.every(border => border === borders[0])
  const hasSize = lengthFrom(entry.width) > 0 || lengthFrom(entry.height) > 0
  if (entry.shape !== 'like its face' || !isEven || hasSize) return undefined
  const mirrored = side === 'outside'
  const found = insetOn(below, Measure.of('border', lengthFrom(entry.left)), mark, mirrored, eroded)
  return (
    found && { ...found, left: mirrored ? below.width.minus(found.x).minus(found.width) : found.x, bottom: found.y }
  )
}

/** By its borders, down to the trimmer's mark, what is lost to the mark shared by both sides; or of its own size. */
function boxOn(below: Panel, entry: LayerEntry, mark: Length): Box {
  const along = (size: Measure, own: string, before: [string, string], after: [string, string]) => {
    const fixed = lengthFrom(own)
    const [start, end] = [Measure.of(before[0], lengthFrom(before[1])), Measure.of(after[0], lengthFrom(after[1]))]
    if (fixed > 0) {
      const measure = Measure.of('Own size', fixed)
      return { size: measure, from: entry.centred ? size.minus(measure).half() : start }
    }
    const borders = start.value === end.value ? Measure.of('border', start.value).times(2) : start.plus(end)
    const left = size.minus(borders)
    const rounded = left.downToMark(mark)
    return { size: rounded, from: start.plus(Measure.of('to the mark', nanometres((left.value - rounded.value) / 2))) }
  }
  const across = along(below.width, entry.width, ['left border', entry.left], ['right border', entry.right])
  const up = along(below.height, entry.height, ['bottom border', entry.bottom], ['top border', entry.top])
  return { width: across.size, height: up.size, left: across.from, bottom: up.from }
}

/** A ring stands out from its window by its borders. */
function boxRound(window: Window, below: Panel, entry: LayerEntry, side: CardFace['side']): Box {
  const [left, right, top, bottom] = [entry.left, entry.right, entry.top, entry.bottom].map(text =>
    Measure.of('ring', lengthFrom(text)),
  ) as [Measure, Measure, Measure, Measure]
  const fromLeft = window.x.minus(below.x)
  const seen = side === 'inside' ? fromLeft : below.width.minus(fromLeft).minus(window.width)
  return {
    width: window.width.plus(left).plus(right),
    height: window.height.plus(top).plus(bottom),
    left: seen.minus(left),
    bottom: window.y.minus(below.y).minus(bottom),
  }
}

/** A layer of fixed size that is larger than what it lies on, or lies over its edge. */
function tooLarge(name: string, at: string, box: Box, below: Panel, units: Units, mark: Length): Finding[] {
  const show = (length: Length) => formatLength(length, units, { unit: true })
  return (
    [
      ['wide', 'width', box.width, box.left, below.width],
      ['high', 'height', box.height, box.bottom, below.height],
    ] as const
  ).flatMap(([way, side, size, from, room]): Finding[] => {
    if (size.value <= 0) return []
    const over = Math.max(-from.value, from.value + size.value - room.value)
    if (over <= 0) return []
    // Where it lies in the middle the most is what it lies on; else what is left from its place on.
    const most = nanometres(from.value > 0 ? room.value - from.value : room.value)
    return [{
      severity: 'stop',
      subject: name,
      parameter: `${at}/${side}`,
      problem: `is ${show(size.value)} ${way}, but has room for ${show(most)}: it would lie over the edge.`,
      fix: downToMark(most, mark) > 0 ? { parameter: `${at}/${side}`, value: downToMark(most, mark) } : undefined,
    }]
  })
}

/** Whether the windows of a layer leave nothing of it. */
function isCutAway({ windows, panels: [panel] }: Part): boolean {
  const [first, ...others] = windows.map((window): Polygon => [inMicrometres(windowOutline(window))])
  if (!panel || !first || panel.width.value <= 0 || panel.height.value <= 0) return false
  return areaOfAll(difference([inMicrometres(outlineOf(panel))], first, ...others)) < TRIFLE
}

/** The windows of what a layer lies on, as far as they lie in the layer, in its own measures. */
function windowsThrough(
  below: Part,
  panel: Panel,
  { x, y, part, mirrored }: { x: Measure, y: Measure, part: Part, mirrored: boolean },
): Window[] {
  return below.windows
    .filter(window => window.panel === panel.key && window.width.value > 0 && window.height.value > 0)
    .flatMap((window): Window[] => {
      const fromLeft = window.x.minus(panel.x).minus(x)
      const left = mirrored ? part.width.minus(fromLeft).minus(window.width) : fromLeft
      const bottom = window.y.minus(panel.y).minus(y)
      const inside = (from: Measure, size: Measure, room: Measure) =>
        from.value < room.value && from.value + size.value > 0
      if (!inside(left, window.width, part.width) || !inside(bottom, window.height, part.height)) return []
      const clipped = (from: Measure, size: Measure, room: Measure) => {
        const start = from.value < 0 ? Measure.zero : from
        const end = from.plus(size)
        return { start, size: (end.value > room.value ? room : end).minus(start) }
      }
      const [across, up] = [clipped(left, window.width, part.width), clipped(bottom, window.height, part.height)]
      return [{ ...window, panel: 'face', x: across.start, y: up.start, width: across.size, height: up.size }]
    })
}
