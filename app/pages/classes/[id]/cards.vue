<script setup lang="ts">
import { freeTitle } from '../../../../core/document'
import type { Fold } from '../../../../core/folds'
import { foldById, inputProblems } from '../../../../core/folds'
import { newCard } from '../../../../core/batch'
import type { ListedVariant } from '../../../composables/useVariants'

definePageMeta({ fills: true })
const work = useClassStore()
const route = useRoute()
const router = useRouter()
const adding = ref(false)

const cards = computed(() => work.preparation?.cards ?? [])
const chosen = computed(() => cards.value.find(({ entry }) => entry.key === route.query.card) ?? cards.value[0])
const choose = (key: string) => router.replace({ query: { card: key } })

function add(
  fold: Fold, variant?: Pick<ListedVariant, 'parameters'> & Partial<Pick<ListedVariant, 'dressing' | 'name'>>,
) {
  adding.value = false
  const card = newCard(fold, work.batch, {
    key: uniqueKey(fold.id),
    ...(variant && { title: variant.name, parameters: variant.parameters, ...variant.dressing }),
  })
  work.edit('add card', document => void document.cards.push(card))
  void choose(card.key)
}

// From the catalogue: the fold that somebody wants to teach, of the sizes that were tried there.
const carried = useCarriedCard()
onMounted(() => {
  const wanted = carried.value
  carried.value = undefined
  const fold = foldById(wanted?.fold ?? String(route.query.fold ?? ''))
  if (!fold) return
  const isRight = wanted && inputProblems(fold.parameters, wanted.parameters, work.units).length === 0
  if (isRight) add(fold, { parameters: wanted.parameters })
  else if (work.batch.cards.length === 0) add(fold)
})

function copy(key: string) {
  work.edit('copy card', (document) => {
    const at = document.cards.findIndex(card => card.key === key)
    const original = work.document?.cards.find(card => card.key === key)
    if (!original) return
    document.cards.splice(at + 1, 0, {
      ...original,
      key: uniqueKey(original.fold),
      title: freeTitle(
        original.title,
        document.cards.map(card => card.title),
      ),
    })
  })
}

function remove(key: string) {
  work.edit('remove card', (document) => {
    document.cards = document.cards.filter(card => card.key !== key)
  })
}
</script>

<template>
  <section v-if="cards.length === 0" class="board empty">
    <h2>Which cards will you teach?</h2>
    <p>Add a card from a fold. Its parameters start from natural sizes and can all be changed.</p>
    <FoldChoice @choose="add" />
  </section>
  <div v-else class="bench">
    <CardTabs :cards :chosen="chosen?.entry.key" @choose="choose" @add="adding = true" />
    <CardEditor
      v-if="chosen"
      :key="chosen.entry.key"
      :card="chosen"
      @copy="copy(chosen.entry.key)"
      @remove="remove(chosen.entry.key)"
    />
    <Dialog v-model:visible="adding" modal header="Add a card" :style="{ width: '46rem' }">
      <FoldChoice @choose="add" />
    </Dialog>
  </div>
</template>

<style scoped>
.bench { display: flex; flex-direction: column; gap: 0.6rem; flex: 1; min-height: 0; }
.empty { display: grid; gap: 1rem; }
</style>
