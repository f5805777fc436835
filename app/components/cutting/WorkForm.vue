<script setup lang="ts">
import { BOUNDS, WAYS_OF_WORKING } from '../../../core/document'
import type { WayOfWorking, WishesEntry } from '../../../core/document'
import type { Length, Units } from '../../../core/lengths'

/** How the maker likes to work, and what plans are to keep to; folded away where it seldom changes. */
const { wishes, units } = defineProps<{ wishes: WishesEntry, units: Units, mark: Length }>()
const emit = defineEmits<{ change: [what: string, wishes: WishesEntry] }>()
const WORDS: Record<WayOfWorking, string> = {
  'as it pays': 'Whichever is quickest',
  'sheet by sheet': 'One layout after the other',
  'all together': 'All layouts together',
  'few strips': 'Few strips lying about',
}
const OPTIONS = WAYS_OF_WORKING.map(value => ({ value, label: WORDS[value] }))
const LIMITS = [
  { key: 'mostPiles', label: 'Most piles of strips waiting' },
  { key: 'mostLayouts', label: 'Most layouts of a paper' },
  { key: 'mostStages', label: 'Most changes of direction on a sheet' },
] as const
const set = (change: Partial<WishesEntry>) => emit('change', `wish ${Object.keys(change).join()}`, { ...wishes, ...change })
</script>

<template>
  <details class="board">
    <summary>How you like to cut</summary>
    <div class="stack">
      <p class="quiet small">
        An empty field sets no limit.
      </p>
      <ChoiceField
        label="Sheets are cut"
        :model-value="wishes.working"
        :options="OPTIONS"
        @update:model-value="$event && set({ working: $event })"
      />
      <LabelledField
        v-for="{ key, label } in LIMITS"
        :key="key"
        :input="`limit-${key}`"
        :label="label"
      >
        <NumberField
          :input-id="`limit-${key}`"
          :model-value="wishes[key]"
          :min="1"
          :max="BOUNDS.limit"
          :blank="null"
          @update:model-value="set({ [key]: $event })"
        />
      </LabelledField>
      <LengthField
        label="Narrowest strip"
        :model-value="wishes.leastStrip"
        :units="units"
        :mark="mark"
        zero
        @update:model-value="set({ leastStrip: $event })"
      />
      <label class="wish">
        <Checkbox
          :model-value="wishes.offcutsFirst"
          binary
          input-id="offcuts-first"
          @update:model-value="set({ offcutsFirst: $event })"
        />
        Use up offcuts before opening sheets
      </label>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.stack { margin-top: 0.75rem; }
.wish { display: flex; gap: 0.5rem; align-items: start; }
</style>
