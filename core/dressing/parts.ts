import type { GlueEntry, Hold } from '../document'
import type { Finding, Joint, Means, Panel, Part, Point, SideWords, Step } from '../folds'
import { AS_DRAWN } from '../folds'
import type { Length } from '../lengths'
import { Measure, lengthFrom } from '../lengths'

const MEANS: Record<Hold, Means> = {
  'tape': 'tape', 'strong tape': 'strong tape', 'glue': 'glue', 'dots': 'dot', 'foam': 'foam', 'loose': 'held',
}
export const meansOf = (hold: Hold): Means => MEANS[hold]
export const holdOf = (means: Means): Hold =>
  (Object.keys(MEANS) as Hold[]).find(hold => MEANS[hold] === means) ?? 'tape'

/** What words say of a hold: `with foam`. */
export const HOLD_WORDS: Record<Hold, string> = {
  'tape': 'with tape',
  'strong tape': 'with strong tape',
  'glue': 'with wet glue',
  'dots': 'with dots',
  'foam': 'on foam',
  'loose': 'without glue',
}

/** The same with the height of the foam, where it is not the usual one. */
export const holdWords = ({ hold, foam }: { hold: Hold, foam: string }, show: (length: Length) => string): string =>
  HOLD_WORDS[hold] + (hold === 'foam' && lengthFrom(foam) > 0 ? ` ${show(lengthFrom(foam))} high` : '')

/** The height of foam that is not the usual one. */
export const foamOf = ({ hold, foam }: { hold: Hold, foam: string }): Length | undefined =>
  hold === 'foam' && lengthFrom(foam) > 0 ? lengthFrom(foam) : undefined

/** Where steps of the maker's come in the natural order: before all of a design, or after it. */
export const FIRST = -1
export const LAST = 1000

/** A step of the maker's, in which nothing is put on yet. */
export const ownStep = (key: string, rank: number): Step => ({ key, rank, needs: [], text: '', makes: [], puts: [] })

/** Whether glue goes up to every edge. */
export const isGluedAll = ({ left, right, top, bottom }: GlueEntry): boolean =>
  [left, right, top, bottom].every(text => lengthFrom(text) === 0)

/** The part of a piece that is glued, seen from its front; with no size where glue keeps off all of it. */
export function glueZone({ width, height }: Pick<Part, 'width' | 'height'>, glue: GlueEntry): Joint['glue'] {
  if (isGluedAll(glue)) return { x: Measure.zero, y: Measure.zero, width, height }
  const free = (text: string) => Measure.of('kept free of glue', lengthFrom(text))
  const [left, right, top, bottom] = [free(glue.left), free(glue.right), free(glue.top), free(glue.bottom)]
  return { x: left, y: bottom, width: width.minus(left).minus(right), height: height.minus(top).minus(bottom) }
}

/** A flat piece: one panel of the size of its blank, cut to an outline where it has one. */
export function flatPart(
  part: Pick<Part, 'key' | 'name' | 'kind' | 'width' | 'height' | 'printTop' | 'pair' | 'count' | 'outOf'>,
  outline?: Point[],
): Part {
  const { key, name, kind, width, height, printTop, pair, count, outOf } = part
  return {
    key, name, kind, width, height, printTop, pair, count, outOf,
    panels: [{
      part: key,
      key: 'face',
      name,
      x: Measure.zero,
      y: Measure.zero,
      width: width.named(name),
      height: height.named(`${name} height`),
      outline,
    }],
    creases: [],
    slits: [],
    windows: [],
    outline,
  }
}

/** Where glue keeps off, in words; nothing where it goes up to every edge. */
export function glueWords(
  glue: GlueEntry, show: (length: Length) => string, sides: () => SideWords = () => AS_DRAWN,
): string | undefined {
  const off = (['left', 'right', 'top', 'bottom'] as const)
    .flatMap(side => (lengthFrom(glue[side]) > 0 ? [`${show(lengthFrom(glue[side]))} at the ${sides()[side]}`] : []))
  return off.length > 0 ? `Leave free of glue: ${off.join(', ')}.` : undefined
}

/** Glue that keeps off all of a piece. */
export function glueFindings(part: Part, { glue, means }: Joint, at: string): Finding[] {
  if (means === 'held' || (glue.width.value > 0 && glue.height.value > 0)) return []
  return [{
    severity: 'warn',
    subject: part.name,
    part: part.key,
    parameter: `${at}/glue/${glue.width.value > 0 ? 'top' : 'left'}`,
    problem: 'keeps its glue off so far on both sides that nothing is glued: leave some of it between them.',
  }]
}

/** A flat part glued by its whole face. */
export const glued = (
  { key, width, height }: Part,
  by: Panel,
  joint: Pick<Joint, 'onto' | 'face' | 'x' | 'y' | 'means'> & Partial<Pick<Joint, 'turned' | 'glue' | 'foam'>>,
): Joint => ({
  part: key, by, faceDown: false, turned: 0, glue: { x: Measure.zero, y: Measure.zero, width, height }, ...joint,
})
