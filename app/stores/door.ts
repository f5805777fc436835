import { ref, shallowRef } from 'vue'
import type { Blocked, Patch, Problem, Session } from '../../core/document'
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

/** Milliseconds of rest before another try, and the longest rest. */
const REST = { first: 2000, longest: 60_000 }

/** Tries that fail are repeated after rests that double each time. */
export class Retry {
  private timer: ReturnType<typeof setTimeout> | undefined
  private rest = REST.first

  constructor(private readonly attempt: () => unknown) {}

  /** Tries after so many milliseconds, instead of whatever was to be tried before. */
  after(milliseconds: number): void {
    this.stop()
    this.timer = setTimeout(() => void this.attempt(), milliseconds)
  }

  /** It has failed: another try after a rest, longer than the one before. */
  failed(): void {
    this.after(this.rest)
    this.rest = Math.min(REST.longest, this.rest * 2)
  }

  /** It went well: the next rest is short again. */
  succeeded(): void {
    this.rest = REST.first
  }

  stop(): void {
    clearTimeout(this.timer)
  }
}

/** What is known of a document under the maker's hands, read by the page and changed by its saving and its news. */
export function useUnderHand<T>() {
  return {
    session: shallowRef<Session<T>>(),
    state: ref<SaveState>('saved'),
    problems: ref<Problem[]>([]),
    /** When saving began to fail, in milliseconds; nothing while it works. */
    troubledSince: ref<number>(),
    /** The browser had no room for what is not saved yet. */
    noRoom: ref(false),
    /** Why the last step could not be taken back. */
    blocked: shallowRef<Blocked>(),
    position: ref(0),
    /** What the newest change is called. */
    label: ref(''),
    /** Changes on their way, whose answer is not here yet. */
    sending: shallowRef<Sent>(),
    /** The newest position that was announced; what lies between `position` and it has not been looked at yet. */
    newest: ref(0),
  }
}
export type UnderHand<T> = ReturnType<typeof useUnderHand<T>>
