import { byKey, itemAt } from '../../lists'
import type { Length } from '../../lengths'
import { Measure } from '../../lengths'
import type { PrintTop } from '../../document'
import type { Face, Joint, Means, Panel, Part, PartKind, Window, WindowShape } from './card'
import { face, isLayer, underlayKey } from './card'
import { insetOn } from './inset'
import { SheetBuilder } from './sheet-builder'

interface Placing {
  key: string
  name: string
  kind?: PartKind
  face?: Face
  printTop?: PrintTop
  means?: Means
  pair?: string
}

interface JoinOptions {
  x: Measure
  y?: Measure
  glue?: Partial<Joint['glue']>
  means?: Means
  faceDown?: boolean
  turned?: number
  slide?: Joint['slide']
}

/** Collects what is glued on the sheets of a card, and at which place. */
export class PieceBuilder extends SheetBuilder {
  protected readonly joints: Joint[] = []
  /** The plain lower layer of a mat by the key of the mat. */
  protected readonly underlays = new Map<string, Part>()

  /**
   * @param mark smallest mark of the maker's trimmer, which mats are rounded down to
   * @param mats whether every mat gets a plain mat one border larger under it, and what they are held with
   */
  constructor(readonly mark: Length, private readonly mats: { layered: boolean, means: Means }) {
    super()
  }

  /** Cuts a window into a panel; its box counts from the lower left corner of the panel. */
  window(
    onto: Panel,
    key: string,
    name: string,
    {
      shape = 'rectangle', x, y, width, height,
    }: Omit<Window, 'key' | 'name' | 'panel' | 'shape'> & { shape?: WindowShape },
  ): void {
    this.partOf(onto).windows.push({
      key, name, panel: onto.key, shape, x: onto.x.plus(x), y: onto.y.plus(y), width, height,
    })
    const under = this.underlays.get(onto.part)
    if (!under) return
    const beside = (side: 'width' | 'height') => under[side].minus(onto[side]).half()
    this.window(face(under), key, name, {
      shape, x: x.plus(beside('width')), y: y.plus(beside('height')), width, height,
    })
  }

  /**
   * A flat piece laid centred on a panel, glued all over unless `glueWidth` or `glueHeight` name a narrower
   * zone from its lower left corner.
   */
  piece(
    onto: Panel,
    size: { width: Measure, height: Measure },
    placing: Placing & { slide?: Joint['slide'] } & Partial<
      Record<'x' | 'y' | 'glueX' | 'glueY' | 'glueWidth' | 'glueHeight', Measure>
    >,
  ): Part {
    const { key, name, kind = 'mat', face = 'inside', printTop = 'any', slide, pair } = placing
    const { means = isLayer(kind) ? this.mats.means : 'tape' } = placing
    const part = this.flat(key, name, kind, size, printTop)
    part.pair = pair
    this.joints.push({
      part: key,
      by: itemAt(part.panels, 0),
      onto,
      face,
      faceDown: false,
      turned: 0,
      x: placing.x ?? onto.width.minus(size.width).half(),
      y: placing.y ?? onto.height.minus(size.height).half(),
      slide,
      glue: {
        x: placing.glueX ?? Measure.zero,
        y: placing.glueY ?? Measure.zero,
        width: placing.glueWidth ?? size.width,
        height: placing.glueHeight ?? size.height,
      },
      means,
    })
    return part
  }

  /**
   * A mat on a panel: the panel less one border on each side, down to the trimmer's mark.
   * Where the maker wants two layers, a decorative mat lies on a plain one, and each leaves half of the border.
   */
  mat(onto: Panel, border: Measure, placing: Placing): Part {
    if (!this.mats.layered || (placing.kind ?? 'mat') !== 'mat') return this.bordered(onto, border, placing)
    // Both layers share the border.
    const each = border.half()
    const under = this.bordered(onto, each, {
      ...placing,
      key: underlayKey(placing.key),
      name: `${placing.name}, lower layer`,
      kind: 'underlay',
      printTop: 'any',
      pair: undefined,
    })
    this.underlays.set(placing.key, under)
    return this.bordered(face(under), each, { ...placing, face: 'inside' })
  }

  private bordered(onto: Panel, border: Measure, placing: Placing): Part {
    const shaped = insetOn(onto, border, this.mark, placing.face === 'outside')
    if (shaped) {
      const { outline, x, y, width, height } = shaped
      const part = this.piece(onto, { width, height }, { ...placing, x, y })
      part.outline = outline
      face(part).outline = outline
      return part
    }
    return this.piece(
      onto,
      {
        width: onto.width.minus(border.times(2)).downToMark(this.mark),
        height: onto.height.minus(border.times(2)).downToMark(this.mark),
      },
      placing,
    )
  }

  /** A piece that belongs to the card but is not glued to it, such as a belly band. */
  loose(key: string, name: string, size: { width: Measure, height: Measure }, kind: PartKind = 'plate'): Part {
    return this.flat(key, name, kind, size, 'any')
  }

  /** Glues a part by the middle of one of its panels to the middle of a panel of another part. */
  join(by: Panel, onto: Panel, side: Face = 'inside'): void {
    this.joinAt(by, onto, side, { x: onto.width.minus(by.width).half() })
  }

  /**
   * Glues a part by one of its panels at a place on another panel, in the middle of its height
   * unless `y` says where, and over the whole panel unless `glue` names the area of it that lies there.
   */
  joinAt(
    by: Panel,
    onto: Panel,
    side: Face,
    {
      x, y = onto.height.minus(by.height).half(), glue = {}, means = 'tape', faceDown = false, turned = 0, slide,
    }: JoinOptions,
  ): void {
    const whole = { x: by.x, y: by.y, width: by.width, height: by.height }
    this.joints.push({
      part: by.part, by, onto, face: side, faceDown, turned, x, y, slide, glue: { ...whole, ...glue }, means,
    })
  }

  /** Where a layer lies on the panel below all layers, from the lower left corner of that. */
  offsetOf({ key }: Part): { x: Measure, y: Measure } {
    const joint = this.joints.find(({ part }) => part === key)
    const below = joint && byKey(this.parts, joint.onto.part)
    if (!joint || !below) return { x: Measure.zero, y: Measure.zero }
    const { x, y } = isLayer(below.kind) ? this.offsetOf(below) : { x: Measure.zero, y: Measure.zero }
    return { x: x.plus(joint.x), y: y.plus(joint.y) }
  }
}
