<script setup lang="ts">
import { dressedCard } from '../../../core/dressing'
import { foldById } from '../../../core/folds'
import { MILLIMETRE } from '../../../core/lengths'
import type { ListedVariant } from '../../composables/useVariants'

/** The variants that makers kept from their cards. */
const { data: variants, refresh, error } = await useVariants()
/** Free pieces that were kept by themselves. */
const pieces = computed(() => variants.value.filter(({ fold }) => fold === ''))
const gone = ref<Omit<ListedVariant, 'id'>>()
const refused = ref('')
const shown = computed(() => variants.value.flatMap((variant) => {
  const fold = foldById(variant.fold)
  const card = { parameters: variant.parameters, ...variant.dressing }
  return fold ? [{ variant, fold, construction: dressedCard(fold, card, variant.units, MILLIMETRE) }] : []
}))

async function change(what: () => Promise<void>) {
  refused.value = ''
  try {
    await what()
    await refresh()
  }
  catch (error) {
    refused.value = refusalOf(error).message
  }
}
const remove = (id: number) => change(async () => {
  const { variant } = await $fetch<{ variant: Omit<ListedVariant, 'id'> }>(`/api/variants/${id}`, { method: 'DELETE' })
  gone.value = variant
})
const restore = () => change(async () => {
  await $fetch('/api/variants', { method: 'POST', body: gone.value })
  gone.value = undefined
})
</script>

<template>
  <section v-if="shown.length > 0 || pieces.length > 0 || gone || error" class="stack" aria-label="Your variants">
    <h2>Your variants</h2>
    <p v-if="refused" class="wrong">
      {{ refused }}
    </p>
    <NotRead v-if="error" what="Your variants" :error />
    <p v-if="gone">
      “{{ gone.name }}” was removed. <PlainButton label="Bring it back" @click="restore" />
    </p>
    <ul>
      <li v-for="{ variant, fold, construction } in shown" :key="variant.id" class="board">
        <FoldSketch :construction :view="fold.view" :width="150" :height="100" />
        <div>
          <strong>{{ variant.name }}</strong>
          <p class="small quiet">
            {{ fold.name }}, <SizeText
              :width="construction.finished.width.value"
              :height="construction.finished.height.value"
              :units="variant.units"
              unit
            />
          </p>
          <QuietButton label="Remove" :aria-label="`Remove ${variant.name}`" @click="remove(variant.id)" />
        </div>
      </li>
    </ul>
    <template v-if="pieces.length > 0">
      <h3>Your pieces</h3>
      <p v-for="piece in pieces" :key="piece.id">
        <strong>{{ piece.name }}</strong>
        <span
          v-for="{ key, kind, width, height } in piece.dressing.free"
          :key
          class="small quiet"
        > {{ kind }}, {{ width }} × {{ height }}</span>
        <QuietButton label="Remove" :aria-label="`Remove ${piece.name}`" @click="remove(piece.id)" />
      </p>
    </template>
  </section>
</template>

<style scoped>
ul {
  list-style: none; margin: 0; padding: 0; display: grid;
  grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr)); gap: 0.9rem;
}
li { display: flex; gap: 0.8rem; align-items: center; }
.wrong { color: var(--stop); font-weight: 600; }
</style>
