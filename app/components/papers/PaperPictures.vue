<script setup lang="ts">
import { BOUNDS, freeKey, keyFrom } from '../../../core/document'
import type { PaperEntry, Problem } from '../../../core/document'

/** What a print shows that is cut out whole, and how many of it are on a sheet. */
const paper = defineModel<PaperEntry>({ required: true })
defineProps<{ problems: Problem[] }>()
const { units } = useMeasures()
function add() {
  const side = units.value === 'inch' ? '2 in' : '50 mm'
  const name = `Picture ${paper.value.pictures.length + 1}`
  const key = freeKey(keyFrom(name, 'picture'), paper.value.pictures.map(picture => picture.key))
  paper.value.pictures.push({ key, name, width: side, height: side, count: 1 })
}
</script>

<template>
  <div>
    <h3>Pictures to cut out</h3>
    <SizeRows
      :rows="paper.pictures"
      path="pictures"
      noun="picture"
      :more="{ name: 'Name', count: 'On a sheet' }"
      :problems
      @remove="paper.pictures.splice($event, 1)"
    >
      <template #default="{ row, index }">
        <td>
          <InputText
            v-model.trim="row.name"
            :aria-label="`Name of picture ${index + 1}`"
            :maxlength="BOUNDS.title"
            class="name"
            autocomplete="off"
          />
        </td>
        <td>
          <NumberField
            v-model="row.count"
            :called="`On a sheet of picture ${index + 1}`"
            :min="1"
            :max="BOUNDS.onHand"
          />
        </td>
      </template>
    </SizeRows>
    <p v-if="paper.pictures.length === 0" class="quiet small">
      A print with herons and reeds: say how many of each a sheet shows, and pieces can be cut out of them.
    </p>
    <PlainButton label="Add a picture" class="more" :disabled="paper.pictures.length >= BOUNDS.onSheet" @click="add" />
  </div>
</template>

<style scoped>
.name { width: 10rem; }
.more { margin-top: 0.6rem; }
</style>
