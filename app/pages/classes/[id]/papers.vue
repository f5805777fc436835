<script setup lang="ts">
const work = useClassStore()
const cards = computed(() => work.preparation?.cards ?? [])

function choose(card: string, part: string, paper: string) {
  work.edit(`paper of ${card} ${part}`, (document) => {
    const entry = document.cards.find(({ key }) => key === card)
    if (entry) entry.papers = { ...entry.papers, [part]: paper }
  })
}

/** Every part of the card that lay on one paper moves to another. */
function replaceAll({ card, from, to }: { card: string, from?: string, to?: string }) {
  replacing.value = undefined
  if (!from || !to) return
  work.edit(`papers of ${card}`, (document) => {
    const entry = document.cards.find(({ key }) => key === card)
    if (entry) entry.papers = Object.fromEntries(Object.entries(entry.papers).map(([part, paper]) => [part, paper === from ? to : paper]))
  })
}
const usedBy = (card = '') => [...new Set(Object.values(cards.value.find(({ entry }) => entry.key === card)?.entry.papers ?? {}))]
const replacing = ref<{ card: string, from?: string, to?: string }>()
</script>

<template>
  <NeedsCards
    v-if="cards.length === 0"
    what="Papers are chosen for the parts of a card."
  />
  <div
    v-else
    class="stack"
  >
    <section
      v-for="card in cards"
      :key="card.entry.key"
      class="board"
      :aria-label="card.entry.title"
    >
      <div class="spread">
        <h2>{{ card.entry.title }}</h2>
        <Button
          label="Replace a paper throughout"
          link
          size="small"
          @click="replacing = { card: card.entry.key }"
        />
      </div>
      <div class="parts">
        <PaperChoice
          v-for="piece in card.pieces"
          :key="piece.key"
          :label="piece.name"
          :model-value="card.entry.papers[piece.key]"
          :papers="work.batch.papers"
          :piece="piece"
          :units="work.units"
          @update:model-value="$event && choose(card.entry.key, piece.key, $event)"
        />
      </div>
    </section>
    <Dialog
      v-if="replacing"
      visible
      modal
      header="Replace a paper throughout the card"
      :style="{ width: '30rem' }"
      @update:visible="replacing = undefined"
    >
      <div class="stack">
        <PaperChoice
          v-model="replacing.from"
          label="This paper"
          :papers="work.batch.papers.filter(({ key }) => usedBy(replacing!.card).includes(key))"
        />
        <PaperChoice
          v-model="replacing.to"
          label="By this one"
          :papers="work.batch.papers"
        />
        <Button
          label="Replace"
          :disabled="!replacing.from || !replacing.to"
          @click="replaceAll(replacing)"
        />
      </div>
    </Dialog>
  </div>
</template>

<style scoped>
.parts { display: grid; grid-template-columns: repeat(auto-fill, minmax(17.5rem, 1fr)); gap: 1rem 1.5rem; margin-top: 0.8rem; }
</style>
