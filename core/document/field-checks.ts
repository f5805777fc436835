import { Matches } from 'class-validator'
import type { Field, Fields, ValuesOf } from './fields'
import { having, least, most, number, oneOf, whole, yesOrNo } from './shape-checks'
import { IsLengthText, IsWholeOrNull } from './validators'

/** The checks of a field, the most basic one first. */
function checksOf(field: Field): PropertyDecorator[] {
  switch (field.kind) {
    case 'length':
      return [IsLengthText({ zero: field.zero })]
    case 'number':
      return [number(field.of), least(field.least), most(field.most)]
    case 'whole':
      return [whole(), least(field.least), most(field.most)]
    case 'limit':
      return [IsWholeOrNull(field.most)]
    case 'money':
      return [number('cents'), least(0), most(field.most)]
    case 'choice':
      return [oneOf(field.of)]
    case 'currency':
      return [Matches(/^[A-Z]{3}$/, { message: 'is a currency code of three capital letters' })]
    case 'yes or no':
      return [yesOrNo()]
  }
}

/**
 * Gives a shape the fields of a table, each with its checks. Its class extends `fieldsOf` of the same table, which has
 * their types.
 */
export const withFields = (table: Fields) => ({ prototype }: { prototype: object }): void => {
  for (const [key, field] of Object.entries(table)) for (const check of checksOf(field)) check(prototype, key)
}

export const fieldsOf = <Table extends Fields>(_: Table): new () => ValuesOf<Table> => having<ValuesOf<Table>>()

/** What a refusal says that is to be there: “the wishes: priority, working, …”. */
export const namesOf = (what: string, table: Fields, ...more: string[]): string =>
  `${what}: ${[...Object.keys(table), ...more].join(', ')}`
