import type {
  CardEntry, DressingEntry, FaceEntry, FreeEntry, LayerEntry, ParameterInputs, PartEntry, WorkEntry,
} from '../document'
import { ALL_GLUED, FREE_KINDS, FREE_SHAPES, HOLDS, LAYER_SHAPES, NO_DRESSING } from '../document'
import type { Fold } from '../folds'
import type { Length, Units } from '../lengths'
import { inches, millimetres, writeLength } from '../lengths'
import { numbersFrom } from '../lists'
import { TECHNIQUE_KEYS } from '../making'
import { dressedCard } from './dress'
import { NOTHING, newLayer } from './edit'
import { facesOf } from './faces'
import { newWork } from './works'

/** Numbers that look like chance and are the same for the same seed. */
export interface Chance {
  /** From 0 up to 1. */
  next: () => number
  yes: (share: number) => boolean
  /** A whole number below another one. */
  below: (number: number) => number
  /** @throws RangeError for an empty list */
  pick: <T>(list: readonly T[]) => T
  /** Some of a list, each once, in its order. */
  some: <T>(list: readonly T[], least: number, most: number) => T[]
}

export function chanceOf(seed: number): Chance {
  const next = numbersFrom(seed * 2_654_435_761)
  const below = (number: number) => Math.floor(next() * number)
  return {
    next,
    below,
    yes: share => next() < share,
    pick(list) {
      if (list.length === 0) throw new RangeError('There is nothing to pick from.')
      return list[below(list.length)]!
    },
    some(list, least, most) {
      const places = list.map((_, at) => at)
      const wanted = Math.min(list.length, least + below(most - least + 1))
      while (places.length > wanted) places.splice(below(places.length), 1)
      return places.map(at => list[at]!)
    },
  }
}

const FOUR = [1, 2, 3, 4]
const MARK: Record<Units, Length> = { inch: inches(1 / 16), metric: millimetres(1) }

/** A fold as it is natural, and with each of its toggles and choices changed by itself. */
export function variantsOf({ parameters }: Fold): ParameterInputs[] {
  return [{}, ...Object.entries(parameters).flatMap(([name, parameter]): ParameterInputs[] => {
    if (parameter.kind === 'toggle') return [{ [name]: !parameter.initial }]
    return parameter.kind === 'choice' ? parameter.options.map(({ value }) => ({ [name]: value })) : []
  })]
}

/** A number from a text, the same for the same text (FNV-1a). */
const numberOf = (text: string): number =>
  [...text].reduce((hash, letter) => Math.imul(hash ^ letter.charCodeAt(0), 16_777_619) >>> 0, 2_166_136_261)

/** Works of any technique, some of a size and place, so many; which follows from what they are done to. */
function randomWorks(many: number, to: object): WorkEntry[] {
  const chance = chanceOf(numberOf(JSON.stringify(to)))
  const sixteenths = (most: number) => writeLength((chance.below(most) * MARK.inch) as Length, 'inch')
  return Array.from({ length: many }, (_, at): WorkEntry => ({
    ...newWork(`work-${at + 1}`), technique: chance.pick(TECHNIQUE_KEYS), times: 1 + chance.below(3),
    shows: chance.yes(0.5) ? chance.pick(['heron', 'low tide']) : '', sort: chance.pick(['motif', 'wording']),
    using: chance.yes(0.3) ? 'black ink' : '', by: chance.pick(['either', 'instructor', 'student']),
    ...(chance.yes(0.5) && {
      width: sixteenths(32), height: sixteenths(32), centred: chance.yes(0.5), left: sixteenths(16),
      bottom: sixteenths(16), turn: chance.pick([0, 0, 90, 180]),
    }),
  }))
}

/** Anything that a maker may put on the faces of a card, and free pieces of any kind, on it or beside it. */
export function randomDressing(fold: Fold, card: CardEntry, units: Units, chance: Chance): DressingEntry {
  const mark = MARK[units]
  const natural = dressedCard(fold, card, units, mark)
  const faces = facesOf(natural)
  const marks = (most: number) =>
    writeLength((chance.below(Math.max(1, Math.floor(most / mark))) * mark) as Length, units)
  const pair = chance.yes(0.3) ? 'sea' : ''
  const many = (most: number) => chance.some(FOUR, 0, most).length
  const layerOn = (key: string, at: number, width: number, height: number): LayerEntry => {
    const isFixed = chance.yes(0.25)
    return {
      ...newLayer(key, units),
      name: chance.yes(0.3) ? `Layer ${at}` : '',
      ...(isFixed && {
        width: marks(width * 0.8) || NOTHING, height: marks(height * 0.8) || NOTHING, centred: chance.yes(0.6),
      }),
      shape: chance.yes(0.6) ? 'like its face' : chance.pick(LAYER_SHAPES),
      hold: chance.pick(HOLDS),
      works: randomWorks(many(1), { key, width, height, at }),
      message: chance.yes(0.15),
      printTop: chance.pick(['any', 'top', 'left', 'bottom']),
      pair: at === 0 && chance.yes(0.6) ? pair : '',
      windows: chance.yes(0.8),
    }
  }
  const dressed = chance.some(faces, 0, 3).map(({ key, panel }): FaceEntry => ({
    key, works: chance.yes(0.2) ? randomWorks(2, { key, fold: fold.id }) : [], message: chance.yes(0.15),
    layers: Array.from({ length: chance.below(3) }, (_, at) =>
      layerOn(`layer-${at + 1}`, at, panel.width.value, panel.height.value),
    ),
  }))
  const free = Array.from({ length: chance.below(4) }, (_, at): FreeEntry => {
    const face = faces.length > 0 && chance.yes(0.75) ? chance.pick(faces) : undefined
    const [wide, high] = face ? [face.panel.width.value, face.panel.height.value] : [inches(3), inches(3)]
    const size = (side: number) =>
      writeLength(((2 + chance.below(Math.max(1, Math.floor((side * 0.7) / mark)))) * mark) as Length, units)
    return {
      key: `piece-${at + 1}`, name: `Piece ${at + 1}`, kind: chance.pick(FREE_KINDS),
      shape: chance.pick(FREE_SHAPES.filter(shape => shape !== 'outline')),
      outline: '',
      width: size(wide),
      height: size(high),
      corner: NOTHING, ring: NOTHING, count: chance.yes(0.6) ? 1 : 2 + chance.below(4), face: face?.key ?? '',
      left: marks(wide * 0.8), bottom: marks(high * 0.8), turn: chance.yes(0.2) ? chance.pick([90, -30, 15, 180]) : 0,
      hold: chance.pick(HOLDS), foam: NOTHING, glue: ALL_GLUED,
      works: randomWorks(many(2), { at, fold: fold.id, on: face?.key }),
      printTop: chance.pick(['any', 'top', 'right', 'bottom']),
      from: chance.yes(0.15) ? chance.pick(natural.parts).key : '',
    }
  })
  const parts = chance.some(natural.parts, 0, 2).map(({ key }): PartEntry => ({
    key, hold: chance.yes(0.6) ? chance.pick(HOLDS) : null, foam: NOTHING,
    works: randomWorks(many(1), { key, fold: fold.id }),
  }))
  return { ...NO_DRESSING, faces: dressed, free, parts: chance.yes(0.4) ? parts : [] }
}
