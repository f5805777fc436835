<script setup lang="ts">
import { maskSection } from '../../../../core/printed'

/** Stamping masks in real size: what is seen of every face, what is covered and where glue goes. */
definePageMeta({ layout: 'print' })
const page = usePrintedClass('Stamping masks')
const { work, printOf } = page
const print = () => printOf(work.prepared.cards.flatMap(card => maskSection(card, work.units)), true)
</script>

<template>
  <PrintedClass :page :print back="cards" wait="Laying out the masks" />
</template>
