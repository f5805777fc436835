<script setup lang="ts">
import { scoreSection } from '../../../../core/printed'

/** The score cards: every blank with what is done to it in its order, then the order of assembly. */
definePageMeta({ layout: 'print' })
const { work, missing, paper, printOf, file } = usePrintedClass('Score cards')
const print = computed(() => printOf(work.prepared.cards.flatMap(card => scoreSection(card, work.units))))
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document">
    Laying out the score cards …
  </p>
  <PrintedDocument v-else v-model:paper="paper" :print="print" :file="file" :back="`/classes/${work.id}/pieces`" />
</template>
