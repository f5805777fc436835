<script setup lang="ts">
import { fixWords } from '../../../core/dressing'
import type { Finding } from '../../../core/folds'

/** What is found about one field, under it, with the value that would be right as a button. */
defineProps<{ findings: Finding[] }>()
const { units } = useMeasures()
const emit = defineEmits<{ fix: [finding: Finding], keep: [answer: NonNullable<Finding['keep']>] }>()
const SIGNS = { stop: 'tabler:alert-octagon', warn: 'tabler:alert-triangle', note: 'tabler:info-circle' } as const
</script>

<template>
  <ul>
    <li v-for="finding in findings" :key="finding.problem" :class="finding.severity">
      <Icon :name="SIGNS[finding.severity]" aria-hidden="true" />
      <span>
        {{ finding.subject }} {{ finding.problem }}
        <span class="answers">
          <PlainButton v-if="finding.fix" :label="fixWords(finding.fix, units)" @click="emit('fix', finding)" />
          <PlainButton v-if="finding.keep" :label="finding.keep.words" @click="emit('keep', finding.keep)" />
        </span>
      </span>
    </li>
  </ul>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 0.3rem; font-size: var(--small); }
li { display: grid; grid-template-columns: auto 1fr; gap: 0.35rem; align-items: start; }
li > svg { margin-top: 0.15rem; }
.answers { display: inline-flex; flex-wrap: wrap; gap: 0.3rem; }
.stop { color: var(--stop); }
.warn { color: var(--warn); }
.note { color: var(--note); }
</style>
