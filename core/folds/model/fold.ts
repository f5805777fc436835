import type { ParameterInputs, PrintTop } from '../../document'
import type { Length, Units } from '../../lengths'
import { Measure } from '../../lengths'
import { CardBuilder } from './builder'
import type { Construction, Panel } from './card'
import type { View } from '../motion/drawing'
import { modelFindings } from './checks'
import type { Parameters, Values } from './parameters'
import { choice, readInputs } from './parameters'
import { piecesOf } from './pieces'
import type { Piece } from './pieces'

/** What kind of construction a fold is, for the catalogue. */
export const GROUPS = ['strip', 'slit', 'slider', 'box', 'around'] as const
export type Group = (typeof GROUPS)[number]

export type Skill = 'first card' | 'some care' | 'nimble'

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
  group: Group
  /** Whether it may be decorated upright or sideways: the same pieces, other print directions. */
  bothWays?: boolean
  /** Whether its mats may lie on plain ones that show a border of their own. */
  layered?: boolean
  /** Where it is best looked at from on display. */
  view?: View
  parameters: P
  /** Describes the card to the builder; answers the closed size and the panel that stays in place while it opens. */
  build: (values: Values<P>, card: CardBuilder) => Construction['finished'] & { anchor: Panel }
}

/** A design as the catalogue lists it. */
export type Fold = Omit<FoldDefinition<Parameters>, 'build' | 'view'> & {
  view: View
  /**
   * Works out a card. Inputs must have passed `inputProblems`.
   * @param dress puts on it what the maker wants, before its pieces are listed and it is checked
   */
  construct: (
    inputs: ParameterInputs,
    units: Units,
    mark: Length,
    dress?: (construction: Construction) => Construction,
  ) => Construction & { pieces: Piece[] }
}

const DECORATION = choice(
  'Decoration',
  [
    { value: 'upright', label: 'Upright' },
    { value: 'sideways', label: 'Sideways' },
  ],
  'The sentiment is placed with the card folded',
)
const LAYERS = choice(
  'Mats on each panel',
  [
    { value: 'one', label: 'One layer' },
    { value: 'two', label: 'Two layers' },
  ],
  'Two layers want narrow borders: half of the usual one each',
)
/** Where the top of a print lies once the card is decorated sideways: what was up is left. */
const SIDEWAYS: Record<PrintTop, PrintTop> = { top: 'left', left: 'bottom', bottom: 'right', right: 'top', any: 'any' }

export function defineFold<P extends Parameters>({ build, ...fold }: FoldDefinition<P>): Fold {
  const parameters: Parameters = {
    ...fold.parameters,
    ...(fold.layered && { layers: LAYERS }),
    ...(fold.bothWays && { decoration: DECORATION }),
  }
  return {
    view: { turn: -28, tilt: 18 },
    ...fold,
    parameters,
    construct(inputs, units, mark, dress = construction => construction) {
      const values = readInputs(fold.parameters, inputs, units)
      const given = Object.entries(fold.parameters).flatMap(([name, { label }]) => {
        const value = values[name]
        return value instanceof Measure ? [[name, { label, value: value.value }]] : []
      })
      const card = new CardBuilder(units, mark, inputs.layers === 'two', Object.fromEntries(given))
      const { anchor, ...finished } = build(values, card)
      const natural = card.finish(finished, anchor)
      if (fold.bothWays && inputs.decoration === 'sideways') natural.parts.forEach(part => (part.printTop = SIDEWAYS[part.printTop]))
      const construction = dress(natural)
      const pieces = piecesOf(construction, mark)
      return { ...construction, pieces, findings: [...construction.findings, ...modelFindings(construction, units, mark)] }
    },
  }
}
