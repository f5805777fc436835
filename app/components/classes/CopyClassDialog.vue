<script setup lang="ts">
import type { Problem } from '../../../core/document'
import { useLocalStorage } from '@vueuse/core'
import type { Units } from '../../../core/lengths'
import type { ListedClass } from '../../composables/useClassList'

const { entry } = defineProps<{ entry: ListedClass }>()
const emit = defineEmits<{ close: [] }>()
// The maker's way to write a day.
const units = useLocalStorage<Units>('wakaru-units', 'inch')
const title = ref(`${entry.title}, again`.slice(0, 120))
const date = ref(localDay(14))
const problems = ref<Problem[]>([])
const id = useId()

async function copy() {
  try {
    const { id: copied } = await $fetch<{ id: number }>(`/api/classes/${entry.id}/copy`, {
      method: 'POST',
      body: { title: title.value, date: date.value },
    })
    await navigateTo(`/classes/${copied}/cards`)
  }
  catch (error) {
    const refusal = refusalOf(error)
    problems.value = refusal.problems.length > 0 ? refusal.problems : [{ path: 'title', problem: refusal.message }]
  }
}
</script>

<template>
  <Dialog visible modal :header="`Copy “${entry.title}”`" :style="{ width: '28rem' }" @update:visible="emit('close')">
    <form class="stack" novalidate @submit.prevent="isReadable($event) && copy()">
      <LabelledField
        :input="`${id}-title`"
        label="Title of the new class"
        :wrong="problemAt(problems, 'title') && `The title ${problemAt(problems, 'title')}.`"
      >
        <InputText :id="`${id}-title`" v-model="title" maxlength="120" />
      </LabelledField>
      <LabelledField :input="`${id}-date`" label="Day">
        <DayField
          v-model="date"
          :input-id="`${id}-date`"
          :units
          :wrong="problemAt(problems, 'date') && `The day ${problemAt(problems, 'date')}.`"
        />
      </LabelledField>
      <FormFoot action="Copy the class" @cancel="emit('close')" />
    </form>
  </Dialog>
</template>
