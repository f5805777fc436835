import { shallowRef, watch } from 'vue'

/**
 * Does some work once what has just changed is on screen. A page in the background paints nothing and waits for
 * nothing.
 */
export function afterPaint(work: () => void): void {
  if (typeof requestAnimationFrame === 'undefined' || document.hidden) setTimeout(work)
  else requestAnimationFrame(() => setTimeout(work))
}

/**
 * A value one paint behind its source. For what stands beside the thing in hand:
 * the thing itself is painted first, the rest follows.
 */
export function useTrailing<T>(source: () => T) {
  const trailing = shallowRef(source())
  let waiting = false
  watch(source, () => {
    if (waiting) return
    waiting = true
    afterPaint(() => {
      waiting = false
      trailing.value = source()
    })
  }, { flush: 'sync' })
  return trailing
}
