<script setup lang="ts">
import { maskSection } from '../../../../core/printed'

/** Stamping masks in real size: what is seen of every face, what is covered and where glue goes. */
definePageMeta({ layout: 'print' })
const { work, missing, paper, printOf, file } = usePrintedClass('Stamping masks')
const print = computed(() => printOf(work.prepared.cards.flatMap(card => maskSection(card, work.units)), true))
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!work.document">
    Laying out the masks …
  </p>
  <PrintedDocument v-else v-model:paper="paper" :print="print" :file="file" :back="`/classes/${work.id}/cards`" />
</template>
