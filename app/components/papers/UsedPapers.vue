<script setup lang="ts">
import { paperOfSide } from '../../../core/document'
import type { PaperEntry } from '../../../core/document'

/** The papers of the class on screen with what they are needed for, each to be replaced everywhere at once. */
const emit = defineEmits<{ replace: [from: string, to: string] }>()
const work = useClassStore()
const planner = usePlannerStore()

const { takenOf } = useTakenBefore()
const used = computed(() => {
  const shares = work.prepared.cards.flatMap(card => card.pieces.flatMap(piece => piece.shares))
  return work.batch.papers.flatMap((paper) => {
    const own = shares.filter(share => paperOfSide(share.paper.key) === paper.key)
    return own.length === 0
      ? []
      : [{ paper, pieces: own.reduce((sum, { quantity }) => sum + quantity, 0), ...needOf(paper) }]
  })
})
function needOf({ key, stocks }: PaperEntry) {
  const plan = planner.papers.find(({ paper }) => paper.key === key)?.outcome?.plan
  const onHand = stocks.reduce((sum, stock) => sum + stock.onHand, 0)
  const taken = stocks.reduce((sum, stock) => sum + (takenOf(key, stock.key)?.count ?? 0), 0)
  return { sheets: plan?.sheets, onHand, taken }
}
const replacing = ref('')
</script>

<template>
  <section class="board used" aria-label="Papers of this class">
    <h2>Papers of this class</h2>
    <p v-if="used.length === 0" class="quiet">
      None yet. Choose one for each role.
    </p>
    <ul>
      <li v-for="{ paper, pieces, sheets, onHand, taken } in used" :key="paper.key">
        <PaperSwatch :paper="paper.key" />
        <span class="what">
          <strong>{{ paper.name }}</strong>
          <span class="quiet small">{{ paper.kind }}, {{ paper.weight }} g/m² · {{ count(pieces, 'piece') }}{{
            sheets === undefined ? '' : `, ${count(sheets, 'sheet')}` }}, {{ onHand }} on hand{{
            taken > 0 ? `, ${taken} of them for classes before` : '' }}</span>
        </span>
        <Button
          label="Replace"
          text
          size="small"
          :aria-label="`Replace ${paper.name} throughout the class`"
          :aria-expanded="replacing === paper.key"
          @click="replacing = replacing === paper.key ? '' : paper.key"
        />
        <PaperChoice
          v-if="replacing === paper.key"
          class="by"
          :label="`Instead of ${paper.name}`"
          placeholder="Instead of it, everywhere"
          :papers="work.batch.papers.filter(({ key }) => key !== paper.key)"
          :kind="paper.kind"
          @keydown.esc="replacing = ''"
          @update:model-value="(to) => { replacing = ''; emit('replace', paper.key, to) }"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul { list-style: none; margin: 0.5rem 0 0; padding: 0; display: grid; gap: 0.4rem; }
li { display: grid; grid-template-columns: auto minmax(0, 1fr) auto; gap: 0.2rem 0.6rem; align-items: center; }
h2 { font-size: 1.0625rem; }
.what { display: grid; overflow-wrap: anywhere; }
.by { grid-column: 1 / -1; }
</style>
