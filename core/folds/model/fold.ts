import type { ParameterInputs, PrintTop } from '../../document'
import type { Length, Units } from '../../lengths'
import { Measure, writeLength } from '../../lengths'
import { CardBuilder } from './builder'
import type { Construction, Crease, Panel } from './card'
import type { View } from '../motion/drawing'
import { modelFindings } from './checks'
import type { Parameters, Values } from './parameters'
import { choice, followed, naturalInputs, readInputs, options } from './parameters'
import { mirrored } from './mirror'
import { MARKS_PARAMETER, askedOnce, typedBetweenMarks } from './between-marks'
import { piecesOf } from './pieces'
import type { Piece } from './pieces'
import { settledSteps } from './steps'

/** What kind of construction a fold is, for the catalogue. */
export const GROUPS = ['strip', 'slit', 'slider', 'box', 'around'] as const
export type FoldGroup = (typeof GROUPS)[number]

/** How much practice a fold takes. */
export const SKILLS = ['first card', 'some care', 'nimble'] as const
export type Skill = (typeof SKILLS)[number]

/** A design: what can be chosen, and how everything follows from it. */
export interface FoldDefinition<P extends Parameters> {
  id: string
  /** Number in the catalogue. */
  number: number
  name: string
  summary: string
  /** How much practice it takes: a first card, some care, or nimble fingers. */
  skill: Skill
  /** Whether it stands by itself on display. */
  stands: boolean
  group: FoldGroup
  /** Whether it may be decorated upright or sideways: the same pieces, other print directions. */
  bothWays?: boolean
  /** Whether its mats may lie on plain ones that show a border of their own. */
  layered?: boolean
  /** Whether it has a hand, so that it can be made for the other one. */
  handed?: boolean
  /** Where it is best looked at from on display. */
  view?: View
  parameters: P
  /** Folds one of its creases the other way, where its creases are typed: the parameter with what it says then. */
  flip?: (inputs: ParameterInputs, crease: Crease, units: Units) => { parameter: string, input: string } | undefined
  /** Describes the card to the builder; answers the closed size and the panel that stays in place while it opens. */
  build: (values: Values<P>, card: CardBuilder) => Construction['finished'] & { anchor: Panel }
}

/** A design as the catalogue lists it. */
export type Fold = Omit<FoldDefinition<Parameters>, 'build' | 'view'> & {
  view: View
  /**
   * Works out a card. Inputs must have passed `inputProblems`.
   * @param mark smallest mark of the trimmer
   * @param dress puts on it what the maker wants, before its pieces are listed and it is checked
   * @param board smallest mark of the scoring board, where that is another
   */
  construct: (
    inputs: ParameterInputs,
    units: Units,
    mark: Length,
    dress?: (construction: Construction) => Construction,
    board?: Length,
  ) => WorkedOut
}

/** A card worked out, with its pieces and with every input that it was worked out from, typed or natural. */
export type WorkedOut = Construction & { pieces: Piece[], inputs: ParameterInputs }

/** How often sizes that were not typed may make room for each other. */
const TRIES = 6

const DECORATION = choice(
  'Decoration',
  options({ upright: 'Upright', sideways: 'Sideways' }),
  'The sentiment is placed with the card folded',
)
const HAND = choice('Opens', options({ drawn: 'As drawn', mirrored: 'From the other side' }))
const LAYERS = choice(
  'Mats on each panel',
  options({ one: 'One layer', two: 'Two layers' }),
  'Two layers want narrow borders: half of the usual one each',
)
const HELD = choice('Mats held with', options({ tape: 'Tape', glue: 'Wet glue' }))
/** Where the top of a print lies once the card is decorated sideways: what was up is left. */
const SIDEWAYS: Record<PrintTop, PrintTop> = { top: 'left', left: 'bottom', bottom: 'right', right: 'top', any: 'any' }

export function defineFold<P extends Parameters>({ build, ...fold }: FoldDefinition<P>): Fold {
  const parameters: Parameters = {
    ...fold.parameters,
    ...(fold.layered && { layers: LAYERS, held: HELD }),
    ...(fold.handed && { hand: HAND }),
    ...(fold.bothWays && { decoration: DECORATION }),
    marks: MARKS_PARAMETER,
  }
  return {
    view: { turn: -28, tilt: 18 },
    ...fold,
    parameters,
    construct(typed, units, mark, dress = construction => construction, board = mark) {
      const { natural, inputs } = settled(
        parameters, typed, units, mark, inputs => built({ ...fold, build }, inputs, units, mark))
      if (fold.bothWays && inputs.decoration === 'sideways')
        natural.parts.forEach(part => (part.printTop = SIDEWAYS[part.printTop]))
      const dressed = dress(natural)
      const { steps, findings: contradictions } = settledSteps(dressed, units)
      const construction = { ...dressed, steps }
      const pieces = piecesOf(construction, board)
      const between = typedBetweenMarks(parameters, typed, units, mark)
      const findings = [
        ...construction.findings,
        ...contradictions,
        ...(inputs.marks === 'kept' ? [] : askedOnce(between, units, mark)),
        ...modelFindings(construction, units, between.length > 0 ? undefined : mark),
      ]
      return { ...construction, pieces, inputs, findings }
    },
  }
}

/** Builds the card; where a size that nobody typed breaks a limit it takes the value that the limit allows. */
function settled(
  parameters: Parameters, typed: ParameterInputs, units: Units, mark: Length,
  build: (inputs: ParameterInputs) => Construction,
) {
  let inputs = naturalInputs(parameters, typed, units, mark)
  let natural = build(inputs)
  for (let tries = 0; tries < TRIES; tries++) {
    const moved: ParameterInputs = {}
    for (const { severity, fix } of natural.findings) {
      const parameter = fix && parameters[fix.parameter]
      if (
        severity !== 'stop'
        || !parameter
        || Object.hasOwn(typed, fix.parameter)
        || followed(parameter).length === 0
      )
        continue
      moved[fix.parameter] ??= writeLength(fix.value, units)
    }
    if (Object.keys(moved).length === 0) break
    inputs = { ...inputs, ...moved }
    natural = build(inputs)
  }
  return { natural, inputs }
}

function built<P extends Parameters>(
  { parameters, build }: Pick<FoldDefinition<P>, 'parameters' | 'build'>,
  inputs: ParameterInputs, units: Units, mark: Length,
): Construction {
  const values = readInputs(parameters, inputs, units)
  const given = Object.entries(parameters).flatMap(([name, { label }]) => {
    const value = values[name]
    return value instanceof Measure ? [[name, { label, value: value.value }]] : []
  })
  const mats = { layered: inputs.layers === 'two', means: inputs.held === 'glue' ? 'glue' as const : 'tape' as const }
  const card = new CardBuilder(units, mark, mats, Object.fromEntries(given))
  const { anchor, ...finished } = build(values, card)
  const made = card.finish(finished, anchor)
  return inputs.hand === 'mirrored' ? mirrored(made) : made
}
