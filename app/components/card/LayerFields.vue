<script setup lang="ts">
import type { LayerEntry, PaperEntry } from '../../../core/document'
import { HOLDS, LAYER_SHAPES } from '../../../core/document'
import { NOTHING } from '../../../core/dressing'
import type { SideWords } from '../../../core/folds'
import { AS_DRAWN } from '../../../core/folds'
import type { Length } from '../../../core/lengths'
import { lengthFrom, writeLength } from '../../../core/lengths'

/** One layer of a face: its paper, its borders or its own size, and how it is held. */
const { layer, name, size, windows, sides = AS_DRAWN } = defineProps<{
  layer: LayerEntry
  /** What it is called where it has no name of its own. */
  name: string
  size?: { width: Length, height: Length }
  paper?: string
  papers: PaperEntry[]
  /** Windows of its panel, which it may ring. */
  windows: { key: string, name: string }[]
  /** What the sides of its face are called by whoever holds the card. */
  sides?: SideWords
}>()
const { units } = useMeasures()
const called = computed(() => layer.name || name)
const emit = defineEmits<{ change: [layer: LayerEntry], paper: [key: string], remove: [] }>()
const SIDES = ['left', 'right', 'top', 'bottom'] as const
const LABELS = { left: 'Left', right: 'Right', head: 'Top', foot: 'Bottom' } as const
const set = (change: Partial<LayerEntry>) => emit('change', { ...layer, ...change })
const own = computed(() => editable(layer, set))
const isEven = computed(() => SIDES.every(side => lengthFrom(layer[side]) === lengthFrom(layer.left)))
const apart = ref(false)
const fixed = computed(() => lengthFrom(layer.width) > 0 || lengthFrom(layer.height) > 0)
const evenly = (border: string) => set({ left: border, right: border, top: border, bottom: border })

interface Tick {
  key: string
  words: string
  on: boolean
  take: (on: boolean) => void
}
const ticks = computed((): Tick[] => [
  { key: 'apart', words: 'Each side its own', on: apart.value || !isEven.value, take: setApart },
  { key: 'fixed', words: 'Size of its own', on: fixed.value, take: setFixed },
  ...(fixed.value
    ? [{ key: 'centred', words: 'In the middle', on: layer.centred, take: (on: boolean) => set({ centred: on }) }]
    : []),
  { key: 'message', words: 'Kept free to write on', on: layer.message, take: on => set({ message: on }) },
  { key: 'windows', words: 'Windows go through', on: layer.windows, take: on => set({ windows: on }) },
])
function setApart(on: boolean) {
  apart.value = on
  if (!on) evenly(layer.left)
}
/** Size by the borders, or one of its own that begins with what the borders give. */
function setFixed(on: boolean) {
  const given = size && { width: writeLength(size.width, units.value), height: writeLength(size.height, units.value) }
  set(on ? { ...given, centred: true } : { width: NOTHING, height: NOTHING })
}
const rings = computed(() => [
  { key: '', name: 'no ring' }, ...windows.map(({ key, name }) => ({ key, name: `ring round ${name}` })),
])
</script>

<template>
  <fieldset class="layer">
    <legend>{{ called }}</legend>
    <p v-if="size" class="size">
      <SizeText :width="size.width" :height="size.height" unit />
    </p>
    <PaperChoice
      :label="`Paper of ${called}`"
      :papers
      :model-value="paper"
      :missing="!paper"
      scrap
      kind="print"
      placeholder="Choose a paper"
      @update:model-value="emit('paper', $event)"
    />
    <LengthField
      v-if="isEven && !apart"
      :model-value="layer.left"
      :label="fixed && !layer.centred ? `From ${sides.left} and ${sides.bottom}` : 'Border'"
      zero
      @update:model-value="evenly"
    />
    <template v-else>
      <LengthField
        v-for="side in SIDES"
        :key="side"
        v-model="own[side]"
        :label="`${LABELS[sides[side]]} border`"
        zero
      />
    </template>
    <template v-if="fixed">
      <LengthField v-model="own.width" label="Own width" zero />
      <LengthField v-model="own.height" label="Own height" zero />
    </template>
    <div class="ticks">
      <TickField
        v-for="{ key, words, on, take } in ticks"
        :key
        :label="words"
        :model-value="on"
        @update:model-value="take"
      />
    </div>
    <div class="choices">
      <Select v-model="own.shape" :options="[...LAYER_SHAPES]" :aria-label="`Shape of ${called}`" size="small" />
      <Select v-model="own.hold" :options="[...HOLDS]" :aria-label="`How ${called} is held`" size="small" />
      <OneOfMany
        v-if="windows.length > 0"
        v-model="own.ring"
        :options="rings"
        :aria-label="`Ring of ${called}`"
        size="small"
      />
    </div>
    <LengthField v-if="layer.shape === 'rounded'" v-model="own.corner" label="Radius of the corners" zero />
    <HoldDetails :piece="layer" :name="called" :sides @change="set" />
    <QuietButton :label="`Take off ${called}`" @click="emit('remove')" />
  </fieldset>
</template>

<style scoped>
.layer {
  border: 1px solid var(--line); border-radius: 3px; padding: 0.4rem 0.6rem 0.5rem; margin: 0; display: grid;
  gap: 0.35rem; min-width: 0;
}
legend { font-weight: 600; padding: 0 0.25rem; }
.size { font-size: 1.125rem; }
.ticks { display: grid; gap: 0.15rem; }
.ticks .row { flex-wrap: nowrap; }
.choices { display: flex; flex-wrap: wrap; gap: 0.35rem; }
@media (pointer: coarse) { .ticks .row { min-height: 44px; } }
</style>
