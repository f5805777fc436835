<script setup lang="ts">
const open = useHelp()
const part = ref<'words' | 'keys' | 'cautions'>('words')
const PARTS = [
  { value: 'words', label: 'Words' },
  { value: 'keys', label: 'Shortcuts' },
  { value: 'cautions', label: 'Cautions' },
]
const { begin } = useTour()
const route = useRoute()
/** Through the class on screen, else through the worked example. */
async function show() {
  open.value = false
  await begin(route.path.startsWith('/classes/') ? Number(route.params.id) : undefined)
}
const SHORTCUTS = [
  ['Ctrl Z', 'take back the last change'],
  ['Ctrl Shift Z', 'do it again'],
  ['Alt 1 … 6', 'to a station of the class'],
  ['↑ ↓ in a measure', 'one mark of the trimmer more or less'],
  ['↑ ↓ in the order of cuts', 'to the next cut, shown in the drawing'],
  ['← → on a pattern', 'to the next face of the part'],
  ['Esc', 'closes what was opened last; in a field, takes back what was typed'],
  ['?', 'this page'],
]
</script>

<template>
  <Dialog v-model:visible="open" modal dismissable-mask header="Help" :style="{ width: '46rem' }">
    <div class="stack">
      <div class="row">
        <OneOf v-model="part" :options="PARTS" size="small" aria-label="What to look up" />
        <PlainButton label="Show me round" @click="show" />
      </div>
      <WordList v-if="part === 'words'" />
      <table v-else-if="part === 'keys'">
        <tbody>
          <tr v-for="[keys, what] in SHORTCUTS" :key="keys">
            <th scope="row">
              <kbd>{{ keys }}</kbd>
            </th>
            <td>{{ what }}</td>
          </tr>
        </tbody>
      </table>
      <Cautions v-else />
    </div>
  </Dialog>
</template>

<style scoped>
kbd { font-family: inherit; }
</style>
