import { produce } from 'immer'
import { applied } from './applying'
import { PatchIndex, collisions } from './patch-index'
import type { Patch, Path } from './patches'
import { valueAt, patchesBetween, touches } from './patches'

/** One step back: the document before and after it. Both share what was not changed. */
interface Step<T> {
  label: string
  /** When it was last added to, in milliseconds of the caller's clock. */
  time: number
  before: T
  after: T
  /** How many changes of others had come when it was made. */
  seen: number
}

/**
 * A document that is being edited here while others may edit it elsewhere. Every function of this file answers a new
 * one.
 */
export interface Session<T> {
  /** As the server has it, as far as this window knows. */
  base: T
  /** As it is on screen. */
  current: T
  past: Step<T>[]
  future: Step<T>[]
  /** Changes of others, in the order in which they came. */
  foreign: Patch[]
  /** What the server has that collides with what is on screen. */
  theirs?: { document: T, paths: Path[] }
}

const HISTORY = 200
/** Changes under one label that follow each other faster than this are one step back. Milliseconds. */
const ONE_STEP = 900

export const sessionOf = <T>(document: T): Session<T> => ({
  base: document, current: document, past: [], future: [], foreign: [],
})

/** What the server does not know yet. */
export const unsaved = <T>({ base, current }: Session<T>): Patch[] => patchesBetween(base, current)

/**
 * Changes the document and remembers the way back.
 * @param label names the thing changed; quick changes of the same thing are one step back
 * @param change changes the draft that it is given
 * @param now milliseconds
 */
export function edited<T extends object>(
  session: Session<T>, label: string, change: (draft: T) => void, now: number,
): Session<T> {
  const { current, past, foreign } = session
  const after = produce(current, change)
  if (after === current || patchesBetween(current, after).length === 0) return session
  const last = past.at(-1)
  const joins
    = last
      && last.label === label
      && now - last.time <= ONE_STEP
      && last.after === current
      && last.seen === foreign.length
  const step: Step<T> = { label, time: now, before: joins ? last.before : current, after, seen: foreign.length }
  const earlier = (joins ? past.slice(0, -1) : past).slice(-HISTORY)
  // What was typed and taken back at once is no step.
  const isNone = joins && patchesBetween(step.before, after).length === 0
  return { ...session, current: after, past: isNone ? earlier : [...earlier, step], future: [] }
}

/** Where a step cannot be taken back or again: what somebody else has changed there since. */
export interface Blocked {
  blocked: Path[]
}

function turned<T extends object>({ current, foreign }: Session<T>, from: T, to: T, seen: number): T | Blocked {
  const patches = patchesBetween(from, to)
  const since = new PatchIndex(foreign.slice(seen))
  // Not even the same change: what somebody else did as well stays.
  const isTheirs = (patch: Patch) => since.touchesSame(patch) || since.collisions(patch).length > 0
  const blocked = patches.filter(isTheirs).map(touches)
  return blocked.length > 0 ? { blocked } : applied(current, patches)
}

const isBlocked = <T extends object>(result: T | Blocked): result is Blocked => 'blocked' in result

/** One step back. A change of somebody else is neither taken back nor overwritten: the step is blocked then. */
export function undone<T extends object>(session: Session<T>): Session<T> | Blocked {
  const step = session.past.at(-1)
  if (!step) return session
  const current = turned(session, step.after, step.before, step.seen)
  if (isBlocked(current)) return current
  return {
    ...session, current, past: session.past.slice(0, -1),
    future: [...session.future, { ...step, seen: session.foreign.length }],
  }
}

/** One step forward again. */
export function redone<T extends object>(session: Session<T>): Session<T> | Blocked {
  const step = session.future.at(-1)
  if (!step) return session
  const current = turned(session, step.before, step.after, step.seen)
  if (isBlocked(current)) return current
  return {
    ...session,
    current,
    future: session.future.slice(0, -1),
    past: [...session.past, { ...step, time: 0, seen: session.foreign.length }],
  }
}

/** The server has what was sent. */
export const acknowledged = <T extends object>(session: Session<T>, sent: Patch[]): Session<T> => ({
  ...session,
  base: applied(session.base, sent),
})

/**
 * Somebody else has changed the document on the server. What does not collide with what
 * is on screen is taken in; where something does, both are kept until the maker has chosen.
 * @param fresh the document as the server has it now
 */
export function received<T extends object>(session: Session<T>, fresh: T): Session<T> {
  const { base, current, foreign } = session
  const theirs = patchesBetween(base, fresh)
  if (theirs.length === 0) return { ...session, theirs: undefined }
  const mine = patchesBetween(base, current)
  const paths = collisions(mine, theirs)
  if (paths.length > 0) return { ...session, theirs: { document: fresh, paths } }
  // What both did in the same way is done already.
  const done = new PatchIndex(theirs)
  const own = mine.filter(patch => !done.says(patch))
  return { ...session, base: fresh, current: applied(fresh, own), foreign: [...foreign, ...theirs], theirs: undefined }
}

/**
 * Ends a collision.
 * @param keep whose version of what collides stays; everything else of both stays in any case
 */
export function settled<T extends object>(session: Session<T>, keep: 'mine' | 'theirs'): Session<T> {
  const { base, current, theirs, foreign } = session
  if (!theirs) return session
  const { document: fresh, paths } = theirs
  const wide = new Set(paths.map(path => path.join('\n')))
  const within = (patch: Patch) => {
    const path = touches(patch)
    return path.some((_, depth) => wide.has(path.slice(0, depth + 1).join('\n')))
  }
  const others = patchesBetween(base, fresh)
  const done = new PatchIndex(others)
  const own = patchesBetween(base, current).filter(patch => !within(patch) && !done.says(patch))
  const merged = applied(fresh, own)
  const next
    = keep === 'theirs'
      ? merged
      : applied(
          merged,
          paths.flatMap(path => towards(merged, current, path)),
        )
  const step: Step<T> = {
    label: 'whose version', time: 0, before: merged, after: next, seen: foreign.length + others.length,
  }
  return {
    base: fresh,
    current: next,
    theirs: undefined,
    future: [],
    past: next === merged ? session.past : [...session.past, step],
    foreign: [...foreign, ...others],
  }
}

/** What makes one document like another at one place. */
function towards(from: object, to: object, path: Path): Patch[] {
  const order = path.at(-1) === '(order)'
  const place = order ? path.slice(0, -1) : path
  const [there, wanted] = [valueAt(from, place), valueAt(to, place)]
  if (order) return patchesBetween(there, wanted, path.slice(0, -1)).filter(({ op }) => op === 'order')
  if (there !== undefined && wanted !== undefined) return patchesBetween(there, wanted, path)
  const inList = Array.isArray(valueAt(from, path.slice(0, -1)))
  if (wanted === undefined) return there === undefined ? [] : [{ op: inList ? 'remove' : 'unset', path }]
  return inList
    ? [{ op: 'add', path: path.slice(0, -1), entry: wanted as object, after: '' }]
    : [{ op: 'set', path, value: wanted }]
}
