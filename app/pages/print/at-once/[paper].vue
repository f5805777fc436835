<script setup lang="ts">
import type { Printout } from '../../../../core/printed'
import { cuttingSection, sharesBlock } from '../../../../core/printed'

/** A paper cut for several classes: what is packed apart, the layouts, and the order of cuts. */
definePageMeta({ layout: 'print' })
const { paper: key, ids, chosen, together, outcome, running, error, ready, units } = useAtOnce()
const own = ref<Printout['paper']>()
const paper = computed({
  get: () => own.value ?? (units.value === 'inch' ? 'LETTER' : 'A4'), set: value => (own.value = value),
})
const print = computed((): Printout | undefined => {
  if (!together.value || !outcome.value || running.value) return undefined
  const section = cuttingSection(outcome.value, units.value)
  return {
    name: 'Cut for several classes', of: chosen.value.map(({ title }) => title).join(', '), paper: paper.value,
    sections: [
      { ...section, blocks: [sharesBlock(together.value, chosen.value, units.value), ...section.blocks] },
    ],
  }
})
</script>

<template>
  <NotRead v-if="error" what="The classes" :error />
  <p v-else-if="ready && chosen.length === 0">
    No class that was asked for is cut from this paper.
  </p>
  <p v-else-if="!print">
    Planning the cutting …
  </p>
  <PrintedDocument
    v-else
    v-model:paper="paper"
    :print
    :file="`${key}-for-several-classes`"
    :back="`/reserved/${key}?classes=${ids.join(',')}`"
  />
</template>
