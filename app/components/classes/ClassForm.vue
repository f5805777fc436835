<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { ClassDetails, Problem } from '../../../core/document'

/** The details of a class, for a new one and for one that is changed. */
const details = defineModel<ClassDetails>({ required: true })
const { problems, keepUnits = false } = defineProps<{ problems: Problem[], keepUnits?: boolean }>()

const id = useId()
const at = (field: string) => problemAt(problems, field)
const day = computed({
  get: () => (details.value.date ? new Date(`${details.value.date}T12:00:00`) : null),
  set: (date: Date | null) => {
    details.value.date = date
      ? [date.getFullYear(), String(date.getMonth() + 1).padStart(2, '0'), String(date.getDate()).padStart(2, '0')].join('-')
      : ''
  },
})
const UNITS = [
  { value: 'inch', label: 'Inches' },
  { value: 'metric', label: 'Millimetres' },
]
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
      :wrong="at('date') && `The day ${at('date')}.`"
    >
      <DatePicker
        v-model="day"
        :input-id="`${id}-date`"
        date-format="d M yy"
        show-icon
        icon-display="input"
        :invalid="Boolean(at('date'))"
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
      v-for="[field, label, most] in [['seats', 'Seats', BOUNDS.seats], ['spares', 'Spare kits', BOUNDS.spares]] as const"
      :key="field"
      :input="`${id}-${field}`"
      :label="label"
      :wrong="at(field) && `${label} ${at(field)} (${field === 'seats' ? 1 : 0} to ${most}).`"
    >
      <InputNumber
        v-model="details[field]"
        :input-id="`${id}-${field}`"
        :max-fraction-digits="0"
        :invalid="Boolean(at(field))"
        fluid
      />
    </LabelledField>
    <fieldset
      v-if="!keepUnits"
      class="field wide"
    >
      <legend class="label small">
        Measures
      </legend>
      <SelectButton
        v-model="details.units"
        :options="UNITS"
        option-value="value"
        option-label="label"
        :allow-empty="false"
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
