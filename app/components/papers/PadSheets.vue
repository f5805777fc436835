<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PaperEntry, Problem } from '../../../core/document'

/** The papers of a pad, and how many sheets it has of each. */
const pad = defineModel<PaperEntry>({ required: true })
const { papers, problems } = defineProps<{ papers: PaperEntry[], problems: Problem[] }>()
const wrong = computed(() => problems.filter(({ path }) => path.startsWith('holds')))
const sum = computed(() => pad.value.holds.reduce((total, { count: sheets }) => total + sheets, 0))
const others = computed(() => papers
  .filter(({ key, kind }) => kind !== 'pad' && !pad.value.holds.some(sheet => sheet.key === key))
  .map(({ key, name }) => ({ key, name })))
const nameOf = (key: string) => papers.find(other => other.key === key)?.name ?? key
function add(key: string | null) {
  if (key) pad.value.holds = [...pad.value.holds, { key, count: pad.value.holds.at(-1)?.count ?? 2 }]
}
</script>

<template>
  <div>
    <h3>Papers in it</h3>
    <p v-if="pad.holds.length === 0" class="quiet small">
      Each paper of the pad is a paper of the shelf: add it there first, without a price of its own.
    </p>
    <ul>
      <li v-for="(sheet, at) in pad.holds" :key="sheet.key" class="row">
        <NumberField
          v-model="sheet.count"
          :called="`Sheets of ${nameOf(sheet.key)}`"
          :min="1"
          :max="BOUNDS.inPack"
        />
        <span>{{ nameOf(sheet.key) }}</span>
        <RemoveButton :label="`Take ${nameOf(sheet.key)} out of the pad`" @click="pad.holds.splice(at, 1)" />
      </li>
    </ul>
    <div class="row">
      <ChoiceField
        label="Add a paper of the shelf"
        :model-value="null"
        :options="others"
        none="choose"
        @update:model-value="add"
      />
      <span class="quiet">{{ count(sum, 'sheet') }} in all</span>
    </div>
    <p v-for="{ path, problem } in wrong" :key="path" class="wrong">
      The papers of the pad: {{ problem }}.
    </p>
  </div>
</template>

<style scoped>
ul { list-style: none; margin: 0.4rem 0; padding: 0; }
.wrong { color: var(--stop); font-size: var(--small); }
</style>
