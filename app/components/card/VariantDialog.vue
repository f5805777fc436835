<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { ParameterInputs } from '../../../core/document'
import type { Units } from '../../../core/lengths'

/** Keeps the parameters of a card as a variant in the catalogue. */
const { fold, units, parameters, title } = defineProps<{ fold: string, units: Units, parameters: ParameterInputs, title: string }>()
const emit = defineEmits<{ close: [] }>()
const name = ref(title)
const refused = ref('')
const busy = ref(false)
const id = useId()

async function keep() {
  busy.value = true
  refused.value = ''
  try {
    await $fetch('/api/variants', { method: 'POST', body: { name: name.value, fold, units, parameters } })
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
    header="Keep as a variant"
    :style="{ width: '28rem' }"
    @update:visible="emit('close')"
  >
    <form
      class="stack"
      novalidate
      @submit.prevent="keep"
    >
      <p>
        It stands in the catalogue with these parameters and can be added to any class in
        {{ units === 'inch' ? 'inches' : 'millimetres' }}.
      </p>
      <LabelledField
        :input="id"
        label="Name of the variant"
      >
        <InputText
          :id="id"
          v-model="name"
          :maxlength="BOUNDS.title"
          autocomplete="off"
          autofocus
        />
      </LabelledField>
      <FormFoot
        action="Keep it"
        :refused="refused"
        :busy="busy"
        @cancel="emit('close')"
      />
    </form>
  </Dialog>
</template>
