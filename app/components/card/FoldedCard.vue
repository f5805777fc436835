<script setup lang="ts">
import type { PaperLook } from '../../utils/paper-look'
import { useElementSize, useEventListener, useLocalStorage } from '@vueuse/core'
import type { Construction, View } from '../../../core/folds'
import { isLayer, isWhole } from '../../../core/folds'
import type { Chosen } from './chosen'

/**
 * The card folded: one slider opens and closes it, dragging turns it round. It is drawn at first; in space, where the
 * browser can, as soon as somebody reaches for it, because that takes more to load than all the rest of the page.
 */
const { front, construction, papers, chosen } = defineProps<{
  construction: Construction
  front: View
  papers: Record<string, string>
  looks: readonly PaperLook[]
  chosen?: Chosen
}>()
const emit = defineEmits<{ choose: [chosen: Chosen] }>()

const stage = useTemplateRef('stage')
const { width } = useElementSize(stage, { width: 360, height: 280 })
const size = computed(() => ({
  width: Math.max(160, Math.round(width.value)), height: Math.round(Math.max(160, width.value) * 0.75),
}))
/** What cannot be made is marked in the drawing; in space it could not be shown. */
const broken = computed(() =>
  construction.parts.filter(part => !isLayer(part.kind) && !isWhole(part)).map(({ name }) => name),
)
const percent = ref(70)
const view = ref({ ...front })
/** What is drawn, in space or not. */
const drawing = computed(() => ({
  construction, opening: percent.value / 100, view: view.value, papers, ...size.value, chosen,
}))
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
  <section class="board folded" aria-label="Folded card" @pointerenter="wake" @focusin="wake">
    <div ref="stage" class="stage" @pointermove="drag">
      <LazyFoldedStage
        v-if="inSpace && !drawn && !unavailable && broken.length === 0"
        v-bind="drawing"
        :looks
        :creases
        @choose="emit('choose', $event)"
        @unavailable="unavailable = true"
      />
      <FoldedDrawing v-else v-bind="drawing" @choose="emit('choose', $event)" />
    </div>
    <p v-if="broken.length > 0" class="broken small">
      Drawn as far as it can be made. Wrong: {{ broken.join(', ') }}.
    </p>
    <div class="controls">
      <div class="slider">
        <label :for="`${id}-opening`">Open</label>
        <input :id="`${id}-opening`" v-model.number="percent" type="range" min="0" max="100">
      </div>
      <div class="slider">
        <label :for="`${id}-turn`">Turn</label>
        <input :id="`${id}-turn`" v-model.number="view.turn" type="range" min="-180" max="180">
      </div>
      <div class="row buttons">
        <button type="button" @click="view = { ...front }">
          As displayed
        </button>
        <button type="button" @click="play">
          Unfold
        </button>
        <button v-if="!drawn && !unavailable" type="button" :aria-pressed="creases" @click="creases = !creases">
          Creases
        </button>
        <button v-if="!unavailable" type="button" :aria-pressed="drawn" @click="drawn = !drawn">
          Line drawing
        </button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.folded {
  padding: 0.3rem 0.6rem 0.5rem;
}
.stage {
  cursor: grab;
  touch-action: none;
  user-select: none;
  aspect-ratio: 4 / 3;
  overflow: hidden;
}
.broken {
  color: var(--stop);
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
@media (pointer: coarse) {
  .buttons button { min-height: 44px; min-width: 44px; }
  input[type='range'] { min-height: 44px; }
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
