<script setup lang="ts">
import type { PaperEntry } from '../../../core/document'
import { useEventListener, useLocalStorage } from '@vueuse/core'
import type { Construction, View } from '../../../core/folds'

/**
 * The card folded: one slider opens and closes it, dragging turns it round. It is drawn at first; in space, where the
 * browser can, as soon as somebody reaches for it, because that takes more to load than all the rest of the page.
 */
const { front } = defineProps<{
  construction: Construction
  front: View
  papers: Record<string, string>
  looks: PaperEntry[]
  chosen?: string
}>()
const emit = defineEmits<{ choose: [part: string] }>()

const SIZE = { width: 250, height: 200 }
const percent = ref(70)
const view = ref({ ...front })
const id = useId()
const drawn = useLocalStorage('wakaru-drawn-view', false)
const unavailable = ref(false)
const creases = ref(false)
const inSpace = ref(false)
const playing = ref(false)

/** Fetches the view in space; the drawing stays until it is there. */
async function wake() {
  if (inSpace.value || drawn.value || unavailable.value) return
  await import('../drawing/FoldedStage.vue').catch(() => (unavailable.value = true))
  inSpace.value = true
}
watch(drawn, isDrawn => isDrawn || wake())

function drag(event: PointerEvent) {
  if (event.buttons !== 1) return
  view.value = {
    turn: view.value.turn + event.movementX * 0.6,
    tilt: Math.max(-85, Math.min(85, view.value.tilt + event.movementY * 0.6)),
  }
}

/** Opens the card slowly from closed, once. */
function play() {
  const started = performance.now()
  playing.value = true
  const step = (now: number) => {
    percent.value = Math.min(100, Math.round((now - started) / 25))
    if (percent.value < 100 && playing.value) requestAnimationFrame(step)
    else playing.value = false
  }
  requestAnimationFrame(step)
}
useEventListener('pointerdown', () => (playing.value = false))
</script>

<template>
  <section
    class="board folded"
    aria-label="Folded card"
    @pointerenter="wake"
    @focusin="wake"
  >
    <div
      class="stage"
      @pointermove="drag"
    >
      <LazyFoldedStage
        v-if="inSpace && !drawn && !unavailable"
        :construction="construction"
        :opening="percent / 100"
        :view="view"
        :papers="papers"
        :looks="looks"
        v-bind="SIZE"
        :chosen="chosen"
        :creases="creases"
        @choose="emit('choose', $event)"
        @unavailable="unavailable = true"
      />
      <FoldedDrawing
        v-else
        :construction="construction"
        :opening="percent / 100"
        :view="view"
        :papers="papers"
        v-bind="SIZE"
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
      <div class="row buttons">
        <button
          type="button"
          @click="view = { ...front }"
        >
          As displayed
        </button>
        <button
          type="button"
          @click="play"
        >
          Unfold
        </button>
        <button
          v-if="!drawn && !unavailable"
          type="button"
          :aria-pressed="creases"
          @click="creases = !creases"
        >
          Creases
        </button>
        <button
          v-if="!unavailable"
          type="button"
          :aria-pressed="drawn"
          @click="drawn = !drawn"
        >
          Line drawing
        </button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.folded {
  padding: 0.4rem 0.6rem 0.7rem;
}
.stage {
  cursor: grab;
  touch-action: none;
  user-select: none;
  min-height: 200px;
}
.controls {
  display: grid;
  gap: 0.3rem;
}
.slider {
  display: grid;
  grid-template-columns: 2.6rem 1fr;
  align-items: center;
  font-size: var(--small);
  font-weight: 600;
}
.buttons {
  gap: 0.9rem;
  row-gap: 0.2rem;
}
.buttons button {
  font: inherit;
  font-size: var(--small);
  color: var(--accent);
  background: none;
  border: 0;
  padding: 0.1rem 0;
  cursor: pointer;
}
.buttons button[aria-pressed='true'] {
  font-weight: 700;
  text-decoration: underline;
}
input[type='range'] {
  accent-color: var(--accent);
  width: 100%;
}
</style>
