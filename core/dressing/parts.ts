import type { Hold } from '../document'
import type { Joint, Means, Panel, Part, Point } from '../folds'
import { Measure } from '../lengths'

const MEANS: Record<Hold, Means> = { tape: 'tape', glue: 'glue', dots: 'dot', foam: 'foam', loose: 'held' }
export const meansOf = (hold: Hold): Means => MEANS[hold]
export const holdOf = (means: Means): Hold => (Object.keys(MEANS) as Hold[]).find(hold => MEANS[hold] === means) ?? 'tape'

/** What words say of a hold: `with foam`. */
export const HOLD_WORDS: Record<Hold, string> = {
  tape: 'with tape', glue: 'with wet glue', dots: 'with dots', foam: 'on foam', loose: 'without glue',
}

/** A flat piece: one panel of the size of its blank, cut to an outline where it has one. */
export function flatPart(
  part: Pick<Part, 'key' | 'name' | 'kind' | 'width' | 'height' | 'printTop' | 'pair' | 'count'>,
  outline?: Point[],
): Part {
  const { key, name, width, height } = part
  return {
    ...part,
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

/** A flat part glued by its whole face. */
export const glued = (
  { key, width, height }: Part,
  by: Panel,
  joint: Pick<Joint, 'onto' | 'face' | 'x' | 'y' | 'means'> & Partial<Pick<Joint, 'turned' | 'glue'>>,
): Joint => ({ part: key, by, faceDown: false, turned: 0, glue: { x: Measure.zero, y: Measure.zero, width, height }, ...joint })
