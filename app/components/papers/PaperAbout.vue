<script setup lang="ts">
import { BOUNDS, COATINGS, COLOUR_FAMILIES, CORES, FOLDED } from '../../../core/document'
import type { ColourFamily, PaperEntry, Problem } from '../../../core/document'

/** What else is known of a paper: what it is found by, where it is bought, what it suits, what it stands in for. */
const paper = defineModel<PaperEntry>({ required: true })
const { problems, papers } = defineProps<{
  problems: Problem[]
  /** Papers that it may stand in for. */
  papers: PaperEntry[]
}>()
const id = useId()
const at = (path: string) => problemAt(problems, path)
const TEXTS = { article: 'Article number', where: 'Bought at', link: 'Link' } as const
const COATING_WORDS = { uncoated: 'uncoated: ink goes in', coated: 'coated: ink stands on it' }
const CORE_WORDS = { dyed: 'of its colour all through', white: 'white within' }
const FOLDED_WORDS = {
  flat: 'in flat sheets', width: 'as bases folded across the width', height: 'as bases folded across the height',
}
const others = computed(() => papers
  .filter(({ key, kind }) => key !== paper.value.key && kind !== 'pad' && !paper.value.standsIn.includes(key))
  .map(({ key, name }) => ({ key, name })))
const nameOf = (key: string) => papers.find(other => other.key === key)?.name ?? key
const add = (key: string | null) => key && (paper.value.standsIn = [...paper.value.standsIn, key])
</script>

<template>
  <div class="grid">
    <LabelledField
      v-for="(label, field) in TEXTS"
      :key="field"
      :input="`${id}-${field}`"
      :label
      :wrong="at(field) && `The ${label.toLowerCase()} ${at(field)}.`"
    >
      <InputText
        :id="`${id}-${field}`"
        v-model.trim="paper[field]"
        :maxlength="field === 'link' ? BOUNDS.link : BOUNDS.title"
        :invalid="Boolean(at(field))"
        autocomplete="off"
      />
    </LabelledField>
    <ChoiceField
      label="Colour family"
      :model-value="paper.family || null"
      :options="COLOUR_FAMILIES.filter(Boolean).map(value => ({ value, label: value }))"
      none="not said"
      @update:model-value="paper.family = ($event ?? '') as ColourFamily"
    />
    <ChoiceField
      v-model="paper.coating"
      label="Surface"
      :options="COATINGS.map(value => ({ value, label: COATING_WORDS[value] }))"
    />
    <ChoiceField
      v-model="paper.core"
      label="Within"
      help="shows where it is cut, torn or scored"
      :options="CORES.map(value => ({ value, label: CORE_WORDS[value] }))"
    />
    <ChoiceField
      v-if="paper.kind !== 'pad'"
      v-model="paper.folded"
      label="Comes"
      help="bases have one size, laid open, and their fold in its middle"
      :options="FOLDED.map(value => ({ value, label: FOLDED_WORDS[value] }))"
    />
    <LengthField v-model="paper.thick" label="Thickness, measured" help="0: by its weight" zero />
    <div class="field">
      <ChoiceField
        v-if="paper.standsIn.length < BOUNDS.standsIn"
        label="Stands in for"
        :model-value="null"
        :options="others"
        none="add a paper"
        @update:model-value="add"
      />
      <span v-for="key in paper.standsIn" :key class="row">
        {{ nameOf(key) }}
        <RemoveButton
          :label="`Does not stand in for ${nameOf(key)}`"
          @click="paper.standsIn = paper.standsIn.filter(other => other !== key)"
        />
      </span>
    </div>
    <LabelledField :input="`${id}-note`" label="Note" class="note">
      <Textarea :id="`${id}-note`" v-model="paper.note" rows="2" :maxlength="BOUNDS.paperNote" />
    </LabelledField>
  </div>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr)); gap: 0.7rem 1rem; }
.note { grid-column: 1 / -1; }
</style>
