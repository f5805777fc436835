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
      <span
        v-if="at('title')"
        class="wrong"
      >The title {{ at('title') }}.</span>
    </div>
    <LabelledField
      :input="`${id}-date`"
      label="Day"
    >
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
      <SelectButton
        v-model="details.delivery"
        :options="DELIVERY"
        option-value="value"
        option-label="label"
        :allow-empty="false"
      />
    </fieldset>
    <LabelledField
      v-for="[field, label, least, most] in NUMBERS"
      :key="field"
      :input="`${id}-${field}`"
      :label="label"
    >
      <NumberField
        :model-value="details[field]"
        :input-id="`${id}-${field}`"
        :min="least"
        :max="most"
        :wrong="at(field) && `${label} ${at(field)}.`"
        @update:model-value="$event !== null && (details[field] = $event)"
      />
    </LabelledField>
    <fieldset
      v-if="!keepUnits"
      class="field wide"
    >
      <legend class="label small">
        Measures
      </legend>
      <UnitsChoice
        v-model="details.units"
      />
    </fieldset>
    <div class="field wide">
      <label :for="`${id}-notes`">Notes</label>
      <Textarea
        :id="`${id}-notes`"
        v-model="details.notes"
        rows="2"
        :maxlength="BOUNDS.notes"
      />
    </div>
  </div>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: 1fr 1fr; gap: 0.9rem 1rem; }
.wide { grid-column: 1 / -1; }
</style>
