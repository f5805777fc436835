<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { Problem } from '../../../core/document'

const emit = defineEmits<{ imported: [] }>()
const chooser = useTemplateRef('chooser')
const refused = ref<{ file: string, message: string, problems: Problem[], some?: boolean }>()
const toast = useToast()
const busy = ref(false)

/** Adds every class of an archive; those that cannot be read are named, the others are there. */
async function takeArchive(file: File) {
  const { added, refused: left } = await $fetch<{ added: number, refused: { file: string, problem: string }[] }>('/api/archive', {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'application/zip' },
  })
  emit('imported')
  toast.add({ severity: 'success', summary: added === 1 ? 'One class imported.' : `${added} classes imported.`, life: 6000 })
  if (left.length === 0) return
  refused.value = { file: file.name, message: '', problems: left.map(({ file: path, problem }) => ({ path, problem })), some: true }
}

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const isArchive = /\.zip$/i.test(file.name)
  const [what, most] = isArchive ? ['an archive', BOUNDS.archive] : ['a batch file', BOUNDS.file]
  if (file.size > most) {
    refused.value = {
      file: file.name,
      message: `The file has ${Math.round(file.size / 1e6)} MB; ${what} has at most ${most / 1e6} MB. Nothing was changed.`,
      problems: [],
    }
    return
  }
  busy.value = true
  try {
    if (isArchive) return await takeArchive(file)
    const { id } = await $fetch<{ id: number }>('/api/import', {
      method: 'POST',
      body: await file.text(),
      headers: { 'Content-Type': 'application/json' },
    })
    emit('imported')
    // What was deleted before may be what has just come in.
    toast.removeGroup('undo')
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
    label="Import a class"
    severity="secondary"
    outlined
    :loading="busy"
    @click="chooser?.click()"
  />
  <input
    ref="chooser"
    type="file"
    accept=".json,.zip,application/json,application/zip"
    class="unseen"
    aria-label="Batch file to import, or an archive of them"
    tabindex="-1"
    @change="take"
  >
  <Dialog
    v-if="refused"
    visible
    modal
    :header="refused.some ? `Not all of ${refused.file} was imported` : `${refused.file} was not imported`"
    :style="{ width: '36rem' }"
    @update:visible="refused = undefined"
  >
    <p v-if="refused.problems.length === 0">
      {{ refused.message }}
    </p>
    <template v-else>
      <p>{{ refused.some ? 'These could not be read:' : 'Nothing was changed. In the file:' }}</p>
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
