<script setup lang="ts">
import { BOUNDS } from '../../../core/document'

/** One card in the list. Its properties are plain values, so that a change of another card leaves it alone. */
defineProps<{ title: string, fold: string, kits: number, stops: number, current: boolean }>()
const emit = defineEmits<{ choose: [], copy: [], remove: [], kits: [kits: number | null] }>()
const id = useId()
</script>

<template>
  <div :class="['card', { current }]">
    <button
      type="button"
      class="title"
      :aria-current="current"
      @click="emit('choose')"
    >
      {{ title }}
      <span class="quiet small">{{ fold }}</span>
      <span
        v-if="stops"
        class="stops small"
      ><Icon
        name="tabler:alert-octagon"
        aria-hidden="true"
      /> {{ stops }} to settle</span>
    </button>
    <div class="row kits">
      <InputNumber
        :model-value="kits"
        :min="0"
        :max="BOUNDS.kits"
        :max-fraction-digits="0"
        :input-id="id"
        :aria-label="`Kits of ${title}`"
        class="number"
        @input="({ value }) => emit('kits', typeof value === 'number' ? value : null)"
        @update:model-value="emit('kits', $event)"
      />
      <label
        :for="id"
        class="small"
      >kits</label>
      <span class="tools">
        <Button
          v-tooltip.bottom="'Copy this card'"
          text
          severity="secondary"
          size="small"
          :aria-label="`Copy ${title}`"
          @click="emit('copy')"
        ><Icon name="tabler:copy" /></Button>
        <Button
          v-tooltip.bottom="'Remove this card'"
          text
          severity="secondary"
          size="small"
          :aria-label="`Remove ${title}`"
          @click="emit('remove')"
        ><Icon name="tabler:trash" /></Button>
      </span>
    </div>
  </div>
</template>

<style scoped>
.card {
  background: var(--sheet);
  border: 1px solid var(--line);
  border-left-width: 4px;
  border-radius: 3px;
  padding: 0.5rem 0.5rem 0.4rem 0.7rem;
}
.current {
  border-left-color: var(--accent);
}
.title {
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 0;
  padding: 0;
  text-align: left;
  cursor: pointer;
  display: grid;
  width: 100%;
}
.stops {
  color: var(--stop);
  display: flex;
  gap: 0.25rem;
  align-items: center;
}
.kits {
  gap: 0.4rem;
  margin-top: 0.3rem;
  flex-wrap: nowrap;
}
.number :deep(input) {
  width: 3.6rem;
  padding: 0.2rem 0.4rem;
}
.tools {
  margin-left: auto;
  white-space: nowrap;
}
.tools :deep(button) {
  padding: 0.25rem;
}
</style>
