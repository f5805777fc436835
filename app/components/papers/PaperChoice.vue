<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ANY_SCRAP, BOUNDS, isPool, paperOfSide } from '../../../core/document'
import type { PaperEntry, PaperKind, PoolEntry } from '../../../core/document'
import { SCRAP_PAPER } from '../../../core/batch'

/**
 * A choice of paper with its pattern, kind and what is on hand. A paper that is not there yet is made from inside the
 * list.
 */
const { modelValue, papers, scrap = false, pools = true, without = [], kind = 'cardstock' } = defineProps<{
  modelValue?: string
  label: string
  papers: PaperEntry[]
  /** Leftovers of any suitable paper will do as well. */
  scrap?: boolean
  /** The pools of the class serve as well. */
  pools?: boolean
  /** Keys of papers, or of sides of them, that are no choice. */
  without?: readonly string[]
  /** Nothing is chosen that should be. */
  missing?: boolean
  /** Stands where nothing, or not one paper, is chosen. */
  placeholder?: string
  /** Which of the two ways to make a new one comes first. */
  kind?: PaperKind
}>()
const emit = defineEmits<{ 'update:modelValue': [paper: string] }>()
const work = useClassStore()
const shelf = usePapersStore()
const select = useTemplateRef<{ hide: (focus: boolean) => void }>('select')
const making = ref<PaperKind>()
const onHand = ({ stocks }: PaperEntry) => stocks.reduce((total, stock) => total + stock.onHand, 0)
/** What was found on the shelf by its name, where the shelf is too large to be here whole. */
const found = shallowRef<PaperEntry[]>([])
const look = useDebounceFn(async (name: string) => {
  found.value
    = name.trim() && work.morePapers > 0 ? await shelf.find(name.trim().slice(0, BOUNDS.title)).catch(() => []) : []
}, 200)
async function choose(key: string) {
  if (!isPool(key)) await work.bring(paperOfSide(key))
  emit('update:modelValue', key)
}
async function made(key?: string) {
  making.value = undefined
  if (key) await choose(key)
}
function make(kind: PaperKind) {
  select.value?.hide(false)
  making.value = kind
}
const entry = (key: string) => options.value.find(paper => paper.key === key)
const options = computed((): (PaperEntry & { look?: string })[] => [
  ...(scrap ? [{ ...SCRAP_PAPER, stocks: [], offcuts: [] }] : []),
  ...(pools ? work.batch.pools.map(poolOption) : []),
  ...withSides([...papers, ...found.value.filter(({ key }) => !papers.some(paper => paper.key === key))])
    .filter(({ key }) => !without.includes(key)),
])
/** A pool looks like its first paper. */
function poolOption({ key, name, papers: own }: PoolEntry) {
  return { ...SCRAP_PAPER, key, name, look: own[0], stocks: [], offcuts: [] }
}
const lookOf = (option?: PaperEntry & { look?: string }) => (option && isPool(option.key) ? option.look : option?.key)
const about = ({ key, kind: own, weight, ...option }: PaperEntry) => {
  if (key === ANY_SCRAP) return 'leftovers of any suitable paper'
  if (isPool(key))
    return `pool of ${count(work.batch.pools.find(pool => pool.key === key)?.papers.length ?? 0, 'paper')}`
  return `${own}, ${weight} g/m², ${count(onHand({ key, kind: own, weight, ...option }), 'sheet')}`
}
const NEW = [
  { kind: 'cardstock', label: 'New paper' },
  { kind: 'print', label: 'New print' },
] as const
const news = computed(() => (kind === 'print' ? [...NEW].reverse() : NEW))
</script>

<template>
  <span class="choice">
    <Select
      ref="select"
      :model-value="modelValue || undefined"
      :options
      option-value="key"
      option-label="name"
      :aria-label="label"
      :placeholder="placeholder ?? 'Choose a paper'"
      :invalid="missing"
      :filter="options.length > 8 || work.morePapers > 0"
      :virtual-scroller-options="options.length > 40 ? { itemSize: 44 } : undefined"
      fluid
      @update:model-value="choose"
      @filter="({ value }) => look(value)"
    >
      <template #value="{ value, placeholder: nothing }">
        <span v-if="value" class="row paper">
          <PaperSwatch :paper="lookOf(entry(value))" />
          <span class="name">{{ entry(value)?.name ?? `${value} (gone)` }}</span>
        </span>
        <span v-else class="quiet">{{ nothing }}</span>
      </template>
      <template #option="{ option }">
        <span class="row paper"><PaperSwatch :paper="lookOf(option)" /> {{ option.name }}
          <span class="quiet small">{{ about(option) }}</span></span>
      </template>
      <template #footer>
        <div class="row foot">
          <Button v-for="way in news" :key="way.kind" :label="way.label" text size="small" @click="make(way.kind)" />
        </div>
      </template>
    </Select>
    <LazyPaperDialog v-if="making" :kind="making" @close="made" />
  </span>
</template>

<style scoped>
.choice { display: block; min-width: 0; }
.paper { flex-wrap: nowrap; min-width: 0; }
.name { overflow: hidden; text-overflow: ellipsis; }
.foot { padding: 0.25rem; border-top: 1px solid var(--line); }
</style>
