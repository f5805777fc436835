<script setup lang="ts">
import type { PrintPlace } from '../../../core/plans'
import type { Bag } from '../../../core/kits'
import { bagLabel, withSeat } from '../../../core/batch'
import { printsIn, rulesBroken, swapped } from '../../../core/plans'
import { RULES } from '../../../core/document'
import { isWhole, pictureOf } from '../../../core/folds'

/**
 * Every bag in a row: who gets it, what colourway and which prints its kits are of, whether it is packed. A print is
 * pulled onto another of its size to swap the two, or taken up with a press and put down with a second one.
 */
const { bags } = defineProps<{ bags: Bag[] }>()
const chosen = defineModel<string>()
const work = useClassStore()
// Who gets what is shown as it comes.
useSharingStore().watch()
const toast = useToast()
/** The print that is taken up. */
const held = ref<PrintPlace>()
const cards = computed(() => work.prepared.cards)
/** Cards whose kits differ. */
const differing = computed(() => cards.value.filter(({ entry, kits, dealt }) =>
  entry.colourways.length > 0 || kits < bags.length || dealt.some(({ papers }) => papers !== dealt[0]?.papers)))

const printName = computed(() => new Map(withSides(work.batch.papers).map(({ key, name }) => [key, name])))

/** Every card drawn once, small; its kits differ in what fills it. */
const pictures = computed(() => new Map(differing.value.flatMap(({ entry, fold, construction }) =>
  (fold && construction?.parts.every(isWhole) ? [[entry.key, pictureOf(construction, fold.view)] as const] : []))))

/** Every bag with what is shown of its kits, card by card; nothing where it has none. */
const rows = computed(() => bags.map(bag => ({ bag, cells: differing.value.map(({ entry: { key }, pieces }) => {
  const kit = bag.kits.find(kit => kit.card.entry.key === key)
  return kit && {
    fold: kit.card.entry.fold,
    picture: pictures.value.get(key),
    // As this kit is cut, print by print.
    fills: Object.fromEntries(
      kit.pieces.flatMap(({ piece, paper }) => (paper ? [[piece.key, `url(#paper-${paper.key})`]] : [])),
    ),
    colourway: kit.colourway?.name,
    prints: Object.entries(printsIn(work.prepared, bag.key, key)).map(([part, paper]) => ({
      place: { bag: bag.key, card: key, part },
      paper,
      name: pieces.find(piece => piece.key === part)?.name ?? part,
      print: printName.value.get(paper) ?? paper,
    })),
    isGiven: Object.keys(bag.seat.prints).some(name => name.startsWith(`${key} `)),
    unkept: rulesBroken(work.prepared, bag.key, key).map(rule => RULES[rule].beside).join(', '),
  }
}) })))
const isHeld = ({ bag, card, part }: PrintPlace) =>
  held.value?.bag === bag && held.value.card === card && held.value.part === part

function press(place: PrintPlace) {
  if (held.value) drop(place)
  else held.value = place
}
function swap(one: PrintPlace, other: PrintPlace) {
  const answer = swapped(work.prepared, one, other)
  if ('wrong' in answer) return void toast.add({ severity: 'warn', summary: answer.wrong, life: 6000 })
  work.edit(`swap ${one.bag} ${other.bag}`, document => void (document.roster = answer.roster))
}
function drop(place: PrintPlace) {
  if (held.value && !isHeld(place)) swap(held.value, place)
  held.value = undefined
}
function pack({ key, seat }: Bag, packed: boolean) {
  work.edit(`packed ${key}`, document => void (document.roster = withSeat(document.roster, { ...seat, packed })))
}
</script>

<template>
  <table aria-label="Bags">
    <thead>
      <tr>
        <th scope="col">
          Bag
        </th>
        <th v-for="card in differing" :key="card.entry.key" scope="col">
          {{ card.entry.title }}
        </th>
        <th scope="col">
          Packed
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ bag, cells } in rows" :key="bag.key" :class="{ chosen: chosen === bag.key }">
        <th scope="row">
          <button type="button" class="name" :aria-pressed="chosen === bag.key" @click="chosen = bag.key">
            {{ bagLabel(bag.key) }} <span class="who">{{ bag.seat.name }}</span>{{ ' ' }}
            <span v-if="bag.seat.online || bag.seat.leftHanded || bag.seat.profile" class="quiet small">{{
              [bag.seat.online && 'online', bag.seat.leftHanded && 'left-handed', bag.seat.profile && bag.profile.name]
                .filter(Boolean).join(', ') }}</span>
          </button>
        </th>
        <td v-for="(cell, at) in cells" :key="at">
          <span v-if="cell" class="kit">
            <CardPicture
              class="mini"
              :fold="cell.fold"
              :units="work.units"
              :colours="cell.fills"
              :picture="cell.picture"
              :title="`The card of ${bagLabel(bag.key)}`"
            />
            <span v-if="cell.colourway" class="way">{{ cell.colourway }}</span>
            <button
              v-for="{ place, paper, name, print } in cell.prints"
              :key="place.part"
              type="button"
              class="print"
              draggable="true"
              :title="`${name}: ${print}`"
              :aria-label="`${name} for ${bagLabel(bag.key)}: ${print}`"
              :aria-pressed="isHeld(place)"
              @click="press(place)"
              @dragstart="held = place"
              @dragover.prevent
              @drop.prevent="drop(place)"
              @dragend="held = undefined"
            >
              <PaperSwatch :paper />
            </button>
            <Icon
              v-if="cell.isGiven"
              name="tabler:pin"
              class="quiet"
              title="Given by hand: it stays so"
              aria-label="Given by hand"
            />
            <span v-if="cell.unkept" class="small unkept">{{ cell.unkept }}</span>
          </span>
          <span v-else class="quiet small">none</span>
        </td>
        <td>
          <Checkbox
            binary
            :model-value="bag.seat.packed"
            :aria-label="`${bagLabel(bag.key)} is packed`"
            @update:model-value="pack(bag, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
thead th { position: sticky; top: 0; background: var(--sheet); z-index: 1; }
th, td { padding-block: 0.15rem; }
td:last-child, thead th:last-child { width: 4rem; }
.name {
  font: inherit; color: inherit; background: none; border: 0; padding: 0.2rem 0; text-align: left;
  cursor: pointer; width: 100%;
}
.who { font-weight: 400; margin-inline: 0.4rem; }
.chosen { background: color-mix(in srgb, var(--accent) 12%, transparent); }
.kit { display: flex; flex-wrap: wrap; gap: 0.3rem; align-items: center; }
.way { min-width: 4.5rem; }
.mini { width: 42px; height: 33px; flex: none; }
.print {
  padding: 2px; background: none; border: 1px solid transparent; border-radius: 3px; cursor: grab;
  line-height: 0;
}
.print[aria-pressed='true'] { border-color: var(--accent); outline: 2px solid var(--accent); }
.unkept { color: var(--warn); }
@media (pointer: coarse) { .name, .print { min-height: 44px; min-width: 44px; } }
</style>
