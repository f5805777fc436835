<script setup lang="ts">
import { BOUNDS, NAMES, labelOf } from '../../../core/document'
import type { ClassDetails, Problem } from '../../../core/document'

/** The details of a class, for a new one and for one that is changed. */
const details = defineModel<ClassDetails>({ required: true })
const { problems, keepUnits = false } = defineProps<{ problems: Problem[], keepUnits?: boolean }>()

const id = useId()
const at = (field: string) => problemAt(problems, field)
const NUMBERS = [
  ['seats', 1, BOUNDS.seats],
  ['spares', 0, BOUNDS.spares],
  ['lasts', 1, BOUNDS.lasts],
] as const
const DELIVERY = [
  { value: 'in person', label: 'In person' },
  { value: 'by post', label: 'By post' },
]
</script>

<template>
  <div class="grid">
    <div class="field wide">
      <label :for="`${id}-title`">{{ labelOf('title') }}</label>
      <InputText
        :id="`${id}-title`"
        v-model="details.title"
        :maxlength="BOUNDS.title"
        :invalid="Boolean(at('title'))"
        autocomplete="off"
        autofocus
      />
      <span v-if="at('title')" class="wrong">The {{ NAMES.title }} {{ at('title') }}.</span>
    </div>
    <LabelledField :input="`${id}-date`" :label="labelOf('date')">
      <DayField
        v-model="details.date"
        :input-id="`${id}-date`"
        :units="details.units"
        :wrong="at('date') && `The ${NAMES.date} ${at('date')}.`"
      />
    </LabelledField>
    <fieldset class="field">
      <legend class="label small">
        {{ labelOf('delivery') }}
      </legend>
      <OneOf v-model="details.delivery" :options="DELIVERY" />
    </fieldset>
    <LabelledField :input="`${id}-starts`" label="Begins, such as 18:30">
      <InputText
        :id="`${id}-starts`"
        :model-value="details.starts"
        :invalid="Boolean(at('starts'))"
        placeholder="not said yet"
        autocomplete="off"
        inputmode="numeric"
        @update:model-value="details.starts = ($event ?? '').trim()"
      />
      <span v-if="at('starts')" class="wrong">The {{ NAMES.starts }} {{ at('starts') }}.</span>
    </LabelledField>
    <NumberField
      v-for="[field, least, most] in NUMBERS"
      :key="field"
      v-model="details[field]"
      :label="labelOf(field)"
      :min="least"
      :max="most"
      :wrong="at(field) && `${labelOf(field)} ${at(field)}.`"
    />
    <div class="field">
      <label :for="`${id}-place`">{{ labelOf('place') }}</label>
      <InputText :id="`${id}-place`" v-model="details.place" :maxlength="BOUNDS.title" autocomplete="off" />
    </div>
    <fieldset v-if="!keepUnits" class="field wide">
      <legend class="label small">
        {{ labelOf('units') }}
      </legend>
      <UnitsChoice v-model="details.units" />
    </fieldset>
    <div class="field wide">
      <label :for="`${id}-notes`">{{ labelOf('notes') }}</label>
      <Textarea :id="`${id}-notes`" v-model="details.notes" rows="2" :maxlength="BOUNDS.notes" />
    </div>
  </div>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: 1fr 1fr; gap: 0.9rem 1rem; }
.wide { grid-column: 1 / -1; }
</style>
