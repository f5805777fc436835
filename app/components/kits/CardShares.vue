<script setup lang="ts">
import { bagLabel, bagsOf } from '../../../core/batch'

/** Cards that not every bag gets: how many there are, who is named for one, and which card each stands in for. */
const work = useClassStore()
const bags = computed(() => bagsOf(work.batch))
const few = computed(() =>
  work.prepared.cards.filter(({ entry, kits }) => kits < bags.value.length || entry.insteadOf !== ''),
)
const id = useId()
const others = (key: string) => work.batch.cards.filter(card => card.key !== key)
const named = (keys: string[]) => keys.filter(key => bags.value.includes(key))

function set(key: string, what: string, change: { bags?: string[], insteadOf?: string }) {
  work.editCard(what, key, entry => void Object.assign(entry, change))
}
</script>

<template>
  <section v-if="few.length > 0" class="board" aria-label="Who gets which card">
    <h2>Who gets which card</h2>
    <div v-for="{ entry, kits, dealt } in few" :key="entry.key" class="card">
      <p>
        <strong>{{ entry.title }}</strong>: {{ count(kits, 'kit') }} for {{ count(bags.length, 'bag') }}
      </p>
      <div class="field">
        <label :for="`${id}-${entry.key}`">Goes first to</label>
        <MultiSelect
          :input-id="`${id}-${entry.key}`"
          :model-value="named(entry.bags)"
          :options="bags.map(key => ({ key, label: bagLabel(key) }))"
          option-value="key"
          option-label="label"
          :selection-limit="Math.max(1, kits)"
          :placeholder="`the first: ${dealt
            .slice(0, 3)
            .map(({ bag }) => bagLabel(bag ?? ''))
            .join(', ')}${dealt.length > 3 ? ' …' : ''}`"
          @update:model-value="set(entry.key, 'bags', { bags: $event })"
        />
      </div>
      <div v-if="others(entry.key).length > 0" class="field">
        <label :for="`${id}-${entry.key}-instead`">In a bag instead of</label>
        <Select
          :input-id="`${id}-${entry.key}-instead`"
          :model-value="entry.insteadOf || null"
          :options="others(entry.key)"
          option-value="key"
          option-label="title"
          placeholder="nothing: beside the other cards"
          show-clear
          @update:model-value="set(entry.key, 'instead', { insteadOf: $event ?? '' })"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
.card { display: grid; gap: 0.4rem; margin-top: 0.5rem; }
</style>
