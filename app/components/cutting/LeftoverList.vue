<script setup lang="ts">
import type { PlannedPaper } from '../../composables/usePlanned'

/** Offcuts that the plan uses up and those that it leaves, which go onto the shelf when they are cut. */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const shelf = usePapersStore()
const toast = useToast()
const busy = ref(false)
const outcome = computed(() => entry.outcome!)

/** Puts what the plan leaves onto the shelf and takes off it what is used up. */
async function put() {
  const paper = shelf.papers.find(({ key }) => key === entry.paper.key)
  if (!paper) return
  busy.value = true
  try {
    await shelf.change({ ...entryOf(paper), offcuts: offcutsAfter(paper.offcuts, outcome.value.usedUp, outcome.value.leaves, work.units) }, paper.revision)
    toast.add({ severity: 'success', summary: `The offcuts of ${paper.name} are on the shelf.`, life: 4000 })
  }
  catch (error) {
    toast.add({ severity: 'error', summary: 'The shelf is unchanged', detail: refusalOf(error).message, life: 12_000 })
  }
  finally {
    busy.value = false
  }
}
</script>

<template>
  <section
    v-if="outcome.usedUp.length + outcome.leaves.length + outcome.over.length > 0"
    class="board stack"
    aria-label="What is left"
  >
    <h3>What is left</h3>
    <p v-if="outcome.over.length > 0">
      Spare pieces
      <span
        v-for="{ demand, count: number } in outcome.over"
        :key="demand"
        class="one"
      >{{ number }} × {{ entry.names.get(demand) }}</span>
    </p>
    <p
      v-for="[word, list] in ([['Uses up offcuts', outcome.usedUp], ['Leaves offcuts', outcome.leaves]] as const)"
      v-show="list.length > 0"
      :key="word"
    >
      {{ word }}
      <span
        v-for="{ width, height, count: number } in list"
        :key="`${width} ${height}`"
        class="one"
      >{{ number }} × <SizeText
        :width="width"
        :height="height"
        :units="work.units"
      /></span>
    </p>
    <div v-if="outcome.usedUp.length + outcome.leaves.length > 0">
      <Button
        label="They are cut: put them on the shelf"
        size="small"
        severity="secondary"
        outlined
        :loading="busy"
        @click="put"
      />
    </div>
  </section>
</template>

<style scoped>
.one { display: inline-block; margin-right: 1rem; }
</style>
