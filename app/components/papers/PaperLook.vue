<script setup lang="ts">
import { MOTIFS, SCALES } from '../../../core/document'
import type { BackEntry, PaperEntry } from '../../../core/document'

/** What a side of a paper looks like: colour, pattern and its size, and whether it has a right way up. */
const side = defineModel<PaperEntry | BackEntry>({ required: true })
const { of = '' } = defineProps<{ /** Tells the fields of two sides apart. */ of?: string }>()
const id = useId()
const called = (what: string) => (of ? `${what}, ${of}` : what)
</script>

<template>
  <div class="look">
    <LabelledField :input="`${id}-colour`" :label="called('Colour')">
      <input :id="`${id}-colour`" v-model="side.colour" type="color">
    </LabelledField>
    <ChoiceField
      v-model="side.motif"
      class="motif"
      :label="called('Drawn as')"
      :options="MOTIFS.map(value => ({ value, label: value }))"
    />
    <ChoiceField
      v-if="side.motif !== 'plain'"
      v-model="side.scale"
      class="motif"
      :label="called('Size of the pattern')"
      :options="SCALES.map(value => ({ value, label: value }))"
    />
    <TickField
      v-model="side.upright"
      class="way"
      switched
      :label="called('The print has a right way up, along the height of the sheet')"
    />
  </div>
</template>

<style scoped>
.look { display: flex; flex-wrap: wrap; gap: 0.6rem 1rem; align-items: end; }
.motif { flex: 1 1 8rem; }
.way { flex-basis: 100%; }
input[type='color'] { width: 3.5rem; height: 2.3rem; border: 1px solid var(--line); background: none; padding: 2px; }
</style>
