<script setup lang="ts">
import { scoreSection } from '../../../../core/printed'

/** The score cards: every blank with what is done to it in its order, then the order of assembly. */
definePageMeta({ layout: 'print' })
const page = usePrintedClass('Score cards')
const { work, printOf } = page
const print = () => printOf(work.prepared.cards.flatMap(card => scoreSection(card, work.units)))
</script>

<template>
  <PrintedClass :page :print back="pieces" wait="Laying out the score cards" />
</template>
