<script setup lang="ts">
const work = useClassStore()
const cards = computed(() => work.preparation?.cards ?? [])
</script>

<template>
  <NeedsCards v-if="cards.length === 0" what="There are no pieces yet." />
  <div v-else class="stack">
    <div class="row">
      <Button
        as="a"
        :href="`/api/classes/${work.id}/pieces`"
        label="Save as CSV"
        severity="secondary"
        outlined
        download
      />
      <Button
        as="router-link"
        :to="`/print/${work.id}/scores`"
        label="Score cards to print"
        severity="secondary"
        outlined
      />
    </div>
    <section v-for="card in cards" :key="card.entry.key" class="board">
      <h2>{{ card.entry.title }} <span class="quiet small">{{ count(card.kits, 'kit') }}</span></h2>
      <PieceTable :card full />
    </section>
  </div>
</template>
