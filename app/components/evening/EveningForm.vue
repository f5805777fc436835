<script setup lang="ts">
import { DRYING, EVENING, HANDS } from '../../../core/document'
import type { EveningEntry } from '../../../core/document'

/** What the evening is rehearsed with: what is shared, how people differ, and how long everything takes. */
const { evening, open = false } = defineProps<{ evening: EveningEntry, open?: boolean }>()
const emit = defineEmits<{ change: [what: string, evening: EveningEntry] }>()
// Some things dry, most do not.
const wet = Object.fromEntries(Object.entries(DRYING).filter(([, { natural }]) => natural > 0)) as typeof DRYING
const inPart = (part: 'hands' | 'drying') => (key: string, change: object) =>
  emit('change', `evening ${part} ${key}`, { ...evening, [part]: { ...evening[part], ...change } })
const hands = inPart('hands')
const drying = inPart('drying')
</script>

<template>
  <FoldOut title="Your evenings" :open>
    <div class="fields">
      <FieldRows
        :table="EVENING"
        :values="evening"
        @change="(key, change) => emit('change', `evening ${key}`, { ...evening, ...change })"
      />
    </div>
    <details>
      <summary class="small">
        Seconds that most students take
      </summary>
      <div class="fields">
        <FieldRows :table="HANDS" :values="evening.hands" @change="hands" />
      </div>
    </details>
    <details>
      <summary class="small">
        Seconds that things dry
      </summary>
      <div class="fields">
        <FieldRows :table="wet" :values="evening.drying" @change="drying" />
      </div>
    </details>
  </FoldOut>
</template>

<style scoped>
.fields {
  display: grid; grid-template-columns: repeat(auto-fill, minmax(10.5rem, 1fr)); gap: 0.5rem;
  align-items: end;
}
summary { cursor: pointer; margin-bottom: 0.4rem; }
</style>
