<script setup lang="ts">
import type { GlueEntry, Hold, Making } from '../../../core/document'
import { ALL_GLUED, MAKING, MAKINGS } from '../../../core/document'
import type { SideWords } from '../../../core/dressing'
import { AS_DRAWN, isGluedAll } from '../../../core/dressing'

/** What is done to a piece before it is put on, how far its glue keeps from its edges, and how high its foam is. */
const { glue, made, hold, foam, name, sides = AS_DRAWN, whole = false } = defineProps<{
  glue: GlueEntry
  made: Making[]
  hold: Hold
  foam: string
  name: string
  /** Its glue goes wherever the fold has it. */
  whole?: boolean
  /** What its sides are called by whoever holds the card. */
  sides?: SideWords
}>()
const emit = defineEmits<{ change: [change: { glue?: GlueEntry, made?: Making[], foam?: string }] }>()
const SIDES = ['left', 'right', 'top', 'bottom'] as const
const partly = ref(false)
const shown = computed(() => partly.value || !isGluedAll(glue))
function setPartly(on: boolean) {
  partly.value = on
  if (!on) emit('change', { glue: ALL_GLUED })
}
const setMade = (making: Making, on: boolean) =>
  emit('change', { made: MAKINGS.filter(one => (one === making ? on : made.includes(one))) })
</script>

<template>
  <details>
    <summary class="small">
      Before it is put on{{ whole ? '' : ', and its glue' }}<span class="unseen"> of {{ name }}</span>
    </summary>
    <div class="ticks">
      <TickField
        v-for="making in MAKINGS"
        :key="making"
        :label="`First ${MAKING[making].name}`"
        :model-value="made.includes(making)"
        @update:model-value="setMade(making, $event)"
      />
      <TickField v-if="!whole" label="Glued only in part" :model-value="shown" @update:model-value="setPartly" />
    </div>
    <LengthField
      v-if="hold === 'foam'"
      :model-value="foam"
      label="Height of its foam, 0 for the usual"
      zero
      @update:model-value="emit('change', { foam: $event })"
    />
    <template v-if="shown && !whole">
      <LengthField
        v-for="side in SIDES"
        :key="side"
        :model-value="glue[side]"
        :label="`No glue at the ${sides[side]}, for`"
        zero
        @update:model-value="emit('change', { glue: { ...glue, [side]: $event } })"
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
