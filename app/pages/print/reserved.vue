<script setup lang="ts">
import type { Printout } from '../../../core/printed'
import { buyingSection } from '../../../core/printed'

/** What is to buy for all classes that are coming up. */
definePageMeta({ layout: 'print' })
const { answer, error, money } = useReserved()
const paper = ref<Printout['paper']>('A4')
const print = computed((): Printout | undefined => answer.value && {
  name: 'What to buy', of: `all classes from ${dayInWords(localDay(), 'd MMMM yyyy')}`, paper: paper.value,
  sections: [buyingSection(answer.value.reserved, answer.value.classes, {
    units: paper.value === 'A4' ? 'metric' : 'inch', money, day: day => dayInWords(day, 'd MMM'),
  })],
})
</script>

<template>
  <NotRead v-if="error" what="What is reserved" :error />
  <p v-else-if="!print">
    Adding up …
  </p>
  <PrintedDocument v-else v-model:paper="paper" :print file="what-to-buy" back="/reserved" />
</template>
