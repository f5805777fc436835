<script setup lang="ts">
import { format } from 'date-fns/format'

/** How far the saving of the class is. */
const work = useClassStore()

const SAVING = {
  saved: { icon: 'tabler:check', text: 'Saved' },
  waiting: { icon: 'tabler:dots', text: 'Saving …' },
  saving: { icon: 'tabler:dots', text: 'Saving …' },
  offline: { icon: 'tabler:plug-connected-x', text: 'Kept in this browser, trying again' },
  failed: { icon: 'tabler:alert-octagon', text: 'Kept in this browser' },
  refused: { icon: 'tabler:alert-octagon', text: 'Not saved' },
  conflict: { icon: 'tabler:alert-octagon', text: 'Changed in another window' },
} as const
const saving = computed(() => SAVING[work.state])
/** Since when it could not be saved. */
const since = computed(() =>
  work.troubledSince === undefined ? '' : `, not saved since ${format(work.troubledSince, 'HH:mm')}`,
)
</script>

<template>
  <span
    :class="['small', ['refused', 'failed', 'conflict'].includes(work.state) ? 'wrong' : 'quiet']"
    role="status"
  ><Icon :name="saving.icon" aria-hidden="true" /> {{ saving.text }}{{ since }}</span>
</template>

<style scoped>
.wrong { color: var(--stop); font-weight: 600; }
</style>
