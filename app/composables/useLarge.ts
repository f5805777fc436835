import type { BenchStep } from '../../core/cutting'

/**
 * Which of several layouts is shown large: the one chosen, or the one that the step in hand is about.
 * @param keys those of the layouts, in their order
 */
export function useLarge(keys: () => readonly string[], step: () => BenchStep | undefined) {
  const chosen = ref(0)
  const isHeld = (key?: string) => step()?.lines.some(({ layout }) => layout === key) ?? false
  const large = computed(() => {
    const all = keys()
    const held = all.findIndex(isHeld)
    return held >= 0 && !isHeld(all[chosen.value]) ? held : Math.min(chosen.value, Math.max(0, all.length - 1))
  })
  return { chosen, large, isHeld }
}
