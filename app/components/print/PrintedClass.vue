<script setup lang="ts">
import type { Printout } from '../../../core/printed'
import type { PrintedPage } from '../../composables/usePrintedClass'

/** The frame of every printed page of a class: what it waits for, what is wrong with it, or the print itself. */
const { page, print, wait, ready = true } = defineProps<{
  page: PrintedPage
  /** Makes the print: only asked for once the class is open. */
  print: () => Printout
  /** The station that leads back to the class. */
  back: 'cards' | 'pieces' | 'cutting' | 'kits'
  /** What is said until it is ready. */
  wait: string
  /** Whether all is there that it prints, once the class is. */
  ready?: boolean
}>()
/** Where the paper of the printer is a field of the class, it is chosen there. */
const emit = defineEmits<{ 'update:paper': [paper: Printout['paper']] }>()
const { work, missing, paper, file } = page
const made = computed(() => print())
const isReady = computed(() => work.document && ready)
function choose(chosen: Printout['paper']) {
  paper.value = chosen
  emit('update:paper', chosen)
}
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!isReady">
    {{ wait }} …
  </p>
  <PrintedDocument
    v-else
    :paper="made.paper"
    :print="made"
    :file
    :back="`/classes/${work.id}/${back}`"
    @update:paper="choose"
  >
    <slot />
  </PrintedDocument>
</template>
