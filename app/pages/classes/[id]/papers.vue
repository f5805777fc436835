<script setup lang="ts">
import { paperOfSide } from '../../../../core/document'
import { rolesOf, withUsualPapers } from '../../../../core/batch'
import { foldById } from '../../../../core/folds'

definePageMeta({ fills: true })
const work = useClassStore()
const cards = computed(() => work.preparation?.cards ?? [])
const roles = computed(() => rolesOf(cards.value))
const missing = computed(() => cards.value.flatMap(({ pieces }) => pieces).filter(({ paper }) => !paper).length)

function choose(pieces: { card: string, part: string }[], paper: string) {
  work.edit('papers', (document) => {
    for (const { card, part } of pieces) {
      const entry = document.cards.find(({ key }) => key === card)
      if (entry) entry.papers[part] = paper
    }
  })
}

/** Every part of the class that lay on one paper moves to another. */
function replace(from: string, to: string) {
  work.edit(`replace ${from}`, (document) => {
    for (const { papers } of document.cards)
      for (const [part, paper] of Object.entries(papers)) if (paperOfSide(paper) === from) papers[part] = to
  })
}

/** What has no paper yet gets a usual one of the shelf: the maker asks for it, and it is one step back. */
function fill() {
  const batch = work.batch
  const filled = batch.cards.map((card) => {
    const fold = foldById(card.fold)
    return fold ? withUsualPapers(card, fold, batch) : card
  })
  work.edit('usual papers', document =>
    document.cards.forEach((card, index) => (card.papers = { ...filled[index]?.papers })),
  )
}
</script>

<template>
  <NeedsCards v-if="cards.length === 0" what="Papers are chosen for the parts of a card." />
  <div v-else class="papers">
    <div class="roles">
      <p v-if="missing > 0" class="row missing" role="status">
        <Icon name="tabler:alert-octagon" aria-hidden="true" /> {{ count(missing, 'piece') }} without a paper
        <PlainButton
          label="Take usual papers from the shelf"
          :disabled="work.batch.papers.length === 0"
          @click="fill"
        />
      </p>
      <RoleRow v-for="role in roles" :key="role.kind" :role @choose="choose" />
    </div>
    <div class="stack side">
      <UsedPapers @replace="replace" />
      <PictureChoices />
      <PoolList />
      <SharingRules />
      <ColourwayList />
    </div>
  </div>
</template>

<style scoped>
.papers { display: grid; grid-template-columns: minmax(0, 1fr); gap: 1rem; align-items: start; min-height: 0; flex: 1; }
.side { min-width: 0; }
.missing { color: var(--stop); font-weight: 600; }
@media (min-width: 1000px) {
  .papers { grid-template-columns: minmax(0, 1fr) clamp(17rem, 28vw, 24rem); }
}
@media (min-width: 1000px) and (min-height: 600px) {
  .papers { align-items: stretch; padding-bottom: 0.75rem; }
  .roles, .papers > :last-child { overflow-y: auto; min-height: 0; }
}
</style>
