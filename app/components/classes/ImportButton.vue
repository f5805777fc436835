<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { Problem } from '../../../core/document'

const emit = defineEmits<{ imported: [] }>()
const chooser = useTemplateRef('chooser')
const refused = ref<{ file: string, message: string, problems: Problem[] }>()
const busy = ref(false)

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > BOUNDS.file) {
    refused.value = {
      file: file.name,
      message: `The file has ${Math.round(file.size / 1e6)} MB; a batch file has at most ${BOUNDS.file / 1e6} MB. Nothing was changed.`,
      problems: [],
    }
    return
  }
  busy.value = true
  try {
    const { id } = await $fetch<{ id: number }>('/api/import', {
      method: 'POST',
      body: await file.text(),
      headers: { 'Content-Type': 'application/json' },
    })
    emit('imported')
    await navigateTo(`/classes/${id}/cards`)
  }
  catch (error) {
    refused.value = { file: file.name, ...refusalOf(error) }
  }
  finally {
    busy.value = false
  }
}
</script>

<template>
  <Button
    label="Import a batch file"
    severity="secondary"
    outlined
    :loading="busy"
    @click="chooser?.click()"
  />
  <input
    ref="chooser"
    type="file"
    accept=".json,application/json"
    class="unseen"
    aria-label="Batch file to import"
    tabindex="-1"
    @change="take"
  >
  <Dialog
    v-if="refused"
    visible
    modal
    :header="`${refused.file} was not imported`"
    :style="{ width: '36rem' }"
    @update:visible="refused = undefined"
  >
    <p v-if="refused.problems.length === 0">
      {{ refused.message }}
    </p>
    <template v-else>
      <p>Nothing was changed. In the file:</p>
      <ul>
        <li
          v-for="{ path, problem } in refused.problems"
          :key="path + problem"
        >
          <strong v-if="path">{{ path }}</strong> {{ problem }}
        </li>
      </ul>
    </template>
  </Dialog>
</template>

<style scoped>
ul { padding-left: 1.2rem; margin-bottom: 0; overflow-wrap: anywhere; }
</style>
