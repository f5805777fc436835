<script setup lang="ts">
import { newClass } from '../../../core/document'
import type { ClassDetails, Problem } from '../../../core/document'
import { useLocalStorage } from '@vueuse/core'
import type { Units } from '../../../core/lengths'

/** A new class, with its first card where a fold is given. */
const { fold } = defineProps<{ fold?: string }>()
const emit = defineEmits<{ close: [] }>()
// The school of measuring chosen last is the likely one for the next class.
const units = useLocalStorage<Units>('wakaru-units', 'inch')
const details = ref<ClassDetails>(newClass({ title: '', date: localDay(14), units: units.value }).class)
const problems = ref<Problem[]>([])
const refused = ref('')
const busy = ref(false)

async function create() {
  busy.value = true
  problems.value = []
  refused.value = ''
  try {
    const { id } = await $fetch('/api/classes', { method: 'POST', body: details.value })
    units.value = details.value.units
    await navigateTo({ path: `/classes/${id}/cards`, query: fold ? { fold } : {} })
  }
  catch (error) {
    const refusal = refusalOf(error)
    problems.value = refusal.problems
    if (refusal.problems.length === 0) refused.value = refusal.message
  }
  finally {
    busy.value = false
  }
}
</script>

<template>
  <Dialog visible modal header="New class" :style="{ width: '34rem' }" @update:visible="emit('close')">
    <form class="stack" novalidate @submit.prevent="isReadable($event) && create()">
      <ClassForm v-model="details" :problems />
      <FormFoot action="Make the class" :refused :busy @cancel="emit('close')" />
    </form>
  </Dialog>
</template>
