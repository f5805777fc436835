<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { PreparedCard } from '../../../core/batch'
import { onCard, stopsIn } from '../../../core/kits'

/** The cards of a class in a row: name, kits, and a mark where something has to be settled first. */
const { cards, chosen } = defineProps<{ cards: PreparedCard[], chosen?: string }>()
const emit = defineEmits<{ choose: [key: string], add: [] }>()
/** So many cards share one line that their names need all of it; how many kits is read out still. */
const many = computed(() => cards.length > 6)
const entries = computed(() =>
  cards.map(({ entry, kits, findings }) => ({
    key: entry.key,
    title: entry.title,
    kits,
    stops: stopsIn(onCard(findings)),
  })),
)
</script>

<template>
  <nav aria-label="Cards of this class" class="tabs">
    <button
      v-for="{ key, title, kits, stops } in entries"
      :key
      type="button"
      :class="['tab', { current: key === chosen, many }]"
      :aria-current="key === chosen || undefined"
      :title
      @click="emit('choose', key)"
    >
      <Icon v-if="stops" name="tabler:alert-octagon" class="stops" aria-hidden="true" />
      <span class="title">{{ title }}</span>
      <span
        :class="['quiet small', { unseen: many }]"
      >{{ kits }}<span class="unseen"> kits{{ stops ? `, ${stops} to settle` : '' }}</span></span>
    </button>
    <Button
      aria-label="Add a card"
      text
      size="small"
      class="add"
      :disabled="cards.length >= BOUNDS.cards"
      @click="emit('add')"
    >
      <Icon v-if="many" name="tabler:plus" />
      <template v-else>
        Add a card
      </template>
    </Button>
  </nav>
</template>

<style scoped>
.tabs { display: flex; flex-wrap: wrap; gap: 0 0.25rem; border-bottom: 1px solid var(--line); flex: none; }
.tab {
  font: inherit; color: inherit; background: none; border: 0; border-bottom: 3px solid transparent; cursor: pointer;
  display: flex; gap: 0.4rem; align-items: baseline; padding: 0.35rem 0.7rem 0.25rem; max-width: 15rem; min-width: 0;
  flex: 0 1 auto;
  position: relative;
}
.many { flex: 1 1 5rem; padding-inline: 0.4rem; }
.tab:hover { background: color-mix(in srgb, var(--accent) 7%, transparent); }
.current { border-bottom-color: var(--accent); font-weight: 600; }
.title { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; min-width: 2.5rem; }
.stops { color: var(--stop); flex: none; align-self: center; }
.add { flex: none; white-space: nowrap; }
@media (pointer: coarse) { .tab { min-height: 44px; align-items: center; } }
@media (max-width: 700px) {
  .tabs { display: grid; grid-template-columns: 1fr 1fr; border: 0; gap: 0.3rem; }
  .tab {
    border: 1px solid var(--line); border-radius: 3px; max-width: none; justify-content: space-between;
    min-height: 44px;
    align-items: center;
  }
  .current { border-color: var(--accent); }
}
</style>
