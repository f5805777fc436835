<script setup lang="ts">
import { newPool, removePool } from '../../../core/batch'
import type { PoolEntry } from '../../../core/document'
import { BOUNDS } from '../../../core/document'

/** Names for several papers, so that pieces can be cut from all of them in turn: the prints of a pack, say. */
const work = useClassStore()
const id = useId()
const pools = computed(() => work.batch.pools.map(pool => editable(pool, change => set(pool, change))))
const paperOf = (key: string) => withSides(work.batch.papers).find(paper => paper.key === key)

const set = (pool: PoolEntry, change: Partial<PoolEntry>) =>
  work.edit(`${Object.keys(change).join()} of ${pool.key}`, (document) => {
    document.pools = document.pools.map(other => (other.key === pool.key ? { ...other, ...change } : other))
  })
function add() {
  const pool = newPool(work.batch)
  work.edit('another pool', document => void document.pools.push(pool))
}
</script>

<template>
  <section class="board pools" aria-label="Pools">
    <div class="spread">
      <h2>Pools</h2>
      <PlainButton label="New pool" :disabled="pools.length >= BOUNDS.pools" @click="add" />
    </div>
    <p v-if="pools.length === 0" class="quiet small">
      A pool is one name for several papers. Pieces cut from it are shared out among its papers, so that bags differ.
    </p>
    <div v-for="pool in pools" :key="pool.key" class="pool">
      <div class="field">
        <label :for="`${id}-${pool.key}`">Name of the pool</label>
        <NameField :id="`${id}-${pool.key}`" v-model="pool.name" />
      </div>
      <ul>
        <li v-for="key in pool.papers" :key>
          <PaperSwatch :paper="key" />
          <span class="what">{{ paperOf(key)?.name ?? `${key} (gone)` }}</span>
          <Button
            label="Take out"
            text
            size="small"
            :aria-label="`Take ${paperOf(key)?.name ?? key} out of ${pool.name}`"
            @click="pool.papers = pool.papers.filter(other => other !== key)"
          />
        </li>
      </ul>
      <PaperChoice
        v-if="pool.papers.length < BOUNDS.inPool"
        :key="pool.papers.length"
        class="wide"
        :label="`Into ${pool.name}`"
        placeholder="Add a paper to it"
        :papers="work.batch.papers"
        :without="pool.papers"
        :pools="false"
        kind="print"
        @update:model-value="pool.papers = [...pool.papers, $event]"
      />
      <QuietButton
        label="Remove this pool"
        @click="work.edit(`without ${pool.key}`, document => removePool(document, pool.key))"
      />
    </div>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
.pool {
  display: grid; gap: 0.4rem; margin-top: 0.6rem; padding-top: 0.6rem;
  border-top: 1px solid var(--line); justify-items: start;
}
.pool > .field, .pool > ul, .wide { width: 100%; }
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 0.2rem; }
li { display: grid; grid-template-columns: auto minmax(0, 1fr) auto; gap: 0.2rem 0.6rem; align-items: center; }
.what { overflow-wrap: anywhere; }
</style>
