<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { fixWords } from '../../../core/dressing'
import type { Finding } from '../../../core/folds'

/**
 * Findings with a shape and a word each, and the right value as a button. Only the first is in sight until more are
 * asked for, and what is merely good to know not before.
 */
const { findings } = defineProps<{ findings: Finding[] }>()
const { units } = useMeasures()
const emit = defineEmits<{ fix: [finding: Finding] }>()
const all = useLocalStorage('wakaru-all-findings', false)
const first = computed(() => findings.slice(0, 1).filter(({ severity }) => severity !== 'note'))
const shown = computed(() => (all.value ? findings : first.value))
const hidden = computed(() => findings.length - first.value.length)
const words = computed(() => {
  if (all.value) return first.value.length > 0 ? 'Show the first only' : 'Hide what is good to know'
  return first.value.length > 0 ? `${hidden.value} more` : `Good to know: ${count(hidden.value, 'thing')}`
})
const SIGNS = {
  stop: { icon: 'tabler:alert-octagon', word: 'Put right first' },
  warn: { icon: 'tabler:alert-triangle', word: 'Take care' },
  note: { icon: 'tabler:info-circle', word: 'Good to know' },
} as const
</script>

<template>
  <div class="findings">
    <ul aria-label="Findings" aria-live="polite">
      <li v-for="finding in shown" :key="finding.subject + finding.problem" :class="finding.severity">
        <span class="sign"><Icon
          :name="SIGNS[finding.severity].icon"
          aria-hidden="true"
        /> {{ SIGNS[finding.severity].word }}</span>
        <span class="said"><strong>{{ finding.subject }}</strong> {{ finding.problem }}</span>
        <PlainButton v-if="finding.fix" :label="fixWords(finding.fix, units)" @click="emit('fix', finding)" />
        <PlainButton
          v-else-if="finding.instead"
          :label="`Take ${finding.instead.name}`"
          :aria-label="`Take ${finding.instead.name} for ${finding.subject}`"
          @click="emit('fix', finding)"
        />
      </li>
    </ul>
    <button v-if="hidden > 0" type="button" class="more" :aria-expanded="all" @click="all = !all">
      {{ words }}
    </button>
  </div>
</template>

<style scoped>
.findings { display: grid; gap: 0.2rem; font-size: var(--small); max-height: 40vh; overflow-y: auto; flex: none; }
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 0.3rem; }
li {
  display: grid; gap: 0.15rem; justify-items: start; padding: 0.35rem 0.5rem; background: var(--sheet);
  border: 1px solid var(--line); border-left: 3px solid currentColor; border-radius: 3px;
}
.said { color: var(--ink); }
.sign { display: flex; align-items: center; gap: 0.35rem; font-weight: 600; }
.stop { color: var(--stop); }
.warn { color: var(--warn); }
.note { color: var(--note); }
.more {
  font: inherit; color: var(--accent); background: none; border: 0; padding: 0.2rem 0.4rem;
  text-align: left; cursor: pointer;
}
@media (pointer: coarse) { .more { min-height: 44px; } }
</style>
