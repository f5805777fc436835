import { itemAt } from '../../lists'
import type { ParameterInput, ParameterInputs } from '../../document'
import { BOUNDS } from '../../document'
import type { Length, Units } from '../../lengths'
import { Measure, downToMark, lengthFrom, nanometres, parseLength, writeLength } from '../../lengths'

interface Common {
  label: string
  help?: string
  /** What must hold for it to decide anything, all of it: a toggle that is on, or `shape=round` of a choice. */
  when?: string | readonly string[]
  /** Answers a question that is seldom asked: a field of its own only once it was answered. */
  quiet?: boolean
}

export interface LengthParameter extends Common {
  kind: 'length'
  /** Natural defaults of the two schools, written as text with unit. */
  defaults: Record<Units, string>
  /** May be zero; all other lengths must be more than that. */
  zero?: boolean
  /** Whether it is one of the sizes of the whole card, which a card is resized by. */
  main?: boolean
  /** The sizes that it grows and shrinks with until it is typed; of several the one that has shrunk most decides. */
  follows?: string | readonly string[]
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
  /** The size that its lengths grow and shrink with until it is typed. */
  follows?: string
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

export const length = (
  label: string, inch: string, metric: string, more: Partial<LengthParameter> = {},
): LengthParameter => ({
  kind: 'length',
  label,
  defaults: { inch, metric },
  ...more,
})

/** A size of the whole card. */
export const size = (
  label: string, inch: string, metric: string, more: Partial<LengthParameter> = {},
): LengthParameter => length(label, inch, metric, { ...more, main: true })

export const toggle = (label: string, initial: boolean, help?: string, when?: Parameter['when']): ToggleParameter => ({
  kind: 'toggle',
  label,
  initial,
  help,
  when,
})

/** What there is to choose from: each value with its words, the usual one first. */
export const options = <Value extends string>(words: Record<Value, string>) =>
  (Object.entries(words) as [Value, string][]).map(([value, label]) => ({ value, label }))

/** The first option is the natural one. */
export const choice = (
  label: string, options: ChoiceParameter['options'], help?: string, when?: Parameter['when'],
): ChoiceParameter => ({
  kind: 'choice',
  label,
  options,
  initial: itemAt(options, 0).value,
  help,
  when,
})

/** Whether a parameter decides anything, by what it hangs on. */
export const isUsed = ({ when = [] }: Parameter, inputs: ParameterInputs): boolean =>
  [when].flat().every((condition) => {
    const [name = '', value] = condition.split('=')
    return inputs[name] === (value ?? true)
  })

/** The default inputs of a fold in one school of measuring. */
export function defaultInputs(parameters: Parameters, units: Units): ParameterInputs {
  return Object.fromEntries(
    Object.entries(parameters).map(([key, parameter]) => [
      key, 'defaults' in parameter ? parameter.defaults[units] : parameter.initial,
    ]),
  )
}

/** The names of the sizes that a parameter follows. */
export const followed = (parameter: Parameter): readonly string[] =>
  'follows' in parameter ? [parameter.follows ?? []].flat() : []

/**
 * All inputs of a card: what was typed, and for the rest what is natural at these sizes. A length that follows others
 * keeps its share of them, down to the mark; what was typed must have passed `inputProblems`.
 */
export function naturalInputs(
  parameters: Parameters, typed: ParameterInputs, units: Units, mark: Length,
): ParameterInputs {
  const defaults = defaultInputs(parameters, units)
  const all: ParameterInputs = {}
  const inputOf = (name: string): ParameterInput =>
    (all[name] ??= Object.hasOwn(typed, name) ? (typed[name] ?? '') : naturalOf(name))
  for (const name of Object.keys(parameters)) inputOf(name)
  return all

  function naturalOf(name: string): ParameterInput {
    const usual = defaults[name] ?? ''
    const parameter = parameters[name]
    const shares = (parameter ? followed(parameter) : []).map((main) => {
      const [now, natural] = [inputOf(main), defaults[main]].map(input => lengthFrom(String(input), units)) as [
        Length, Length,
      ]
      return now / natural
    })
    const share = Math.min(...shares)
    if (shares.length === 0 || share === 1) return usual
    const toShare = (length: Length) =>
      nanometres(Math.max(mark, downToMark(nanometres(Math.floor(length * share)), mark)))
    if (parameter?.kind === 'text') return parameter.resized(String(usual), toShare, units)
    return writeLength(toShare(lengthFrom(String(usual), units)), units)
  }
}

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
      const problem
        = input.length > BOUNDS.parameter
          ? `has more than ${BOUNDS.parameter} characters.`
          : parameter.problem(input, units)
      return problem && `${parameter.label}: ${problem}`
    }
    case 'length': {
      if (typeof input !== 'string')
        return `${parameter.label} is a length written as text, such as "${parameter.defaults[units]}".`
      const parsed = parseLength(input, units)
      if (!parsed.ok) return `${parameter.label}: ${parsed.reason}`
      if (parsed.length < 0 || (parsed.length === 0 && !parameter.zero)) {
        const most = parameter.zero ? 'zero or more' : 'more than zero'
        return `${parameter.label} must be ${most}; ${parameter.defaults[units]} is usual.`
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
    .map(key => ({
      parameter: key, problem: `is not a parameter of this fold. It has: ${Object.keys(parameters).join(', ')}.`,
    }))
  const wrong = Object.entries(parameters).flatMap(([key, parameter]) => {
    const problem = Object.hasOwn(inputs, key) ? inputProblem(parameter, inputs[key], units) : undefined
    return problem ? [{ parameter: key, problem }] : []
  })
  return [...unknown, ...wrong]
}

/** Reads all inputs of a card, as `naturalInputs` completes them. */
export function readInputs<P extends Parameters>(parameters: P, inputs: ParameterInputs, units: Units): Values<P> {
  const entries = Object.entries(parameters).map(([key, parameter]) => {
    const input = inputs[key]
    if (parameter.kind !== 'length') return [key, input]
    return [key, Measure.of(parameter.label, lengthFrom(String(input), units))]
  })
  return Object.fromEntries(entries) as Values<P>
}

/**
 * The inputs of a fold at another size, to the nearest mark: the main sizes and all that follows them or was typed to
 * go with them grow or shrink; borders, tape and whatever else follows nothing stay, as do toggles and choices. What
 * was not typed still is not. Inputs must have passed `inputProblems`.
 */
export function resizedInputs(
  parameters: Parameters,
  inputs: ParameterInputs,
  factor: number,
  units: Units,
  mark: Length,
): ParameterInputs {
  const resize = (length: Length) =>
    nanometres(length === 0 ? 0 : Math.max(1, Math.round((length * factor) / mark)) * mark)
  const all = naturalInputs(parameters, inputs, units, mark)
  const changed = Object.entries(parameters).flatMap(([name, parameter]) => {
    const input = String(all[name])
    const isTyped = Object.hasOwn(inputs, name)
    if (parameter.kind === 'text')
      return isTyped || !parameter.follows ? [[name, parameter.resized(input, resize, units)]] : []
    const grows = parameter.kind === 'length' && (parameter.main || (isTyped && followed(parameter).length > 0))
    return grows ? [[name, writeLength(resize(lengthFrom(input, units)), units)]] : []
  })
  return { ...inputs, ...Object.fromEntries(changed) }
}
