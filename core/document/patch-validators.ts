import type { ValidationOptions } from 'class-validator'
import { ValidateBy } from 'class-validator'
import { isRecord } from '../lists'
import { BOUNDS } from './bounds'
import { CHECKS, textProblem } from './validators'

const OPERATIONS = { set: ['value'], unset: [], add: ['entry', 'after'], remove: [], order: ['keys'] } as const
/** How deep a path may lead: further than any part of a document lies. */
const LONGEST_PATH = 12

/** What is wrong with a patch, apart from whether it fits its document. */
function patchProblem(patch: unknown): string | undefined {
  if (!isRecord(patch)) return 'is a change: op and path'
  const { op, path } = patch
  if (typeof op !== 'string' || !Object.hasOwn(OPERATIONS, op))
    return `op is one of: ${Object.keys(OPERATIONS).join(', ')}`
  if (
    !Array.isArray(path)
    || path.length === 0
    || path.length > LONGEST_PATH
    || path.some(name => textProblem(name, BOUNDS.key) !== undefined)
  ) {
    return `path is a list of 1 to ${LONGEST_PATH} names`
  }
  const wanted = ['op', 'path', ...OPERATIONS[op as keyof typeof OPERATIONS]]
  if (wanted.some(name => !(name in patch)) || Object.keys(patch).length !== wanted.length)
    return `${op} takes: ${wanted.slice(1).join(', ')}`
  if (
    op === 'add'
    && !(isRecord(patch.entry) && (patch.after === null || textProblem(patch.after, BOUNDS.key) === undefined))
  )
    return 'add takes an entry, and the key of the one before it or null'
  if (
    op === 'order'
    && !(
      Array.isArray(patch.keys)
      && patch.keys.length <= BOUNDS.patches
      && patch.keys.every(key => textProblem(key, BOUNDS.key) === undefined)
    )
  )
    return 'order takes a list of keys'
  return undefined
}

/** A change of a document; whether it fits is seen when it is applied. */
export const IsPatch = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: CHECKS.patch,
      validator: {
        validate: value => patchProblem(value) === undefined,
        defaultMessage: () => 'is a list of changes: op and path, and what the op takes',
      },
    },
    options,
  )
