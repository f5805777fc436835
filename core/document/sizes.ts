import { getMetadataStorage } from 'class-validator'
import { BOUNDS } from './bounds'
import type { Problem } from './problem'
import { MOST_PROBLEMS } from './problem'
import { CHECKS } from './validators'

type Shape = new () => object

/** What a property may hold at most, as the checks at it say. */
interface Limit {
  /** Characters of a text, items of a list, names of an object. */
  text?: number
  kind?: string
  list?: number
  names?: number
  words?: string
  of?: Shape
}

/** Shapes of what lies in properties, by the prototype they are declared at. */
const within = new WeakMap<object, Map<string, () => Shape>>()

/** Notes the shape of what lies in a property, for the limits in there. */
export const Within = (of: () => Shape): PropertyDecorator => (target, name) => {
  const known = within.get(target) ?? new Map<string, () => Shape>()
  within.set(target, known.set(String(name), of))
}

const shapeIn = (shape: Shape, name: string): Shape | undefined => {
  for (let target: object | null = shape.prototype; target; target = Object.getPrototypeOf(target)) {
    const of = within.get(target)?.get(name)
    if (of) return of()
  }
}

const plans = new WeakMap<Shape, Map<string, Limit>>()

/** The limits of a shape, taken once from the checks that it declares. */
function planOf(shape: Shape): Map<string, Limit> {
  const known = plans.get(shape)
  if (known) return known
  const plan = new Map<string, Limit>()
  for (const { propertyName, name, constraints } of getMetadataStorage().getTargetValidationMetadatas(
    shape, '', false, false,
  )) {
    const limit = plan.get(propertyName) ?? {}
    const most = Number((constraints as unknown[] | undefined)?.[0])
    if (name === CHECKS.list) Object.assign(limit, { list: most, words: (constraints as unknown[])[2] })
    if (name === CHECKS.text || name === CHECKS.filledText) limit.text = most
    if (name === CHECKS.length) Object.assign(limit, { text: BOUNDS.length, kind: 'length' })
    if (name === CHECKS.parameters || name === CHECKS.papers) limit.names = BOUNDS.names
    if (name === CHECKS.pointers || name === CHECKS.levels || name === CHECKS.counts) limit.names = most
    limit.of = shapeIn(shape, propertyName)
    plan.set(propertyName, limit)
  }
  plans.set(shape, plan)
  return plan
}

/** Characters of a text whose bound is no other check's: of a key, a word, a day, a mark. */
const WORD = 200

/**
 * What is too large in some data for a shape, and names that the shape does not have: found by counting alone,
 * before anything is read, made into objects or checked. It looks no further than the limits go.
 */
export function oversize(shape: Shape, data: object): Problem[] {
  const problems: Problem[] = []
  visit(shape, data, '')
  return problems

  function visit(of: Shape, value: object, path: string): void {
    const plan = planOf(of)
    for (const name of Object.keys(value)) {
      if (problems.length >= MOST_PROBLEMS) return
      const at = path ? `${path}.${name}` : name
      const limit = plan.get(name)
      if (!limit) problems.push({ path: at.slice(0, WORD), problem: 'is not known here; check its spelling' })
      else measure(limit, (value as Record<string, unknown>)[name], at)
    }
  }

  function measure({ text = WORD, kind = 'text', list, names, words, of }: Limit, value: unknown, at: string): void {
    const say = (problem: string) => problems.push({ path: at, problem })
    if (typeof value === 'string' && value.length > text) return void say(`is a ${kind} of at most ${text} characters`)
    if (typeof value !== 'object' || value === null) return
    if (Array.isArray(value)) {
      if (value.length > (list ?? WORD))
        return void say(list === undefined ? 'is no list' : `holds at most ${list} ${words}`)
      value.forEach((item, index) => {
        if (of && typeof item === 'object' && item !== null && problems.length < MOST_PROBLEMS)
          visit(of, item, `${at}[${index}]`)
      })
      return
    }
    if (names !== undefined && Object.keys(value).length > names) return void say(`holds at most ${names} names`)
    if (of) visit(of, value, at)
  }
}

/** Values in a document, one within the other or beside it: many times as many as any class has. */
const MOST_VALUES = 150_000

/** Whether some data holds more values than any document; it stops counting there. */
export function isEndless(data: unknown): boolean {
  const open = [data]
  for (let seen = 0; open.length > 0; seen++) {
    if (seen > MOST_VALUES || open.length > MOST_VALUES) return true
    const value = open.pop()
    if (typeof value !== 'object' || value === null) continue
    const inner = Array.isArray(value) ? value : Object.values(value)
    if (inner.length > MOST_VALUES) return true
    for (const item of inner) open.push(item)
  }
  return false
}
