<script setup lang="ts">
import type { Finding } from '../../../core/folds'
import type { Units } from '../../../core/lengths'
import { formatLength } from '../../../core/lengths'

/** Findings with a shape and a word each, and the right value as a button. */
defineProps<{ findings: Finding[], units: Units }>()
const emit = defineEmits<{ fix: [finding: Finding] }>()
const SIGNS = {
  stop: { icon: 'tabler:alert-octagon', word: 'Settle first' },
  warn: { icon: 'tabler:alert-triangle', word: 'Take care' },
  note: { icon: 'tabler:info-circle', word: 'Good to know' },
} as const
</script>

<template>
  <ul
    aria-label="Findings"
    aria-live="polite"
  >
    <li
      v-for="finding in findings"
      :key="finding.subject + finding.problem"
      :class="finding.severity"
    >
      <span class="sign"><Icon
        :name="SIGNS[finding.severity].icon"
        aria-hidden="true"
      /> {{ SIGNS[finding.severity].word }}</span>
      <span><strong>{{ finding.subject }}</strong> {{ finding.problem }}</span>
      <Button
        v-if="finding.fix"
        :label="`Set ${formatLength(finding.fix.value, units, { unit: true })}`"
        size="small"
        severity="secondary"
        outlined
        @click="emit('fix', finding)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.4rem;
}
li {
  display: grid;
  grid-template-columns: 8rem 1fr auto;
  gap: 0.75rem;
  align-items: center;
  padding: 0.35rem 0.75rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
}
.sign {
  display: flex;
  align-items: center;
  gap: 0.35rem;
  font-weight: 600;
  font-size: var(--small);
}
.stop .sign {
  color: var(--stop);
}
.warn .sign {
  color: var(--warn);
}
.note .sign {
  color: var(--note);
}
</style>
