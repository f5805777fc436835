<script setup lang="ts">
import type { Problem } from '../../../core/document'
import type { ListedClass } from '../../composables/useClasses'

const { entry } = defineProps<{ entry: ListedClass }>()
const emit = defineEmits<{ close: [] }>()
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
  <Dialog
    visible
    modal
    :header="`Copy “${entry.title}”`"
    :style="{ width: '28rem' }"
    @update:visible="emit('close')"
  >
    <form
      class="stack"
      novalidate
      @submit.prevent="copy"
    >
      <div class="field">
        <label :for="`${id}-title`">Title of the new class</label>
        <InputText
          :id="`${id}-title`"
          v-model="title"
          maxlength="120"
        />
        <span
          v-if="problemAt(problems, 'title')"
          class="wrong"
        >The title {{ problemAt(problems, 'title') }}.</span>
      </div>
      <div class="field">
        <label :for="`${id}-date`">Day</label>
        <InputText
          :id="`${id}-date`"
          v-model="date"
          type="date"
        />
        <span
          v-if="problemAt(problems, 'date')"
          class="wrong"
        >The day {{ problemAt(problems, 'date') }}.</span>
      </div>
      <FormFoot
        action="Copy the class"
        @cancel="emit('close')"
      />
    </form>
  </Dialog>
</template>
