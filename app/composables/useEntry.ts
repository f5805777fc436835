import type { Reading } from '../utils/reading'

interface EntryOptions<T> {
  /** The value in force. */
  value: () => T
  read: (text: string) => Reading<T>
  write: (value: T) => string
  take: (value: T) => void
}

/**
 * A field that is typed into. What can be read is in force at once; what cannot changes nothing: the value from before
 * the typing stands, and the text stays in the field with its reason. A change from elsewhere, such as an undo, is
 * shown at once.
 */
export function useEntry<T>({ value, read, write, take }: EntryOptions<T>) {
  const draft = ref(write(value()))
  const typing = ref(false)
  /** What stands while the text cannot be read, and what this field has last put in force itself. */
  let held = value()
  let own = value()

  const reading = computed(() => read(draft.value))
  const reason = computed(() => (reading.value.ok ? undefined : reading.value.reason))
  watch(() => [value(), write(value())] as const, ([now]) => {
    if (now === own && (typing.value || !reading.value.ok)) return
    own = held = now
    draft.value = write(now)
  })

  function put(next: T) {
    own = next
    if (next !== value()) take(next)
  }

  function type(text = '') {
    draft.value = text
    put(reading.value.ok ? reading.value.value : held)
  }

  /** Puts a value in force that was not typed, such as a step up. */
  function set(next: T) {
    draft.value = write(next)
    put(next)
  }

  function turn(toTyping: boolean) {
    typing.value = toTyping
    if (toTyping) return void (held = own = value())
    if (!reading.value.ok) return
    put(reading.value.value)
    draft.value = write(value())
  }

  /** Escape takes the typing back; where there is none it is left to what lies behind the field. */
  function escape(event: KeyboardEvent) {
    if (draft.value === write(held)) return
    event.stopPropagation()
    event.preventDefault()
    set(held)
  }

  /** What makes a text field such an entry. */
  const bindings = computed(() => ({
    'modelValue': draft.value,
    'invalid': !reading.value.ok,
    // What `isReadable` looks for.
    'data-unread': reading.value.ok ? undefined : '',
    'onUpdate:modelValue': type,
    'onFocus': () => turn(true),
    'onBlur': () => turn(false),
  }))

  return { draft, reading, reason, set, escape, bindings }
}
