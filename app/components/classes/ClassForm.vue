<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { ClassDetails, Problem } from '../../../core/document'

/** The details of a class, for a new one and for one that is changed. */
const details = defineModel<ClassDetails>({ required: true })
const { problems, keepUnits = false } = defineProps<{ problems: Problem[], keepUnits?: boolean }>()

const id = useId()
const at = (field: string) => problemAt(problems, field)
const NUMBERS = [
  ['seats', 'Seats', 1, BOUNDS.seats],
  ['spares', 'Spare bags', 0, BOUNDS.spares],
  ['lasts', 'Minutes', 1, BOUNDS.lasts],
] as const
const DELIVERY = [
  { value: 'in person', label: 'In person' },
  { value: 'by post', label: 'By post' },
]
</script>

<template>
  <div class="grid">
    <div class="field wide">
      <label :for="`${id}-title`">Title</label>
      <InputText
        :id="`${id}-title`"
        v-model="details.title"
        :maxlength="BOUNDS.title"
        :invalid="Boolean(at('title'))"
        autocomplete="off"
        autofocus
      />
      <span v-if="at('title')" class="wrong">The title {{ at('title') }}.</span>
    </div>
    <LabelledField :input="`${id}-date`" label="Day">
      <DayField
        v-model="details.date"
        :input-id="`${id}-date`"
        :units="details.units"
        :wrong="at('date') && `The day ${at('date')}.`"
      />
    </LabelledField>
    <fieldset class="field">
      <legend class="label small">
        How it is given
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
      <span v-if="at('starts')" class="wrong">The beginning {{ at('starts') }}.</span>
    </LabelledField>
    <NumberField
      v-for="[field, label, least, most] in NUMBERS"
      :key="field"
      :label="label"
      :model-value="details[field]"
      :min="least"
      :max="most"
      :wrong="at(field) && `${label} ${at(field)}.`"
      @update:model-value="$event !== null && (details[field] = $event)"
    />
    <div class="field">
      <label :for="`${id}-place`">Where</label>
      <InputText :id="`${id}-place`" v-model="details.place" :maxlength="BOUNDS.title" autocomplete="off" />
    </div>
    <fieldset v-if="!keepUnits" class="field wide">
      <legend class="label small">
        Measures
      </legend>
      <UnitsChoice v-model="details.units" />
    </fieldset>
    <div class="field wide">
      <label :for="`${id}-notes`">Notes</label>
      <Textarea :id="`${id}-notes`" v-model="details.notes" rows="2" :maxlength="BOUNDS.notes" />
    </div>
  </div>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: 1fr 1fr; gap: 0.9rem 1rem; }
.wide { grid-column: 1 / -1; }
</style>
