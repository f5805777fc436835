<script setup lang="ts">
import { pieceSection } from '../../../../core/printed'

/** Every piece of the class, card by card, for whoever cuts without a plan. */
definePageMeta({ layout: 'print' })
const page = usePrintedClass('Piece lists')
const { work, printOf } = page
const print = () => printOf(work.prepared.cards.map(card => pieceSection(card, work.units)), true)
</script>

<template>
  <PrintedClass :page :print back="pieces" wait="Laying out the pieces" />
</template>
