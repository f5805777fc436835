import type { ValidationOptions } from 'class-validator'
import { ValidateBy, buildMessage } from 'class-validator'
import { parseLength } from '../lengths'
import { isRecord } from '../lists'
import { BOUNDS } from './bounds'
import type { PrepLevel } from './vocabulary'
import { PREP_LEVELS } from './vocabulary'

const HAS_UNIT = /[a-z"″”]\s*$/i

/** Names of our own checks, as the schema writer knows them. */
export const CHECKS = {
  text: 'isPlainText',
  filledText: 'isFilledText',
  length: 'isLengthText',
  parameters: 'isParameterInputs',
  papers: 'isPaperChoice',
  pointers: 'isPointers',
  levels: 'isLevels',
  counts: 'isCounts',
  day: 'isCalendarDay',
  time: 'isTimeOfDay',
  one: 'isOneObject',
  list: 'isListOfObjects',
  wholeOrNull: 'isWholeOrNull',
  tree: 'isCutTree',
  oneOrNull: 'isOneOrNull',
  patch: 'isPatch',
} as const

/** What is wrong with a length written as text with its unit, if anything. */
export function lengthProblem(value: unknown, zero = false, signed = false): string | undefined {
  if (typeof value !== 'string' || value.length > BOUNDS.length)
    return 'is a length written as text with its unit, such as "5 3/8 in" or "136 mm"'
  const parsed = parseLength(value, 'inch')
  if (!parsed.ok) return `is not a length: ${parsed.reason}`
  if (!HAS_UNIT.test(value)) return 'needs its unit, such as "5 3/8 in" or "136 mm"'
  if (signed) return undefined
  if (parsed.length < 0 || (parsed.length === 0 && !zero)) return zero ? 'cannot be negative' : 'must be more than zero'
  return undefined
}

/** Half of a character that takes two units: no database and no file can hold it. */
const HALF = /\p{Surrogate}/u

export function textProblem(value: unknown, longest: number): string | undefined {
  if (typeof value !== 'string') return 'is a text'
  if (value.length > longest) return `is a text of at most ${longest} characters`
  return HALF.test(value) ? 'holds half a character; type it again' : undefined
}

const textCheck = (name: string, longest: number, problem: (value: unknown) => string | undefined): PropertyDecorator =>
  ValidateBy({
    name,
    constraints: [longest],
    validator: {
      validate: value => problem(value) === undefined, defaultMessage: args => problem(args?.value) ?? 'is a text',
    },
  })

/** A text of at most some characters, as JavaScript and the database count them alike. */
export const IsText = (longest: number): PropertyDecorator =>
  textCheck(CHECKS.text, longest, value => textProblem(value, longest))

/** The same with something in it. */
export const IsFilledText = (longest: number): PropertyDecorator =>
  textCheck(
    CHECKS.filledText,
    longest,
    value => textProblem(value, longest) ?? (/\S/.test(value as string) ? undefined : 'cannot be empty'),
  )

/** A length written with its unit; more than zero unless `zero` allows none, or `signed` any. */
export function IsLengthText({ zero = false, signed = false } = {}, options?: ValidationOptions): PropertyDecorator {
  const problem = (value: unknown) => lengthProblem(value, zero, signed)
  return ValidateBy(
    {
      name: CHECKS.length,
      validator: {
        validate: value => problem(value) === undefined,
        defaultMessage: buildMessage((each, args) => problem(args?.value) ?? `${each}is a length`),
      },
    },
    options,
  )
}

/** One object, not a list in its place; what is in it is checked by its own shape. */
export const IsOne = (what: string): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.one,
    validator: {
      validate: isRecord, defaultMessage: args => (args?.value === undefined ? 'is missing' : `must be ${what}`),
    },
  })

/** A list of objects, or of texts; what each is like is checked by its own shape. */
export const IsListOf = (what: string, longest: number, of: 'object' | 'text' = 'object'): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.list,
    constraints: [longest, of, what],
    validator: {
      validate: value =>
        Array.isArray(value)
        && value.length <= longest
        && value.every(one => (of === 'text' ? typeof one === 'string' : isRecord(one))),
      defaultMessage: args =>
        Array.isArray(args?.value) && args.value.length > longest
          ? `holds at most ${longest} ${what}`
          : `is a list of ${what}`,
    },
  })

/** A whole number from 0 to `most`, or `null` for “as usual”. */
export const IsWholeOrNull = (most: number): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.wholeOrNull,
    constraints: [most],
    validator: {
      validate: value => value === null || (Number.isInteger(value) && value >= 0 && value <= most),
      defaultMessage: () => `is a whole number from 0 to ${most}, or null`,
    },
  })

/** One of some words, or `null` for “as usual”. */
export const IsOneOrNull = (values: readonly string[]): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.oneOrNull,
    constraints: [...values],
    validator: {
      validate: value => value === null || values.includes(value as string),
      defaultMessage: () => `is one of: ${values.join(', ')}, or null`,
    },
  })

/** The parameters of a card: names with texts or true/false. */
export const IsParameterInputs = (): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.parameters,
    validator: {
      validate: value =>
        isRecord(value)
        && Object.keys(value).length <= BOUNDS.names
        && Object.values(value).every(
          input => typeof input === 'boolean' || textProblem(input, BOUNDS.parameter) === undefined,
        ),
      defaultMessage: () =>
        `is an object of parameters: names with a text (at most ${BOUNDS.parameter} characters) or true/false`,
    },
  })

/** The papers of a card: part keys with paper keys. */
export const IsPaperChoice = (): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.papers,
    validator: {
      validate: value =>
        isRecord(value)
        && Object.keys(value).length <= BOUNDS.names
        && Object.entries(value).every(texts => texts.every(text => textProblem(text, BOUNDS.key) === undefined)),
      defaultMessage: () => 'is an object: part keys with the key of a paper',
    },
  })

/** Names with texts, which point at something in the document or on the shelf. */
export const IsPointers = (names: number): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.pointers,
    constraints: [names],
    validator: {
      validate: value =>
        isRecord(value)
        && Object.keys(value).length <= names
        && Object.entries(value).every(([name, text]) =>
          textProblem(name, 2 * BOUNDS.key + 1) === undefined && textProblem(text, BOUNDS.key) === undefined),
      defaultMessage: () => 'is an object: names, each with the key that it points at',
    },
  })

/** Names of kinds of parts or of single ones, each with how far it is made ready. */
export const IsLevels = (names: number): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.levels,
    constraints: [names],
    validator: {
      validate: value =>
        isRecord(value)
        && Object.keys(value).length <= names
        && Object.entries(value).every(([name, level]) =>
          textProblem(name, 2 * BOUNDS.key + 1) === undefined && PREP_LEVELS.includes(level as PrepLevel)),
      defaultMessage: () => `is an object: kinds of parts, or “card part”, each with one of: ${PREP_LEVELS.join(', ')}`,
    },
  })

/** Names with whole numbers from 0 to `most`. */
export const IsCounts = (names: number, most: number): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.counts,
    constraints: [names, most],
    validator: {
      validate: value =>
        isRecord(value)
        && Object.keys(value).length <= names
        && Object.entries(value).every(([name, count]) =>
          textProblem(name, BOUNDS.key) === undefined
          && Number.isInteger(count)
          && Number(count) >= 0
          && Number(count) <= most,
        ),
      defaultMessage: () => `is an object: names, each with a whole number from 0 to ${most}`,
    },
  })

/** A day that exists, written YYYY-MM-DD. */
export const IsCalendarDay = (): PropertyDecorator =>
  ValidateBy({
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

/** A time of day, written HH:MM, or nothing while it is open. */
export const IsTimeOfDay = (): PropertyDecorator =>
  ValidateBy({
    name: CHECKS.time,
    validator: {
      validate: value => typeof value === 'string' && /^(?:(?:[01]\d|2[0-3]):[0-5]\d)?$/.test(value),
      defaultMessage: () => 'is a time of day, written HH:MM, or empty',
    },
  })
