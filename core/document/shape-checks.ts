import { Type } from 'class-transformer'
import { IsBoolean, IsIn, IsInt, IsNumber, Matches, Max, Min, ValidateNested } from 'class-validator'
import type { ValidationOptions } from 'class-validator'
import { Within } from './sizes'
import { IsListOf, IsOne } from './validators'

/* Checks that the shapes are put together from, with the words of their refusals. */

const KEY = /^[a-z0-9][a-z0-9-]{0,79}$/
export const key = (options?: ValidationOptions) =>
  Matches(KEY, { ...options, message: 'is a key of small letters, digits and hyphens' })
export const oneOf = (values: readonly string[]) => IsIn(values, { message: `is one of: ${values.join(', ')}` })
export const whole = () => IsInt({ message: 'is a whole number' })
export const number = (of: string) => IsNumber({}, { message: `is a number of ${of}` })
export const least = (value: number) => Min(value, { message: `must be at least ${value}` })
export const most = (value: number) => Max(value, { message: `must be at most ${value}` })
export const yesOrNo = () => IsBoolean({ message: 'is true or false' })

/** Several checks as one; the first is the most basic, whose words are told. */
const together
  = (...checks: PropertyDecorator[]): PropertyDecorator =>
    (target, name) =>
      checks.forEach(check => check(target, name))
/** One entity, checked by its own shape. */
export const one = (of: () => new () => object, what: string) =>
  together(IsOne(what), Type(of), Within(of), ValidateNested())
/** A list of entities, each checked by its own shape. */
export const listOf = (of: () => new () => object, what: string, longest: number) =>
  together(IsListOf(what, longest), Type(of), Within(of), ValidateNested({ each: true }))

// eslint-disable-next-line @typescript-eslint/no-extraneous-class -- what it has is declared in a table
class Nothing {}
/** A class for shapes whose properties are declared in a table, and set up from there. */
export const having = <Properties>(): new () => Properties => Nothing as new () => Properties
