<script setup lang="ts">
import type { FreeEntry } from '../../../core/document'
import { ALL_GLUED } from '../../../core/document'
import { isGluedAll } from '../../../core/dressing'
import type { SideWords } from '../../../core/folds'
import { AS_DRAWN } from '../../../core/folds'
import { capitalised } from '../../../core/lists'
import { doneInWords } from '../../../core/making'

type Held = Pick<FreeEntry, 'glue' | 'works' | 'hold' | 'foam'>

/** What is done to a piece, how far its glue keeps from its edges, and how high its foam is. */
const { piece, sides = AS_DRAWN, whole = false } = defineProps<{
  piece: Held
  name: string
  /** Its glue goes wherever the fold has it. */
  whole?: boolean
  /** What its sides are called by whoever holds the card. */
  sides?: SideWords
}>()
const emit = defineEmits<{ change: [change: Partial<Held>] }>()
const own = computed(() => editable(piece, change => emit('change', change)))
const glue = computed(() => editable(piece.glue, change => (own.value.glue = { ...piece.glue, ...change })))
const SIDES = ['left', 'right', 'top', 'bottom'] as const
/** `Stamped, die cut`. */
const done = computed(() => capitalised(doneInWords(piece.works).join(', ')))
const partly = ref(false)
const shown = computed(() => partly.value || !isGluedAll(piece.glue))
function setPartly(on: boolean) {
  partly.value = on
  if (!on) own.value.glue = ALL_GLUED
}
</script>

<template>
  <details>
    <summary class="small">
      {{ done || 'What is done to it' }}{{ whole ? '' : ', and its glue' }}<span class="unseen"> of {{ name }}</span>
    </summary>
    <WorkList :works="piece.works" :name :sides @change="own.works = $event" />
    <div class="ticks">
      <TickField v-if="!whole" label="Glued only in part" :model-value="shown" @update:model-value="setPartly" />
    </div>
    <LengthField v-if="piece.hold === 'foam'" v-model="own.foam" label="Height of its foam, 0 for the usual" zero />
    <template v-if="shown && !whole">
      <LengthField
        v-for="side in SIDES"
        :key="side"
        v-model="glue[side]"
        :label="`No glue at the ${sides[side]}, for`"
        zero
      />
    </template>
  </details>
</template>

<style scoped>
details { position: relative; display: grid; gap: 0.35rem; }
summary { cursor: pointer; }
.ticks { display: grid; gap: 0.15rem; margin: 0.3rem 0; }
.ticks .row { flex-wrap: nowrap; }
@media (pointer: coarse) { .ticks .row, summary { min-height: 44px; } }
</style>
