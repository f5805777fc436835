<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { DressingEntry, ParameterInputs } from '../../../core/document'

/** Keeps the sizes of a card and what is put on it as a variant in the catalogue, or one free piece for other cards. */
const { fold, parameters = {}, dressing, title } = defineProps<{
  /** Empty for a piece by itself. */
  fold: string
  parameters?: ParameterInputs
  dressing?: DressingEntry
  title: string
}>()
const { units } = useMeasures()
const emit = defineEmits<{ close: [] }>()
const name = ref(title)
const refused = ref('')
const busy = ref(false)
const id = useId()

async function keep() {
  busy.value = true
  refused.value = ''
  try {
    const variant = { name: name.value, fold, units: units.value, parameters, dressing }
    await $fetch('/api/variants', { method: 'POST', body: variant })
    await refreshNuxtData('variants')
    emit('close')
  }
  catch (error) {
    refused.value = refusalOf(error).message
  }
  finally {
    busy.value = false
  }
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="fold ? 'Keep as a variant' : 'Keep this piece'"
    :style="{ width: '28rem' }"
    @update:visible="emit('close')"
  >
    <form class="stack" novalidate @submit.prevent="keep">
      <p v-if="fold">
        It stands in the catalogue with these sizes and what is put on it, and can be added to any class in
        {{ units === 'inch' ? 'inches' : 'millimetres' }}.
      </p>
      <p v-else>
        It can be put on any card of any class in {{ units === 'inch' ? 'inches' : 'millimetres' }}.
      </p>
      <LabelledField :input="id" :label="fold ? 'Name of the variant' : 'Name of the piece'">
        <InputText :id v-model="name" :maxlength="BOUNDS.title" autocomplete="off" autofocus />
      </LabelledField>
      <FormFoot action="Keep it" :refused :busy @cancel="emit('close')" />
    </form>
  </Dialog>
</template>
