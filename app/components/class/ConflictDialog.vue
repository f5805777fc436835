<script setup lang="ts">
import type { ClassDocument } from '../../../core/batch'

const work = useClassStore()
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** What the two versions disagree on, in words. */
const differences = computed(() => {
  const [mine, saved] = [work.document, work.theirs?.document]
  if (!mine || !saved) return []
  const keys = [...new Set([...mine.cards, ...saved.cards].map(({ key }) => key))]
  const card = (document: ClassDocument, key: string) => document.cards.find(entry => entry.key === key)
  return [
    ...(same(mine.class, saved.class) ? [] : ['title, day, seats or notes']),
    ...keys.filter(key => !same(card(mine, key), card(saved, key))).map((key) => {
      if (!card(saved, key)) return `card “${card(mine, key)!.title}”: only here`
      return card(mine, key) ? `card “${card(mine, key)!.title}”` : `card “${card(saved, key)!.title}”: only in the other window`
    }),
    ...(same([mine.tools, mine.wishes, mine.prices], [saved.tools, saved.wishes, saved.prices]) ? [] : ['tools, wishes or prices']),
  ]
})
</script>

<template>
  <Dialog
    visible
    modal
    :closable="false"
    header="Another window changed this class"
    :style="{ width: '34rem' }"
  >
    <div class="stack">
      <p>Both versions are kept until you choose. They differ in:</p>
      <ul>
        <li
          v-for="difference in differences"
          :key="difference"
        >
          {{ difference }}
        </li>
        <li v-if="differences.length === 0">
          nothing: both windows made the same change
        </li>
      </ul>
      <p class="quiet small">
        Whichever you choose, the other one is one step back (Ctrl Z).
      </p>
      <div class="row end">
        <Button
          label="Take the other window’s"
          severity="secondary"
          outlined
          @click="work.takeTheirs()"
        />
        <Button
          label="Keep mine"
          @click="work.keepMine()"
        />
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
ul { margin: 0; padding-left: 1.2rem; }
.end { justify-content: flex-end; }
</style>
