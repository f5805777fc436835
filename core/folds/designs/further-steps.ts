import type { CardBuilder } from '../model/builder'
import { rule } from '../model/rules'
import type { Length, Units } from '../../lengths'
import { Measure } from '../../lengths'
import { readSteps } from './score-list'

/** A step that is pushed through the inner sheet of a step pop-up; `x` is its left end, from that of the sheet. */
export interface StepPlan {
  key: string
  name: string
  x: Measure
  width: Measure
  depth: Measure
  figure?: { width: Measure, height: Measure }
}

/** The steps that are noted in “Further steps”; none where the note cannot be read, which its own field says. */
export function furtherSteps(text: string, units: Units): StepPlan[] {
  const noted = readSteps(text, units)
  return (noted.ok ? noted.entries : []).map((step, index) => {
    const named = (what: string, length: Length) => Measure.of(`${what} of step ${index + 1}`, length)
    return {
      key: `step-${index + 1}`,
      name: `Further step ${index + 1}`,
      x: named('Place', step.at),
      width: named('Width', step.width),
      depth: named('Depth', step.depth),
      figure: step.figure && {
        width: named('Figure width', step.figure.width), height: named('Figure height', step.figure.height),
      },
    }
  })
}

/**
 * A noted step has no field of its own whose value could be put right: the words say what would be.
 * @param steps all steps of the sheet, this one among them
 * @param inner width of the inner sheet, and its height below the fold
 */
export function checkFurther(
  card: CardBuilder, step: StepPlan, steps: StepPlan[], inner: { width: Measure, half: Measure },
): void {
  const { name, x, width, depth, figure } = step
  const room = inner.half.minus(rule('clearance', card.units))
  const wrong = (problem: string) => card.missing(name, `${problem} Change it in “Further steps”.`)
  if (depth.value > inner.half.half().value)
    wrong(
      `stands out ${card.show(depth)}, but at most ${card.show(inner.half.half())}, or it sticks out of the closed card.`,
    )
  else if (figure && depth.value + figure.height.value > room.value)
    wrong(
      `has a figure ${card.show(figure.height)} high, but has room for ${card.show(room.minus(depth))} in the closed card.`,
    )
  const tears = rule('between', card.units)
  const least = tears.value
  const near = steps.find(other =>
    other.name !== name
    && other.x.value < x.value + width.value + least
    && x.value < other.x.value + other.width.value + least,
  )
  if (near) wrong(`is nearer than ${card.show(tears)} to the step “${near.name}”: the paper between tears.`)
  if (x.value < least || x.value + width.value > inner.width.value - least)
    wrong(`must lie between ${card.show(tears)} and ${card.show(inner.width.minus(tears))} from the left.`)
}
