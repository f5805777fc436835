import { computed } from 'vue'
import type { Blocked, Session } from '../../core/document'
import { edited, redone, settled, undone, unsaved } from '../../core/document'
import type { At, Door } from './door'
import { useUnderHand } from './door'
import { Incoming } from './incoming'
import { Outgoing } from './outgoing'

/**
 * One document under the maker's hands: edited as patches, saved soon, merged with what others change meanwhile. The
 * rules are in `core/document`; the traffic is in `Outgoing` and `Incoming`.
 */
export function useEditing<T extends object>(door: Door<T>) {
  const hand = useUnderHand<T>()
  const { session, state, problems, troubledSince, noRoom, blocked, position, newest } = hand
  const incoming = new Incoming(door, hand, () => outgoing.changed())
  const outgoing = new Outgoing(door, hand, () => incoming.refresh())

  function begin(at: number, opened: Session<T>) {
    end()
    position.value = newest.value = at
    session.value = opened
    if (unsaved(opened).length > 0) outgoing.changed()
  }

  function end() {
    outgoing.end()
    incoming.end()
    session.value = blocked.value = undefined
  }

  function edit(what: string, change: (draft: T) => void) {
    if (!session.value) return
    const next = edited(session.value, what, change, Date.now())
    if (next === session.value) return
    hand.label.value = what
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
    outgoing.changed()
  }

  /** Ends a collision; see `settled`. */
  function settle(keep: 'mine' | 'theirs') {
    if (!session.value?.theirs) return
    position.value = incoming.positionOfTheirs
    state.value = 'waiting'
    turn(settled(session.value, keep))
  }

  return {
    session, state, problems, troubledSince, noRoom, blocked, position,
    current: computed(() => session.value?.current),
    canUndo: computed(() => (session.value?.past.length ?? 0) > 0),
    canRedo: computed(() => (session.value?.future.length ?? 0) > 0),
    begin, end, edit, undo, redo, settle,
    save: () => outgoing.save(),
    refresh: (whole?: boolean) => incoming.refresh(whole),
    takeIn: (fresh: At<T>) => incoming.takeIn(fresh),
    hear: (at: number, concerns: boolean) => incoming.hear(at, concerns),
  }
}
