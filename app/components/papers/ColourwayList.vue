<script setup lang="ts">
import { colourwayCounts, newColourway, rolesOf, ROLE_NAMES } from '../../../core/batch'
import type { CardEntry, ColourwayEntry } from '../../../core/document'
import { BOUNDS } from '../../../core/document'
import type { PartKind } from '../../../core/folds'
import { usualPaper } from '../../../core/folds'

/** Named choices of papers for a card: students choose one, or the maker says how many kits are of each. */
const work = useClassStore()
const cards = computed(() => work.prepared.cards)
const chosen = ref<string>()
const card = computed(() => cards.value.find(({ entry }) => entry.key === chosen.value) ?? cards.value[0])
const roles = computed(() => (card.value ? rolesOf([card.value]) : []))
const counts = computed(() => (card.value ? colourwayCounts(card.value.entry, card.value.kits) : []))

function set(key: string, what: string, change: (one: ColourwayEntry) => void) {
  edit(`${what} of ${key}`, entry => entry.colourways.filter(one => one.key === key).forEach(change))
}
const ways = computed(() => (card.value?.entry.colourways ?? []).map(one => editable(one, change =>
  set(one.key, Object.keys(change).join(), way => void Object.assign(way, change)))))
const add = () => edit('another colourway', entry => void entry.colourways.push(...newColourway(entry)))
function remove(key: string) {
  edit(`without ${key}`, entry => void (entry.colourways = entry.colourways.filter(one => one.key !== key)))
}
function edit(what: string, change: (entry: CardEntry) => void) {
  if (card.value) work.editCard(what, card.value.entry.key, change)
}
const partsOf = (kind: PartKind) =>
  roles.value.find(role => role.kind === kind)?.cards[0]?.pieces.map(({ key }) => key) ?? []
/** The paper of all parts of a kind in a colourway; nothing where they differ. */
function paperOf({ papers }: ColourwayEntry, kind: PartKind) {
  const all = new Set(partsOf(kind).map(part => papers[part] ?? card.value?.entry.papers[part] ?? ''))
  return all.size === 1 ? [...all][0] : undefined
}
</script>

<template>
  <section v-if="card" class="board" aria-label="Colourways">
    <div class="spread">
      <h2>Colourways</h2>
      <PlainButton label="New colourway" :disabled="card.entry.colourways.length >= BOUNDS.colourways" @click="add" />
    </div>
    <Select
      v-if="cards.length > 1"
      :model-value="card.entry.key"
      :options="cards.map(({ entry }) => entry)"
      option-label="title"
      option-value="key"
      aria-label="Colourways of"
      class="wide"
      @update:model-value="chosen = $event"
    />
    <p v-if="card.entry.colourways.length === 0" class="quiet small">
      All kits of {{ card.entry.title }} are of the same papers. With colourways students choose, or you say how many
      are of each.
    </p>
    <div v-for="(one, at) in ways" :key="one.key" class="one">
      <div class="head">
        <NameField v-model="one.name" :aria-label="`Name of colourway ${at + 1}`" />
        <NumberField v-model="one.kits" :min="0" :max="BOUNDS.kits" :blank="null" :called="`Kits in ${one.name}`" />
        <span class="small quiet">{{
          one.kits === null ? `as wished: ${counts[at] ?? 0}` : count(counts[at] ?? 0, 'kit')
        }}</span>
        <QuietButton label="Remove" :aria-label="`Remove ${one.name}`" @click="remove(one.key)" />
      </div>
      <template v-for="{ kind } in roles" :key="kind">
        <span class="small">{{ ROLE_NAMES[kind] }}</span>
        <PaperChoice
          :label="`${ROLE_NAMES[kind]} in ${one.name}`"
          :model-value="paperOf(one, kind)"
          placeholder="Several papers"
          :papers="work.batch.papers"
          :kind="usualPaper(kind)"
          @update:model-value="
            paper => set(one.key, `${kind} papers`, way => partsOf(kind).forEach(part => (way.papers[part] = paper)))
          "
        />
      </template>
    </div>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
.wide { width: 100%; margin-top: 0.4rem; }
.one { display: grid; grid-template-columns: 5.5rem minmax(
  0, 1fr); gap: 0.3rem 0.5rem; align-items: center; margin-top: 0.6rem; padding-top: 0.6rem;
  border-top: 1px solid var(--line); }
.head {
  grid-column: 1 / -1; display: grid; grid-template-columns: minmax(0, 1fr) 3.5rem auto auto;
  gap: 0.4rem; align-items: center;
}
.head :deep(input) { width: 100%; }
</style>
