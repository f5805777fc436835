<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ANY_SCRAP, BOUNDS } from '../../../core/document'
import type { PaperEntry } from '../../../core/document'
import type { PreparedPiece } from '../../../core/batch'
import { SCRAP_PAPER } from '../../../core/batch'
import type { Units } from '../../../core/lengths'

/** A choice of paper with its pattern, kind and what is on hand. */
const { papers, label, piece } = defineProps<{ label: string, papers: PaperEntry[], piece?: PreparedPiece, units?: Units }>()
const chosen = defineModel<string | undefined>()
const work = useClassStore()
const shelf = usePapersStore()
const id = useId()
const onHand = ({ stocks }: PaperEntry) => stocks.reduce((total, stock) => total + stock.onHand, 0)
/** What was found on the shelf by its name, where the shelf is too large to be here whole. */
const found = shallowRef<PaperEntry[]>([])
const look = useDebounceFn(async (name: string) => {
  found.value = name.trim() && work.morePapers > 0 ? await shelf.find(name.trim().slice(0, BOUNDS.title)).catch(() => []) : []
}, 200)
async function choose(key: string) {
  await work.bring(key)
  chosen.value = key
}
const entry = (key: string) => options.value.find(paper => paper.key === key)
/** Hidden parts may be cut from whatever is left over. */
const options = computed(() => [
  ...(piece?.kind === 'hidden' ? [{ ...SCRAP_PAPER, stocks: [], offcuts: [] } satisfies PaperEntry] : []),
  ...papers,
  ...found.value.filter(({ key }) => !papers.some(paper => paper.key === key)),
])
</script>

<template>
  <div class="field">
    <span
      :id="id"
      class="label"
    >{{ label }}
      <span
        v-if="piece && units"
        class="quiet"
      ><SizeText
        :width="piece.width.value"
        :height="piece.height.value"
        :units="units"
        unit
      /></span>
    </span>
    <Select
      :model-value="chosen"
      :options="options"
      option-value="key"
      option-label="name"
      :aria-labelledby="id"
      placeholder="Choose a paper"
      :invalid="piece !== undefined && !piece.paper"
      filter
      fluid
      @update:model-value="choose"
      @filter="({ value }) => look(value)"
    >
      <template #value="{ value, placeholder }">
        <span
          v-if="value"
          class="row paper"
        ><PaperSwatch :paper="value" /> {{ entry(value)?.name ?? `${value} (gone)` }}</span>
        <span
          v-else
          class="quiet"
        >{{ placeholder }}</span>
      </template>
      <template #option="{ option }">
        <span class="row paper"><PaperSwatch :paper="option.key" /> {{ option.name }}
          <span class="quiet small">{{ option.key === ANY_SCRAP ? 'leftovers of any suitable paper'
            : `${option.kind}, ${option.weight} g/m², ${count(onHand(option), 'sheet')}` }}</span></span>
      </template>
    </Select>
    <span
      v-if="piece?.turn === 'as drawn' || piece?.turn === 'turned'"
      class="quiet small"
    >Print direction holds it {{ piece.turn === 'turned' ? 'sideways' : 'upright' }} on the sheet.</span>
  </div>
</template>

<style scoped>
.paper { flex-wrap: nowrap; }
</style>
