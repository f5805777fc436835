<script setup lang="ts">
import type { Construction } from '../../../core/folds'

/** The card folded: one slider opens and closes it, dragging turns it round. */
defineProps<{ construction: Construction, papers: Record<string, string>, chosen?: string }>()
const emit = defineEmits<{ choose: [part: string] }>()

const FRONT = { turn: -28, tilt: 18 }
const percent = ref(70)
const view = ref({ ...FRONT })
const id = useId()

function drag(event: PointerEvent) {
  if (event.buttons !== 1) return
  view.value = {
    turn: view.value.turn + event.movementX * 0.6,
    tilt: Math.max(-85, Math.min(85, view.value.tilt + event.movementY * 0.6)),
  }
}
</script>

<template>
  <section
    class="board folded"
    aria-label="Folded card"
  >
    <div
      class="stage"
      @pointermove="drag"
    >
      <FoldedDrawing
        :construction="construction"
        :opening="percent / 100"
        :view="view"
        :papers="papers"
        :width="250"
        :height="190"
        :chosen="chosen"
        @choose="emit('choose', $event)"
      />
    </div>
    <div class="controls">
      <div class="slider">
        <label :for="`${id}-opening`">Open</label>
        <input
          :id="`${id}-opening`"
          v-model.number="percent"
          type="range"
          min="0"
          max="100"
        >
      </div>
      <div class="slider">
        <label :for="`${id}-turn`">Turn</label>
        <input
          :id="`${id}-turn`"
          v-model.number="view.turn"
          type="range"
          min="-180"
          max="180"
        >
      </div>
      <Button
        label="From the front"
        size="small"
        link
        class="front"
        @click="view = { ...FRONT }"
      />
    </div>
  </section>
</template>

<style scoped>
.folded { padding: 0.4rem 0.6rem 0.7rem; }
.stage { cursor: grab; touch-action: none; user-select: none; }
.controls { display: grid; gap: 0.3rem; }
.slider { display: grid; grid-template-columns: 2.6rem 1fr; align-items: center; font-size: var(--small); font-weight: 600; }
.front { padding: 0; justify-self: start; }
input[type='range'] { accent-color: var(--accent); width: 100%; }
</style>
