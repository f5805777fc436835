<script setup lang="ts">
import { BOUNDS } from '../../../core/document'
import type { BoughtEntry } from '../../../core/document'
import { boughtThings } from '../../../core/kits'

/** What the cards of the class want besides paper, tape and foam: what each costs and weighs, once for the whole class. */
const work = useClassStore()
const id = useId()
const things = computed(() => boughtThings(work.prepared.cards.flatMap(({ construction }) => construction?.extras ?? [])))
const entryOf = (key: string) => work.batch.bought.find(entry => entry.key === key)
const metres = computed(() => (work.units === 'inch' ? 'yard' : 'metre'))
/** Ribbon is sold by the yard where inches are used; kept is what a metre costs and weighs. */
const share = (byLength: boolean) => (byLength ? TAPE_UNIT[work.units] / TAPE_UNIT.metric : 1)

function set({ key, name }: { key: string, name: string }, change: Partial<BoughtEntry>) {
  work.edit(`${Object.keys(change).join()} of ${key}`, (document) => {
    const entry = document.bought.find(other => other.key === key)
    if (entry) Object.assign(entry, change)
    else document.bought.push({ key, name, price: 0, weight: 0, ...change })
  })
}
</script>

<template>
  <details
    v-if="things.length > 0"
    class="board"
  >
    <summary>What is bought for the bags</summary>
    <div class="stack">
      <fieldset
        v-for="thing in things"
        :key="thing.key"
      >
        <legend>{{ thing.name }}{{ thing.byLength ? `, a ${metres}` : '' }}</legend>
        <LabelledField
          :input="`${id}-${thing.key}-price`"
          :label="`Costs, ${work.batch.prices.currency}`"
        >
          <MoneyField
            :input-id="`${id}-${thing.key}-price`"
            :model-value="(entryOf(thing.key)?.price ?? 0) * share(thing.byLength)"
            :max="BOUNDS.cents"
            fine
            @update:model-value="$event !== null && set(thing, { price: $event / share(thing.byLength) })"
          />
        </LabelledField>
        <LabelledField
          :input="`${id}-${thing.key}-weight`"
          label="Weighs, g"
        >
          <NumberField
            :input-id="`${id}-${thing.key}-weight`"
            :model-value="Math.round((entryOf(thing.key)?.weight ?? 0) * share(thing.byLength) * 100) / 100"
            :min="0"
            :max="BOUNDS.grams"
            :decimals="3"
            @update:model-value="$event !== null && set(thing, { weight: $event / share(thing.byLength) })"
          />
        </LabelledField>
      </fieldset>
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 600; }
.stack { margin-top: 0.75rem; }
fieldset {
  border: 1px solid var(--line); border-radius: 3px; margin: 0; padding: 0.3rem 0.6rem 0.6rem;
  display: flex; flex-wrap: wrap; gap: 0.5rem 1.5rem; min-width: 0;
}
legend { font-weight: 600; padding: 0 0.25rem; }
</style>
