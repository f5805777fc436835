import { byKey } from '../../lists'
import { Measure } from '../../lengths'
import type { PrintTop } from '../../document'
import type { Crease, Panel, Part, PartKind, Place, Point } from './card'
import { face } from './card'
import type { CreaseEntry, PanelEntry } from './entries'
import { at } from './entries'

const corner = ({ x, y }: Place): Point => [x.value, y.value]

/** Collects the sheets of a card: their panels, creases, slits and shapes. */
export class SheetBuilder {
  protected readonly parts: Part[] = []

  /** A blank without panels yet; `area`, `crease`, `slit` and `window` say what becomes of it. */
  sheet(
    key: string, name: string, kind: PartKind, size: { width: Measure, height: Measure }, printTop: PrintTop = 'any',
  ): Part {
    const part: Part = { key, name, kind, ...size, panels: [], creases: [], slits: [], windows: [], printTop }
    this.parts.push(part)
    return part
  }

  /** A panel of a sheet. */
  area(
    part: Part,
    key: string,
    name: string,
    box: Pick<Panel, 'x' | 'y' | 'width' | 'height'>,
    shape: { outline?: Place[], holes?: Place[][] } = {},
  ): Panel {
    const made: Panel = {
      part: part.key,
      key,
      name,
      ...box,
      width: box.width.named(name),
      outline: shape.outline?.map(corner),
      holes: shape.holes?.map(hole => hole.map(corner)),
    }
    part.panels.push(made)
    return made
  }

  /** A crease between two panels of a sheet, from one of its ends to the other. */
  crease(part: Part, between: [string, string], from: Place, to: Place, { direction, fold }: CreaseEntry): Crease {
    const along: Crease['along'] = from.x.value === to.x.value ? 'x' : from.y.value === to.y.value ? 'y' : 'slant'
    const sign = direction === 'valley' ? 1 : -1
    const crease: Crease = { between, from, to, along, direction, angle: opening => sign * fold(opening) }
    part.creases.push(crease)
    return crease
  }

  slit(part: Part, from: Place, to: Place): void {
    part.slits.push({ from, to })
  }

  /**
   * Cuts a part to a shape: corners counter-clockwise, from its lower left corner. A flat piece takes the shape as its
   * only panel.
   */
  shape(part: Part, corners: Place[]): void {
    part.outline = corners.map(corner)
    if (part.panels.length === 1) this.shapePanel(face(part), corners)
  }

  /** Gives a panel another shape than its box: corners counter-clockwise, from the lower left corner of its part. */
  shapePanel(panel: Panel, corners: Place[]): void {
    panel.outline = corners.map(corner)
  }

  /**
   * A blank with parallel creases: panels with the crease between two of them, from left to right
   * or, `along` y, from bottom to top. `across` is the other side of the blank.
   */
  strip(
    key: string, name: string, kind: PartKind, across: Measure, entries: (PanelEntry | CreaseEntry)[],
    along: 'x' | 'y' = 'x',
  ): Part {
    const part = this.sheet(key, name, kind, { width: across, height: across })
    let length = Measure.zero
    let folded: CreaseEntry | undefined
    for (const entry of entries) {
      if ('direction' in entry) {
        folded = entry
        continue
      }
      const before = part.panels.at(-1)
      const size = entry.width.named(entry.name)
      const place = { part: key, key: entry.key, name: entry.name }
      part.panels.push(
        along === 'x'
          ? { ...place, x: length, y: Measure.zero, width: size, height: across }
          : { ...place, x: Measure.zero, y: length, width: across, height: size },
      )
      if (before && folded) {
        const [from, to]
          = along === 'x'
            ? [at(length, Measure.zero), at(length, across)]
            : [at(Measure.zero, length), at(across, length)]
        this.crease(part, [before.key, entry.key], from, to, folded).along = along
      }
      length = length.plus(size)
    }
    part[along === 'x' ? 'width' : 'height'] = length
    return part
  }

  protected flat(
    key: string, name: string, kind: PartKind, size: { width: Measure, height: Measure }, printTop: PrintTop,
  ): Part {
    const part = this.sheet(key, name, kind, size, printTop)
    part.panels.push({
      part: key,
      key: 'face',
      name,
      x: Measure.zero,
      y: Measure.zero,
      width: size.width.named(name),
      height: size.height.named(`${name} height`),
    })
    return part
  }

  protected partOf({ part }: Panel): Part {
    return byKey(this.parts, part)
  }
}
