<script setup lang="ts">
import { findingsOf } from '../../../core/kits'
import type { Disagreement } from '../../../core/recount'

/**
 * The class counted a second time once it is planned, by code that shares nothing with what worked it out: is every bag
 * complete?
 */
const work = useClassStore()
const planner = usePlannerStore()
/** Nothing while it is not known; what was found belongs to the outcomes that it was found for. */
const found = shallowRef<Disagreement[]>()
const failed = ref(false)

const planned = computed(() =>
  planner.ready && work.settled ? { preparation: work.settled.preparation, outcomes: planner.outcomes } : undefined)
watch(planned, async (asked, _, clean) => {
  let isStale = false
  clean(() => (isStale = true))
  found.value = undefined
  failed.value = false
  if (!asked) return
  try {
    const { recounted } = await import('../../../core/recount')
    // What changes while somebody types is counted once they rest.
    await new Promise(resolve => setTimeout(resolve, 300))
    if (isStale) return
    const disagreements = await recounted(asked.preparation, asked.outcomes)
    if (!isStale) found.value = disagreements
  }
  catch {
    failed.value = !isStale
  }
}, { immediate: true })

const stops = computed(() => (found.value && work.settled
  ? findingsOf(work.settled.preparation, planner.outcomes).filter(({ severity }) => severity === 'stop')
  : []))
const MOST_TOLD = 4
</script>

<template>
  <div class="small counted" role="status">
    <template v-if="failed">
      The second count broke down. Reload the page before you cut.
    </template>
    <template v-else-if="!found">
      <span class="quiet">Counted a second time once everything is planned.</span>
    </template>
    <template v-else-if="found.length > 0">
      <strong>Counted a second time, and not all figures agree. Do not cut by them:</strong>
      <ul>
        <li v-for="{ where, problem } in found.slice(0, MOST_TOLD)" :key="`${where} ${problem}`">
          {{ where }}: {{ problem }}
        </li>
        <li v-if="found.length > MOST_TOLD">
          and {{ found.length - MOST_TOLD }} more
        </li>
      </ul>
    </template>
    <template v-else-if="stops.length > 0">
      Counted a second time: all figures agree, but not every bag is complete. {{ stops[0]?.subject }}
      {{ stops[0]?.problem }}
      <template v-if="stops.length > 1">
        And {{ stops.length - 1 }} more to settle.
      </template>
    </template>
    <template v-else>
      <Icon name="tabler:checks" aria-hidden="true" />
      Counted a second time: every bag is complete.
    </template>
  </div>
</template>

<style scoped>
.counted ul { margin: 0.2rem 0 0; padding-left: 1.1rem; }
</style>
