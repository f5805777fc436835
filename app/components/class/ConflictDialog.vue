<script setup lang="ts">
import { placeInWords, valueInWords } from '../../../core/batch'
import { valueAt } from '../../../core/document'
import type { Path } from '../../../core/document'

/**
 * What two windows have changed in two ways: both are shown, and the maker chooses. Everything else of both is kept
 * anyhow.
 */
const work = useClassStore()

const rows = computed(() => {
  const [mine, theirs] = [work.document, work.theirs]
  if (!mine || !theirs) return []
  const value = (of: object, path: Path) =>
    path.at(-1) === '(order)' ? 'another order' : valueInWords(valueAt(of, path), path)
  return theirs.paths.map(path => ({
    key: path.join('/'),
    place: placeInWords(path, mine, theirs.document),
    mine: value(mine, path),
    theirs: value(theirs.document, path),
  }))
})
</script>

<template>
  <Dialog visible modal :closable="false" header="Another window changed the same" :style="{ width: '40rem' }">
    <div class="stack">
      <p>What only one of the windows has changed is kept in any case. This was changed in both:</p>
      <table>
        <thead>
          <tr>
            <th scope="col">
              What
            </th>
            <th scope="col">
              Here
            </th>
            <th scope="col">
              In the other window
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.key">
            <th scope="row">
              {{ row.place }}
            </th>
            <td>{{ row.mine }}</td>
            <td>{{ row.theirs }}</td>
          </tr>
        </tbody>
      </table>
      <div class="row end">
        <Button label="Take the other window’s" severity="secondary" outlined @click="work.settle('theirs')" />
        <Button label="Keep mine" @click="work.settle('mine')" />
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.end { justify-content: flex-end; }
tbody th { font-weight: 400; }
td { font-weight: 600; overflow-wrap: anywhere; }
</style>
