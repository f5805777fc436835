<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'

const open = useHelp()
const SHORTCUTS = [
  ['Ctrl Z', 'take back the last change'],
  ['Ctrl Shift Z', 'do it again'],
  ['Alt 1 … 5', 'to a station of the class'],
  ['↑ ↓ in a measure', 'one mark of the trimmer more or less'],
  ['↑ ↓ in the order of cuts', 'to the next cut, shown in the drawing'],
  ['?', 'this page'],
]

onKeyStroke('?', (event) => {
  if (!(event.target as HTMLElement).closest('input, textarea')) open.value = true
})
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    dismissable-mask
    header="Shortcuts and cautions"
    :style="{ width: '34rem' }"
  >
    <table>
      <tbody>
        <tr
          v-for="[keys, what] in SHORTCUTS"
          :key="keys"
        >
          <th scope="row">
            <kbd>{{ keys }}</kbd>
          </th>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
    <Cautions class="cautions" />
  </Dialog>
</template>

<style scoped>
kbd { font-family: inherit; }
.cautions { margin-top: 1rem; }
</style>
