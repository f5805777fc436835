<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { ClassDetails, Problem } from '../../../core/document'

const { details } = defineProps<{ details: ClassDetails }>()
const emit = defineEmits<{ close: [], take: [details: ClassDetails] }>()
const draft = ref({ ...details })
const problems = ref<Problem[]>([])

/** The same bounds as at the server's door, so that a slip is named before it is sent. */
function check(): Problem[] {
  const { title, date, seats, spares, starts } = draft.value
  const found: Problem[] = []
  if (title.trim() === '') found.push({ path: 'title', problem: 'cannot be empty' })
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date)) found.push({ path: 'date', problem: 'is missing' })
  if (!/^(?:(?:[01]\d|2[0-3]):[0-5]\d)?$/.test(starts))
    found.push({ path: 'starts', problem: 'is a time of day, written 18:30' })
  if (!Number.isInteger(seats) || seats < 1 || seats > BOUNDS.seats)
    found.push({ path: 'seats', problem: 'is a whole number' })
  if (!Number.isInteger(spares) || spares < 0 || spares > BOUNDS.spares)
    found.push({ path: 'spares', problem: 'is a whole number' })
  return found
}

function submit() {
  problems.value = check()
  if (problems.value.length === 0) emit('take', draft.value)
}
</script>

<template>
  <Dialog visible modal header="The class" :style="{ width: '34rem' }" @update:visible="emit('close')">
    <form class="stack" novalidate @submit.prevent="isReadable($event) && submit()">
      <ClassForm v-model="draft" :problems keep-units />
      <p class="quiet small">
        Measures stay in {{ details.units === 'inch' ? 'inches' : 'millimetres' }}: each school has natural sizes of its
        own. For the other one, make a new class.
      </p>
      <FormFoot action="Take it over" @cancel="emit('close')" />
    </form>
  </Dialog>
</template>
