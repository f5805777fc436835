import type { ValidationOptions } from 'class-validator'
import { ValidateBy, buildMessage } from 'class-validator'
import { LONGEST_TEXT } from '../../folds'
import { parseLength } from '../../lengths'

const HAS_UNIT = /[a-z"″”]\s*$/i

/** Names of our own checks, as the schema writer knows them. */
export const CHECKS = { length: 'isLengthText', parameters: 'isParameterInputs', papers: 'isPaperChoice', day: 'isCalendarDay', one: 'isOneObject', list: 'isListOfObjects', wholeOrNull: 'isWholeOrNull' } as const

/** A length written with its unit; more than zero unless `zero` allows none. */
export function IsLengthText({ zero = false } = {}, options?: ValidationOptions): PropertyDecorator {
  const problem = (value: unknown): string | undefined => {
    if (typeof value !== 'string') return 'is a length written as text with its unit, such as "5 3/8 in" or "136 mm"'
    const parsed = parseLength(value, 'inch')
    if (!parsed.ok) return `is not a length: ${parsed.reason}`
    if (!HAS_UNIT.test(value)) return 'needs its unit, such as "5 3/8 in" or "136 mm"'
    if (parsed.length < 0 || (parsed.length === 0 && !zero)) return zero ? 'cannot be negative' : 'must be more than zero'
    return undefined
  }
  return ValidateBy({
    name: CHECKS.length,
    validator: {
      validate: value => problem(value) === undefined,
      defaultMessage: buildMessage((each, args) => problem(args?.value) ?? `${each}is a length`),
    },
  }, options)
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** One object, not a list in its place; what is in it is checked by its own shape. */
export const IsOne = (what: string): PropertyDecorator => ValidateBy({
  name: CHECKS.one,
  validator: { validate: isRecord, defaultMessage: args => args?.value === undefined ? 'is missing' : `must be ${what}` },
})

/** A list of objects; what is in each is checked by its own shape. */
export const IsListOf = (what: string, longest: number): PropertyDecorator => ValidateBy({
  name: CHECKS.list,
  constraints: [longest],
  validator: {
    validate: value => Array.isArray(value) && value.length <= longest && value.every(isRecord),
    defaultMessage: args => Array.isArray(args?.value) && args.value.length > longest ? `holds at most ${longest} ${what}` : `is a list of ${what}`,
  },
})

/** A whole number from 0 to `most`, or `null` for “as usual”. */
export const IsWholeOrNull = (most: number): PropertyDecorator => ValidateBy({
  name: CHECKS.wholeOrNull,
  constraints: [most],
  validator: {
    validate: value => value === null || (Number.isInteger(value) && value >= 0 && value <= most),
    defaultMessage: () => `is a whole number from 0 to ${most}, or null`,
  },
})

/** The parameters of a card: names with texts or true/false. */
export const IsParameterInputs = (): PropertyDecorator => ValidateBy({
  name: CHECKS.parameters,
  validator: {
    validate: value => isRecord(value) && Object.keys(value).length <= 80
      && Object.values(value).every(input => typeof input === 'boolean' || (typeof input === 'string' && input.length <= LONGEST_TEXT)),
    defaultMessage: () => 'is an object of parameters: names with a text (at most 400 characters) or true/false',
  },
})

/** The papers of a card: part keys with paper keys. */
export const IsPaperChoice = (): PropertyDecorator => ValidateBy({
  name: CHECKS.papers,
  validator: {
    validate: value => isRecord(value) && Object.keys(value).length <= 80
      && Object.entries(value).every(([part, paper]) => part.length <= 80 && typeof paper === 'string' && paper.length <= 80),
    defaultMessage: () => 'is an object: part keys with the key of a paper',
  },
})

/** A day that exists, written YYYY-MM-DD. */
export const IsCalendarDay = (): PropertyDecorator => ValidateBy({
  name: CHECKS.day,
  validator: {
    validate(value) {
      if (typeof value !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(value)) return false
      const day = new Date(`${value}T00:00:00Z`)
      return !Number.isNaN(day.getTime()) && day.toISOString().startsWith(value)
    },
    defaultMessage: () => 'is a day that exists, written YYYY-MM-DD',
  },
})
