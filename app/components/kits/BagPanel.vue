<script setup lang="ts">
import type { Bag } from '../../../core/kits'
import { bagLabel, couldServe, isSeat, seatOf, withSeat } from '../../../core/batch'
import { unpinned } from '../../../core/plans'
import { broughtPieces, lyingPieces, extraInWords } from '../../../core/kits'
import type { SeatEntry } from '../../../core/document'
import { BOUNDS } from '../../../core/document'
import { formatSize } from '../../../core/lengths'

/** One bag drawn out: whose it is, what that student wishes, and what is in it. */
const { bag } = defineProps<{ bag: Bag }>()
const work = useClassStore()
const id = useId()
const cards = computed(() => work.batch.cards.filter(({ colourways }) => colourways.length > 0))
const FLAGS = [['leftHanded', 'Left-handed'], ['online', 'Joins online: by post'], ['paid', 'Paid']] as const

function set(what: string, change: Partial<SeatEntry>) {
  work.edit(
    `${what} of ${bag.key}`, document => void (document.roster = withSeat(document.roster, { ...bag.seat, ...change })),
  )
}
const seat = computed(() => editable(bag.seat, change => set(Object.keys(change).join(), change)))
function wish(card: string, colourway: string | null) {
  const { [card]: _, ...others } = bag.seat.colourways
  set(`wish for ${card}`, { colourways: colourway ? { ...others, [card]: colourway } : others })
}
const brings = computed(() => [
  ...bag.kits.flatMap(kit => broughtPieces(kit).map(({ piece: { name, width, height }, count }) =>
    `${count} × ${name}, ${formatSize(width.value, height.value, work.units)}`,
  ),
  ),
  ...bag.profile.adhesive === 'brought' ? ['Tape, foam and glue'] : [],
])
const serves = computed(() =>
  couldServe(work.batch, bag.key, new Map(work.prepared.cards.map(({ entry, dealt }) => [entry.key, dealt]))).map(
    key => seatOf(work.batch, key).name || bagLabel(key),
  ),
)
const isGiven = computed(() => Object.keys(bag.seat.prints).length > 0)
</script>

<template>
  <section class="board panel" :aria-label="bag.label">
    <h2>{{ bag.label }}</h2>
    <div class="fields">
      <div class="field">
        <label :for="`${id}-name`">Name</label>
        <InputText :id="`${id}-name`" v-model="seat.name" :maxlength="BOUNDS.title" autocomplete="off" />
      </div>
      <ChoiceField
        v-for="card in cards"
        :key="card.key"
        :label="`${card.title} in`"
        :model-value="bag.seat.colourways[card.key] ?? null"
        :options="card.colourways"
        none="any colourway"
        @update:model-value="wish(card.key, $event)"
      />
    </div>
    <ChoiceField
      label="Made ready"
      :model-value="bag.seat.profile || null"
      :options="work.batch.prep.profiles"
      :none="`as usual: ${bag.profile.name}`"
      @update:model-value="set('profile', { profile: $event ?? '' })"
    />
    <div class="row">
      <TickField v-for="[flag, label] in FLAGS" :key="flag" v-model="seat[flag]" class="flag" :label />
    </div>
    <p v-if="isSeat(bag.key) && isGiven" class="row small">
      Its prints were given by hand.
      <Button
        label="Share them out again"
        text
        size="small"
        @click="work.edit(`shared ${bag.key}`, document => void (document.roster = unpinned(document.roster, bag.key)))"
      />
    </p>
    <p class="row small">
      <NuxtLink :to="`/print/${work.id}?only=handouts&bag=${bag.key}`">Hand-outs of this bag</NuxtLink>
      <a :href="`/api/classes/${work.id}/student?seat=${bag.key}`" target="_blank">Its student page</a>
    </p>
    <p v-if="serves.length > 0" class="small">
      Would do for {{ serves.slice(0, 6).join(', ') }}{{ serves.length > 6 ? ` and ${serves.length - 6} others` : '' }}.
    </p>
    <h3>In the bag</h3>
    <p v-if="bag.kits.length === 0" class="quiet">
      Nothing.
    </p>
    <div v-for="kit in bag.kits" :key="kit.card.entry.key">
      <p><strong>{{ kit.card.entry.title }}</strong>{{ kit.colourway ? `, ${kit.colourway.name}` : '' }}</p>
      <PackedPieces
        :pieces="lyingPieces(kit)"
        :strips="kit.strips"
        :extras="kit.card.construction?.extras.map(extra => extraInWords(extra, work.units))"
      />
    </div>
    <template v-if="brings.length > 0">
      <h3>To be brought</h3>
      <ul>
        <li v-for="line in brings" :key="line">
          {{ line }}
        </li>
      </ul>
    </template>
    <div class="field">
      <label :for="`${id}-notes`">Notes</label>
      <Textarea
        :id="`${id}-notes`"
        rows="2"
        :model-value="bag.seat.notes"
        :maxlength="BOUNDS.notes"
        @update:model-value="set('notes', { notes: $event ?? '' })"
      />
    </div>
  </section>
</template>

<style scoped>
.panel { display: grid; gap: 0.5rem; }
h2 { font-size: 1.0625rem; }
.fields { display: grid; grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr)); gap: 0.5rem; }
.flag { gap: 0.35rem; }
</style>
