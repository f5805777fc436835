<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { Problem } from '../../../core/document'

const emit = defineEmits<{ imported: [] }>()
const chooser = useTemplateRef('chooser')
const refused = ref<{ file: string, message: string, problems: Problem[], some?: boolean }>()
const toast = useToast()
const busy = ref(false)

interface Taken {
  added: number
  there: string[]
  refused: { file: string, problem: string }[]
}

/** Classes of an archive that are there already, just as they are. */
const twice = shallowRef<{ file: File, titles: string[] }>()

/**
 * Adds every class of an archive; those that cannot be read are named, the others are there.
 * @param twins what becomes of those that are there already; asked about before anything is changed
 */
async function takeArchive(file: File, twins: 'ask' | 'skip' | 'add' = 'ask') {
  const { added, there, refused: left } = await $fetch<Taken>('/api/archive', {
    method: 'POST',
    body: file,
    query: { twins },
    headers: { 'Content-Type': 'application/zip' },
  })
  if (there.length > 0) {
    twice.value = { file, titles: there }
    return
  }
  emit('imported')
  const summary = added === 0 ? 'No class was new.' : added === 1 ? 'One class imported.' : `${added} classes imported.`
  toast.add({ severity: 'success', summary, life: 6000 })
  if (left.length === 0) return
  refused.value = {
    file: file.name, message: '', problems: left.map(({ file: path, problem }) => ({ path, problem })), some: true,
  }
}

/** Goes on once it is known what becomes of those that are there. */
async function takeRest(twins: 'skip' | 'add') {
  const archive = twice.value?.file
  twice.value = undefined
  if (archive) await told(archive, () => takeArchive(archive, twins))
}

/** Does something with a file, and says why where it is refused. */
async function told(file: File, work: () => Promise<void>) {
  busy.value = true
  try {
    await work()
  }
  catch (error) {
    refused.value = { file: file.name, ...refusalOf(error) }
  }
  finally {
    busy.value = false
  }
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
  await told(file, () => (isArchive ? takeArchive(file) : takeText(file)))
}

/** A class, or plans for one that is there. */
async function takeText(file: File) {
  const body = await file.text()
  if (/^\s*\{\s*"format"\s*:\s*"wakaru-plans"/.test(body)) return await takePlans(body)
  await takeClass(body)
}

async function takePlans(body: string) {
  const { added, there } = await $fetch<{ added: number, there: number }>('/api/kept', {
    method: 'POST', body, headers: { 'Content-Type': 'application/json' },
  })
  const known = there > 0 ? `, ${there} ${there === 1 ? 'was' : 'were'} there already` : ''
  toast.add({ severity: 'success', summary: `${count(added, 'plan')} came in${known}.`, life: 6000 })
}

async function takeClass(body: string) {
  const { id } = await $fetch<{ id: number }>('/api/import', {
    method: 'POST', body, headers: { 'Content-Type': 'application/json' },
  })
  emit('imported')
  // What was deleted before may be what has just come in.
  toast.removeGroup('undo')
  await navigateTo(`/classes/${id}/cards`)
}
</script>

<template>
  <Button label="Import a class" severity="secondary" outlined :loading="busy" @click="chooser?.click()" />
  <input
    ref="chooser"
    type="file"
    accept=".json,.zip,application/json,application/zip"
    class="unseen"
    aria-label="Batch file to import, an archive of them, or plans for one"
    tabindex="-1"
    @change="take"
  >
  <LazyDialog
    v-if="twice && !refused"
    visible
    modal
    header="Some are there already"
    :style="{ width: '30rem' }"
    @update:visible="twice = undefined"
  >
    <p>
      {{
        twice.titles.length === 1
          ? 'This class of the archive is'
          : `These ${twice.titles.length} classes of the archive are`
      }}
      in your studio already, just as {{ twice.titles.length === 1 ? 'it is' : 'they are' }} there. Nothing has been
      changed yet.
    </p>
    <ul>
      <li v-for="(title, at) in twice.titles.slice(0, 12)" :key="at">
        {{ title }}
      </li>
    </ul>
    <p v-if="twice.titles.length > 12">
      and {{ twice.titles.length - 12 }} more
    </p>
    <template #footer>
      <Button label="Add them once more" severity="secondary" outlined @click="takeRest('add')" />
      <Button label="Leave them out" autofocus @click="takeRest('skip')" />
    </template>
  </LazyDialog>
  <LazyDialog
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
        <li v-for="{ path, problem } in refused.problems" :key="path + problem">
          <strong v-if="path">{{ path }}</strong> {{ problem }}
        </li>
      </ul>
    </template>
  </LazyDialog>
</template>

<style scoped>
ul { padding-left: 1.2rem; margin-bottom: 0; overflow-wrap: anywhere; }
</style>
