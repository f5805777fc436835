<script setup lang="ts">
import type { WorkEntry } from '../../../core/document'
import { BOUNDS, WORK_SHOWS, freeKey } from '../../../core/document'
import { newWork } from '../../../core/dressing'
import type { SideWords } from '../../../core/folds'
import { TECHNIQUES, TECHNIQUE_KEYS, techniqueOf } from '../../../core/making'

/** What is done to a piece or a face: a technique and what it shows; the rest is asked for when it is wanted. */
const { works, name, sides } = defineProps<{ works: WorkEntry[], name: string, sides: SideWords }>()
const emit = defineEmits<{ change: [works: WorkEntry[]] }>()
const id = useId()
const options = TECHNIQUE_KEYS.map(key => ({ key, name: TECHNIQUES[key].name }))
const BY: { key: WorkEntry['by'], name: string }[] = [
  { key: 'either', name: 'done as the bag is made ready' },
  { key: 'instructor', name: 'done before the class' },
  { key: 'student', name: 'done by the student' },
]
const set = (key: string, change: Partial<WorkEntry>) =>
  emit('change', works.map(work => (work.key === key ? { ...work, ...change } : work)))
const lines = computed(() => works.map((work, at) => ({
  work, called: `Work ${at + 1} of ${name}`, own: editable(work, change => set(work.key, change)),
  using: techniqueOf(work.technique).using,
})))
const leaveOut = (key: string) => emit('change', works.filter(work => work.key !== key))
const add = () => emit('change', [...works, newWork(freeKey('work', works.map(({ key }) => key)))])
</script>

<template>
  <div class="works">
    <fieldset v-for="{ work, called, own, using } in lines" :key="work.key" class="work">
      <legend class="unseen">
        {{ called }}
      </legend>
      <div class="line">
        <OneOfMany v-model="own.technique" :options :aria-label="`What is done, ${called}`" size="small" />
        <InputText
          v-model="own.shows"
          :maxlength="BOUNDS.title"
          :aria-label="`What it shows, ${called}`"
          placeholder="what it shows"
          autocomplete="off"
          size="small"
        />
      </div>
      <details>
        <summary class="small">
          With what, how large and where<span class="unseen">, {{ called }}</span>
        </summary>
        <LabelledField :input="`${id}-${work.key}`" :label="`With which ${using}`">
          <InputText
            :id="`${id}-${work.key}`"
            v-model="own.using"
            :maxlength="BOUNDS.title"
            autocomplete="off"
            size="small"
          />
        </LabelledField>
        <LengthField v-model="own.width" label="Its width, 0 for all over" zero />
        <LengthField v-model="own.height" label="Its height" zero />
        <TickField v-model="own.centred" label="In the middle" />
        <template v-if="!work.centred">
          <LengthField v-model="own.left" :label="`From the ${sides.left}`" signed />
          <LengthField v-model="own.bottom" :label="`From the ${sides.bottom}`" signed />
        </template>
        <NumberField v-model="own.turn" label="Turned by" :min="-180" :max="180" suffix="°" />
        <NumberField v-model="own.times" label="Impressions" :min="1" :max="BOUNDS.inKit" />
        <div class="choices">
          <Select
            v-model="own.sort"
            :options="[...WORK_SHOWS]"
            :aria-label="`A motif or a wording, ${called}`"
            size="small"
          />
          <OneOfMany v-model="own.by" :options="BY" :aria-label="`Who does it, ${called}`" size="small" />
        </div>
      </details>
      <QuietButton :label="`Leave out ${called}`" @click="leaveOut(work.key)" />
    </fieldset>
    <PlainButton :label="`Add a work to ${name}`" :disabled="works.length >= BOUNDS.works" @click="add" />
  </div>
</template>

<style scoped>
.works { display: grid; gap: 0.35rem; justify-items: start; min-width: 0; }
.work {
  border: 0; border-left: 2px solid var(--line); padding: 0 0 0 0.5rem; margin: 0; display: grid; gap: 0.25rem;
  width: 100%; min-width: 0;
}
.line { display: grid; grid-template-columns: minmax(0, 45%) minmax(0, 1fr); gap: 0.35rem; }
.line > * { min-width: 0; }
.line :deep(input) { width: 100%; }
.choices { display: flex; flex-wrap: wrap; gap: 0.35rem; }
summary { cursor: pointer; }
details { display: grid; gap: 0.25rem; min-width: 0; }
@media (pointer: coarse) { summary { min-height: 44px; align-content: center; } }
</style>
