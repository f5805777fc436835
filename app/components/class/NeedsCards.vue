<script setup lang="ts">
/** The empty state of every station that follows from the cards. */
defineProps<{ what: string }>()
const work = useClassStore()
</script>

<template>
  <section class="board">
    <p>
      {{ what }} <NuxtLink :to="`/classes/${work.id}/cards`">
        Add a card
      </NuxtLink> first.
    </p>
  </section>
</template>
