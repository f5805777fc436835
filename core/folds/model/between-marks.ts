import type { ParameterInputs } from '../../document'
import type { Length, Units } from '../../lengths'
import { formatLength, isOnMark, lengthFrom, nearestMark, parseLength } from '../../lengths'
import { inARow } from '../../lists'
import type { Finding } from './card'
import type { Parameters } from './parameters'
import { choice, options } from './parameters'

/** What a maker has answered; a field of its own once that was done, so that it can be taken back. */
export const MARKS_PARAMETER = {
  ...choice(
    'Sizes between marks',
    options({ ask: 'Ask me', kept: 'Cut as typed, by ruler' }),
    'Where a size was typed in the other unit and your trimmer has no mark for it',
  ),
  quiet: true,
}

/** The smallest steps that makers of the other school write a length in. */
const OTHER_STEP: Record<Units, string> = { inch: '0.5 mm', metric: '1/64 in' }

interface Typed {
  name: string
  label: string
  text: string
  value: Length
}

/** The lengths that were typed in the other unit, where the trimmer has no mark for them. */
export function typedBetweenMarks(parameters: Parameters, typed: ParameterInputs, units: Units, mark: Length): Typed[] {
  const step = lengthFrom(OTHER_STEP[units], units)
  return Object.entries(parameters).flatMap(([name, { kind, label }]) => {
    const text = typed[name]
    if (kind !== 'length' || typeof text !== 'string') return []
    const read = parseLength(text, units)
    if (!read.ok || read.length <= 0 || isOnMark(read.length, mark) || !isOnMark(read.length, step)) return []
    return [{ name, label, text: text.trim(), value: read.length }]
  })
}

/** Asks once what is to become of all of them, with what each way does. */
export function askedOnce(sizes: Typed[], units: Units, mark: Length): Finding[] {
  const [first, ...others] = sizes
    .map(size => ({ ...size, value: nearestMark(size.value, mark) }))
    .filter(({ value }) => value > 0)
  if (!first) return []
  const [what, how, fits] = others.length === 0 ? ['lies', 'it is', 'fits'] : ['lie', 'they are', 'fit']
  const rounded = inARow([first, ...others].map(({ value }) => formatLength(value, units, { unit: true })))
  return [{
    severity: 'warn',
    subject: inARow(
      [first, ...others].map(({ label, text }, at) => `${at === 0 ? label : label.toLowerCase()} ${text}`),
    ),
    problem:
        `${what} between the marks of your trimmer. Rounded, ${how} ${rounded}, and every cut has a mark. Kept, ${how} set by ruler `
        + `and ${fits} what else is made to such sizes; mats still go to your marks.`,
    parameter: first.name,
    fix: {
      parameter: first.name, value: first.value, also: others.map(({ name, value }) => ({ parameter: name, value })),
    },
    keep: { words: others.length === 0 ? 'Keep it as typed' : 'Keep them as typed', parameter: 'marks', value: 'kept' },
  }]
}
