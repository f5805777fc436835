import { computed, ref, shallowRef } from 'vue'
import type { Blocked, Patch, Problem, Session } from '../../core/document'
import { acknowledged, edited, received, redone, settled, undone, unsaved } from '../../core/document'
import type { Refusal } from '../utils/refusal'

/**
 * `saved`: the server has what is on screen. `saving` and `waiting`: it is on its way.
 * `offline`: kept in this browser until the server answers. `failed`: the server broke down over it, which may pass.
 * `refused`: the server found something wrong. `conflict`: somebody else has changed the same.
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'failed' | 'refused' | 'conflict'

/** Changes on their way; sent again with the same token they are recognised. */
export interface Sent {
  token: string
  label: string
  since: number
  patches: Patch[]
}

/** A document as it is at a position. */
export interface At<T> {
  position: number
  document: T
}

/** What the editing needs from outside: server, browser storage, clock. */
export interface Door<T> {
  load: () => Promise<At<T>>
  /** The same for who has it as it was at a position; nothing where that is not known, and it has to be loaded. */
  later: (since: number, base: T) => Promise<At<T> | undefined>
  save: (sent: Sent) => Promise<{ position: number }>
  /** Keeps what is not saved where it outlives a reload; answers whether there was room. */
  keep: (session: Session<T>, position: number) => boolean
  forget: () => void
  newToken: () => string
  refusalOf: (error: unknown) => Refusal
}

/** Milliseconds: rest before a save; first and longest rest before another try. */
const PACE = { save: 500, retry: 2000, longest: 60_000 }
/** So often it is tried again where the server breaks down over a change; then the maker may. */
const MOST_FAULTS = 5
/** Somebody at this address asks too much. */
const BUSY = 429
/** How often somebody else may come in between before the maker is told. */
const MOST_MERGES = 5

/**
 * One document under the maker's hands: edited as patches, saved soon, merged with what others
 * change meanwhile. The rules are in `core/document`; here is the traffic.
 */
export function useEditing<T extends object>(door: Door<T>) {
  const session = shallowRef<Session<T>>()
  const state = ref<SaveState>('saved')
  const problems = ref<Problem[]>([])
  /** Since when what is on screen could not be saved. Milliseconds. */
  const troubledSince = ref<number>()
  /** The browser had no room for what is not saved yet. */
  const noRoom = ref(false)
  /** Why the last step could not be taken back. */
  const blocked = shallowRef<Blocked>()
  const position = ref(0)
  let label = ''
  let sending: Sent | undefined
  /** The server has news that was not looked at yet. */
  let newest = 0
  /** Position of what collides. */
  let theirPosition = 0
  let merges = 0
  let faults = 0
  let rest = PACE.retry
  let timer: ReturnType<typeof setTimeout> | undefined
  /** Another look at what others have done, after one that failed, and the rest before it. */
  let look: ReturnType<typeof setTimeout> | undefined
  let pause = PACE.retry

  const current = computed(() => session.value?.current)

  function begin(at: number, opened: Session<T>) {
    end()
    position.value = newest = at
    session.value = opened
    if (unsaved(opened).length > 0) changed()
  }

  function end() {
    clearTimeout(timer)
    clearTimeout(look)
    session.value = sending = blocked.value = undefined
    state.value = 'saved'
    problems.value = []
    noRoom.value = false
    troubledSince.value = undefined
    merges = faults = 0
    rest = pause = PACE.retry
  }

  function edit(what: string, change: (draft: T) => void) {
    if (!session.value) return
    const next = edited(session.value, what, change, Date.now())
    if (next === session.value) return
    label = what
    turn(next)
  }

  function step(to: Session<T> | Blocked) {
    if ('blocked' in to) blocked.value = to
    else turn(to)
  }
  const undo = () => session.value && step(undone(session.value))
  const redo = () => session.value && step(redone(session.value))

  function turn(next: Session<T>) {
    blocked.value = undefined
    session.value = next
    changed()
  }

  /** Keeps and saves what is not saved. */
  function changed() {
    if (!session.value || state.value === 'conflict') return
    if (!sending && unsaved(session.value).length === 0) {
      clearTimeout(timer)
      state.value = 'saved'
      problems.value = []
      door.forget()
      return
    }
    noRoom.value = !door.keep(session.value, position.value)
    if (state.value === 'saving') return
    if (state.value !== 'offline') state.value = 'waiting'
    later(PACE.save)
  }

  function later(milliseconds: number) {
    clearTimeout(timer)
    timer = setTimeout(() => void save(), milliseconds)
  }

  async function save(): Promise<void> {
    const opened = session.value
    if (!opened || state.value === 'saving' || state.value === 'conflict' || state.value === 'saved') return
    clearTimeout(timer)
    // What is on its way is sent again as it was: nobody knows whether it has arrived.
    sending ??= { token: door.newToken(), label: label || 'change', since: position.value, patches: unsaved(opened) }
    const sent = sending
    state.value = 'saving'
    try {
      const answer = await door.save(sent)
      if (sending !== sent || !session.value) return
      sending = undefined
      session.value = acknowledged(session.value, sent.patches)
      problems.value = []
      troubledSince.value = undefined
      merges = faults = 0
      rest = PACE.retry
      state.value = 'waiting'
      // Where others came in between, what they did has yet to be seen.
      if (answer.position === sent.since + 1 && position.value === sent.since) position.value = answer.position
      else newest = Math.max(newest, answer.position)
      if (newest > position.value) await refresh()
      changed()
    }
    catch (error) {
      if (sending === sent && session.value) await refused(door.refusalOf(error))
    }
  }

  async function refused({ status, message, problems: found }: Refusal): Promise<void> {
    problems.value = found.length > 0 ? found : [{ path: '', problem: message }]
    if (status === 0 || status >= 500 || status === BUSY) {
      const isFault = status >= 500 && status !== 503
      troubledSince.value ??= Date.now()
      state.value = isFault ? 'failed' : 'offline'
      if (isFault && ++faults > MOST_FAULTS) return
      later(rest)
      rest = Math.min(PACE.longest, rest * 2)
      return
    }
    troubledSince.value = undefined
    sending = undefined
    if (status !== 409 || merges >= MOST_MERGES) {
      state.value = 'refused'
      return
    }
    merges += 1
    state.value = 'waiting'
    await refresh()
    changed()
  }

  /**
   * Takes in what the server has by now.
   * @param whole reads all of it, also where it would do to ask what has changed
   */
  async function refresh(whole = false): Promise<void> {
    if (!session.value || sending || state.value === 'conflict') return
    const { base } = session.value
    const fresh = await (whole ? door.load() : door.later(position.value, base).then(later => later ?? door.load()))
      .catch((error: unknown) => door.refusalOf(error))
    // Closed, or something was sent meanwhile: its answer asks again.
    if (!session.value || sending) return
    if ('status' in fresh) {
      if (fresh.status === 404) {
        state.value = 'refused'
        problems.value = [{ path: '', problem: fresh.message }]
        return
      }
      // What others did has yet to be seen.
      clearTimeout(look)
      look = setTimeout(() => void lookAgain(), pause)
      pause = Math.min(PACE.longest, pause * 2)
      return
    }
    pause = PACE.retry
    // Something was saved meanwhile, and what was read is older than that.
    if (fresh.position < position.value) return refresh(whole)
    takeIn(fresh)
  }

  function takeIn(fresh: { position: number, document: T }): void {
    if (!session.value) return
    const next = received(session.value, fresh.document)
    session.value = next
    newest = Math.max(newest, fresh.position)
    if (next.theirs) {
      theirPosition = fresh.position
      state.value = 'conflict'
      return
    }
    position.value = fresh.position
  }

  /**
   * Somebody has changed something.
   * @param at where the studio stands now; infinite where nobody knows
   * @param concerns whether it may be in this document
   */
  async function hear(at: number, concerns: boolean): Promise<void> {
    if (!session.value) return
    // While something is on its way its answer tells where to look.
    const isSeen = newest <= position.value
    if (Number.isFinite(at)) newest = Math.max(newest, at)
    if (sending || at <= position.value) return
    // What is of no concern hides nothing that was not looked at yet.
    if (!concerns && isSeen) position.value = newest = at
    else await lookAgain()
  }

  async function lookAgain(): Promise<void> {
    await refresh()
    if (state.value !== 'conflict' && state.value !== 'refused') changed()
  }

  /** Ends a collision; see `settled`. */
  function settle(keep: 'mine' | 'theirs') {
    if (!session.value?.theirs) return
    position.value = theirPosition
    state.value = 'waiting'
    turn(settled(session.value, keep))
  }

  return {
    session, current, state, problems, troubledSince, noRoom, blocked, position,
    canUndo: computed(() => (session.value?.past.length ?? 0) > 0),
    canRedo: computed(() => (session.value?.future.length ?? 0) > 0),
    begin, end, edit, undo, redo, save, refresh, takeIn, hear, settle,
  }
}
