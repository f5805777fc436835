<script setup lang="ts">
import { pieceSection } from '../../../../core/printed'

/** Every piece of the class, card by card, for whoever cuts without a plan. */
definePageMeta({ layout: 'print' })
const { work, missing, paper, printOf, file } = usePrintedClass('Piece lists')
const print = computed(() => printOf(work.prepared.cards.map(card => pieceSection(card, work.units)), true))
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document">
    Laying out the pieces …
  </p>
  <PrintedDocument v-else v-model:paper="paper" :print="print" :file="file" :back="`/classes/${work.id}/pieces`" />
</template>
