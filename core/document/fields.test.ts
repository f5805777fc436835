import { describe, expect, it } from 'vitest'
import type { Batch, Field } from '.'
import { FIELDS, newClass } from '.'
import { openDocument } from './open'

const document = () => newClass({ title: 'Any evening', date: '2030-01-08', units: 'metric' })

/** The class with another value at a place such as `tools.pace`. */
function changed(place: string, key: string, value: unknown) {
  const draft = document()
  const at = place.split('.').reduce<Record<string, unknown>>((inner, name) => inner[name] as Record<string, unknown>,
    draft as unknown as Record<string, unknown>)
  at[key] = value
  return openDocument(draft)
}

/** What a field takes at its edges, and what it refuses. */
const EDGES: { [kind in Field['kind']]: (field: Field & { kind: kind }) => { good: unknown[], bad: unknown[] } } = {
  'length': ({ zero }) => ({
    good: ['1/16 in', ...(zero ? ['0 mm'] : [])], bad: ['-1 mm', 'wide', 4, ...(zero ? [] : ['0 mm'])],
  }),
  'number': ({ least, most }) => ({ good: [least, most], bad: [least - 0.1, most + 0.1, '3', null] }),
  'whole': ({ least, most }) => ({ good: [least, most], bad: [least - 1, most + 1, least + 0.5] }),
  'limit': ({ most }) => ({ good: [null, most], bad: [most + 1, 1.5, 'any'] }),
  'money': ({ most }) => ({ good: [0, most], bad: [-1, most + 1, '1.00'] }),
  'choice': ({ of }) => ({ good: [...of], bad: ['anything', null] }),
  'currency': () => ({ good: ['CHF'], bad: ['chf', 'EURO', ''] }),
  'yes or no': () => ({ good: [true, false], bad: ['true', 0] }),
}
const rows = Object.entries(FIELDS).flatMap(([place, { table }]) =>
  Object.entries<Field>(table).map(([key, field]) => ({ path: `${place}.${key}`, place, key, field })))

describe('fields that stand in tables', () => {
  it('are natural in a new class', () => {
    expect(openDocument(document()).ok).toBe(true)
    expect((document() as Batch).labels.paper).toBe('A4')
  })

  it.each(rows)('$path takes what it may hold, and nothing else', ({ path, place, key, field }) => {
    const edges = EDGES[field.kind] as (field: Field) => { good: unknown[], bad: unknown[] }
    const { good, bad } = edges(field)
    for (const value of good) expect([value, changed(place, key, value)]).toMatchObject([value, { ok: true }])
    for (const value of bad)
      expect([value, changed(place, key, value)]).toMatchObject([value, { ok: false, problems: [{ path }] }])
  })

  it('have words for every choice', () => {
    for (const { field } of rows)
      if (field.kind === 'choice') expect(Object.keys(field.words).sort()).toEqual([...field.of].sort())
  })
})
