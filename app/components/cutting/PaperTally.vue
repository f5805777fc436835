<script setup lang="ts">
import type { PlannedPaper } from '../../stores/planner'

/** The papers of the class with the sheets each one takes. */
defineProps<{ papers: PlannedPaper[], chosen?: string }>()
const emit = defineEmits<{ choose: [paper?: string] }>()
</script>

<template>
  <nav aria-label="Papers to cut">
    <button type="button" :aria-current="!chosen" @click="emit('choose')">
      <span />
      The class
      <strong class="number">{{
        papers.reduce((total, { outcome }) => total + (outcome?.plan.sheets ?? 0), 0)
      }}</strong>
    </button>
    <button
      v-for="{ paper, outcome, job } in papers"
      :key="paper.key"
      type="button"
      :aria-current="paper.key === chosen"
      @click="emit('choose', paper.key)"
    >
      <PaperSwatch :paper="paper.key" />
      <span>{{ paper.name }}
        <span
          v-if="job.state === 'failed' || outcome?.plan.unplaced.length"
          class="wrong small"
        ><Icon name="tabler:alert-octagon" aria-hidden="true" /> not all placed</span>
      </span>
      <strong class="number">{{ outcome?.plan.sheets ?? '…' }}</strong>
    </button>
  </nav>
</template>

<style scoped>
nav {
  display: grid;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
}
button {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--line);
  display: grid;
  grid-template-columns: 30px 1fr auto;
  gap: 0.7rem;
  align-items: center;
  padding: 0.4rem 0.75rem;
  min-height: 44px;
  text-align: left;
  cursor: pointer;
}
button:last-child {
  border-bottom: 0;
}
button:hover {
  background: var(--ground);
}
button[aria-current='true'] {
  box-shadow: inset 4px 0 var(--accent);
  font-weight: 600;
}
.number {
  font-size: var(--measure);
}
.wrong {
  color: var(--stop);
}
</style>
