import { plainToInstance } from 'class-transformer'
import type { ValidationError } from 'class-validator'
import { validateSync } from 'class-validator'
import type { Checked, Problem } from './problem'
import { MOST_PROBLEMS } from './problem'
import { oversize } from './sizes'

/**
 * Checks plain data against a shape. Unknown names are problems too, so that a
 * misspelt one is never silently dropped.
 */
export function checkShape<T extends object>(shape: new () => T, data: unknown): Checked<T> {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) {
    return { ok: false, problems: [{ path: '', problem: 'must be a JSON object' }] }
  }
  const large = oversize(shape, data)
  if (large.length > 0) return { ok: false, problems: large.slice(0, MOST_PROBLEMS) }
  const strange = strangeNesting(data)
  if (strange) return { ok: false, problems: [strange] }
  const instance = plainToInstance(shape, data)
  const problems = flatten(
    validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true }), '',
  )
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: JSON.parse(JSON.stringify(instance)) as T }
}

/** How deep data may be nested: many times as deep as any class, and far from what the checks could not follow. */
const DEEPEST = 500

/** What the checks by shape would stumble over: data nested without end, and names that every object has already. */
function strangeNesting(data: object): Problem | undefined {
  const open: [value: object, path: string, depth: number][] = [[data, '', 0]]
  for (let next = open.pop(); next; next = open.pop()) {
    const [value, path, depth] = next
    if (depth > DEEPEST) return { path: path.slice(0, 200), problem: `is nested more than ${DEEPEST} deep` }
    for (const [name, inner] of Object.entries(value)) {
      const at = Array.isArray(value) ? `${path}[${name}]` : path ? `${path}.${name}` : name
      if (name in Object.prototype) return { path: at, problem: 'is not known here; check its spelling' }
      if (typeof inner === 'object' && inner !== null) open.push([inner, at, depth + 1])
    }
  }
}

function flatten(errors: ValidationError[], parent: string): Problem[] {
  return errors.flatMap((error) => {
    const path = /^\d+$/.test(error.property)
      ? `${parent}[${error.property}]`
      : parent
        ? `${parent}.${error.property}`
        : error.property
    const { nestedValidation, whitelistValidation, ...own } = error.constraints ?? {}
    if (whitelistValidation) return [{ path, problem: 'is not known here; check its spelling' }]
    // One sentence for one place: the most basic check that failed, which a shape lists last.
    const basic = Object.values(own)[0]
    if (basic) return [{ path, problem: basic }]
    const nested = flatten(error.children ?? [], path)
    return nested.length > 0 ? nested : [{ path, problem: nestedValidation ?? 'is wrong' }]
  }).slice(0, MOST_PROBLEMS)
}
