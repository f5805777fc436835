import { itemAt } from '../../lists'
import type { ParameterInputs } from '../../document'
import { BOUNDS } from '../../document'
import type { Length, Units } from '../../lengths'
import { Measure, lengthFrom, nanometres, parseLength, writeLength } from '../../lengths'

interface Common {
  label: string
  help?: string
  /** Name of a toggle; while that is off this parameter decides nothing. */
  when?: string
}

export interface LengthParameter extends Common {
  kind: 'length'
  /** Natural defaults of the two schools, written as text with unit. */
  defaults: Record<Units, string>
  /** May be zero; all other lengths must be more than that. */
  zero?: boolean
}

export interface ToggleParameter extends Common {
  kind: 'toggle'
  initial: boolean
}

export interface ChoiceParameter extends Common {
  kind: 'choice'
  options: readonly { value: string, label: string }[]
  initial: string
}

/** A short text in a form of its own, such as a list of scores. */
export interface TextParameter extends Common {
  kind: 'text'
  defaults: Record<Units, string>
  /** What is wrong with a text; `undefined` when it can be read. */
  problem: (text: string, units: Units) => string | undefined
  /** The same text with every length in it changed. */
  resized: (text: string, change: (length: Length) => Length, units: Units) => string
}

export type Parameter = LengthParameter | ToggleParameter | ChoiceParameter | TextParameter
export type Parameters = Record<string, Parameter>

/** What `build` receives: lengths as measures, the rest as they are. */
export type Values<P extends Parameters> = {
  [K in keyof P]: P[K] extends LengthParameter ? Measure : P[K] extends ToggleParameter ? boolean : string
}

export const length = (label: string, inch: string, metric: string, more: Partial<LengthParameter> = {}): LengthParameter => ({
  kind: 'length',
  label,
  defaults: { inch, metric },
  ...more,
})

export const toggle = (label: string, initial: boolean, help?: string): ToggleParameter => ({ kind: 'toggle', label, initial, help })

export const choice = (label: string, options: ChoiceParameter['options'], help?: string): ChoiceParameter => ({
  kind: 'choice',
  label,
  options,
  initial: itemAt(options, 0).value,
  help,
})

/** Whether a parameter decides anything, by the toggle it hangs on. */
export const isUsed = ({ when }: Parameter, inputs: ParameterInputs): boolean => when === undefined || inputs[when] === true

/** The default inputs of a fold in one school of measuring. */
export function defaultInputs(parameters: Parameters, units: Units): ParameterInputs {
  return Object.fromEntries(
    Object.entries(parameters).map(([key, parameter]) => [key, 'defaults' in parameter ? parameter.defaults[units] : parameter.initial]),
  )
}

/** Characters that a text parameter may have. */

/** What is wrong with one input, in words for the maker; `undefined` when nothing is. */
export function inputProblem(parameter: Parameter, input: unknown, units: Units): string | undefined {
  switch (parameter.kind) {
    case 'toggle':
      return typeof input === 'boolean' ? undefined : `${parameter.label} is either true or false.`
    case 'choice':
      return parameter.options.some(option => option.value === input)
        ? undefined
        : `${parameter.label} is one of: ${parameter.options.map(option => option.value).join(', ')}.`
    case 'text': {
      if (typeof input !== 'string') return `${parameter.label} is a text such as "${parameter.defaults[units]}".`
      const problem = input.length > BOUNDS.parameter ? `has more than ${BOUNDS.parameter} characters.` : parameter.problem(input, units)
      return problem && `${parameter.label}: ${problem}`
    }
    case 'length': {
      if (typeof input !== 'string') return `${parameter.label} is a length written as text, such as "${parameter.defaults[units]}".`
      const parsed = parseLength(input, units)
      if (!parsed.ok) return `${parameter.label}: ${parsed.reason}`
      if (parsed.length < 0 || (parsed.length === 0 && !parameter.zero)) {
        return `${parameter.label} must be ${parameter.zero ? 'zero or more' : 'more than zero'}; ${parameter.defaults[units]} is usual.`
      }
      return undefined
    }
  }
}

export interface InputProblem {
  parameter: string
  problem: string
}

/** Checks all inputs of a card against its fold, unknown names included. */
export function inputProblems(parameters: Parameters, inputs: Record<string, unknown>, units: Units): InputProblem[] {
  const unknown = Object.keys(inputs)
    .filter(key => !Object.hasOwn(parameters, key))
    .map(key => ({ parameter: key, problem: `is not a parameter of this fold. It has: ${Object.keys(parameters).join(', ')}.` }))
  const wrong = Object.entries(parameters).flatMap(([key, parameter]) => {
    const problem = Object.hasOwn(inputs, key) ? inputProblem(parameter, inputs[key], units) : undefined
    return problem ? [{ parameter: key, problem }] : []
  })
  return [...unknown, ...wrong]
}

/** Reads inputs that have passed `inputProblems`; a parameter left out takes its default. */
export function readInputs<P extends Parameters>(parameters: P, inputs: ParameterInputs, units: Units): Values<P> {
  const defaults = defaultInputs(parameters, units)
  const entries = Object.entries(parameters).map(([key, parameter]) => {
    const input = Object.hasOwn(inputs, key) ? inputs[key] : defaults[key]
    if (parameter.kind !== 'length') return [key, input]
    return [key, Measure.of(parameter.label, lengthFrom(String(input), units))]
  })
  return Object.fromEntries(entries) as Values<P>
}

/**
 * The inputs of a fold with every length times a factor, to the nearest mark; toggles and choices stay.
 * Inputs must have passed `inputProblems`.
 */
export function resizedInputs(
  parameters: Parameters,
  inputs: ParameterInputs,
  factor: number,
  units: Units,
  mark: Length,
): ParameterInputs {
  const resize = (length: Length) => nanometres(length === 0 ? 0 : Math.max(1, Math.round((length * factor) / mark)) * mark)
  const all = { ...defaultInputs(parameters, units), ...inputs }
  return Object.fromEntries(
    Object.entries(parameters).map(([key, parameter]) => {
      const input = all[key] ?? ''
      if (parameter.kind === 'length') return [key, writeLength(resize(lengthFrom(String(input), units)), units)]
      return [key, parameter.kind === 'text' ? parameter.resized(String(input), resize, units) : input]
    }),
  )
}
