<script setup lang="ts">
import type { Bag, PackedKit, PrintPlace } from '../../../core/batch'
import { bagLabel, printsIn, rulesBroken, swapped, withSeat } from '../../../core/batch'

/**
 * Every bag in a row: who gets it, what colourway and which prints its kits are of, whether it is packed. A print is pulled onto
 * another of its size to swap the two, or taken up with a press and put down with a second one.
 */
const { bags } = defineProps<{ bags: Bag[] }>()
const chosen = defineModel<string>()
const work = useClassStore()
const toast = useToast()
/** The print that is taken up. */
const held = ref<PrintPlace>()
const cards = computed(() => work.prepared.cards)
/** Cards whose kits differ. */
const differing = computed(() => cards.value.filter(({ entry, kits, dealt }) =>
  entry.colourways.length > 0 || kits < bags.length || dealt.some(({ papers }) => papers !== dealt[0]?.papers)))

const kitOf = ({ kits }: Bag, card: string): PackedKit | undefined => kits.find(kit => kit.card.entry.key === card)
function printsOf(bag: Bag, kit: PackedKit) {
  return Object.entries(printsIn(work.prepared, bag.key, kit.card.entry.key)).map(([part, paper]) => ({
    part, paper, name: kit.card.pieces.find(({ key }) => key === part)?.name ?? part,
    print: work.batch.papers.find(({ key }) => key === paper)?.name ?? paper,
  }))
}
const isHeld = ({ bag, card, part }: PrintPlace) => held.value?.bag === bag && held.value.card === card && held.value.part === part
const isGiven = (bag: Bag, card: string) => Object.keys(bag.seat.prints).some(name => name.startsWith(`${card} `))
const unkept = (bag: Bag, card: string) => rulesBroken(work.prepared, bag.key, card)

function press(place: PrintPlace) {
  if (!held.value) return void (held.value = place)
  if (!isHeld(place)) swap(held.value, place)
  held.value = undefined
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
        <th
          v-for="card in differing"
          :key="card.entry.key"
          scope="col"
        >
          {{ card.entry.title }}
        </th>
        <th scope="col">
          Packed
        </th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="bag in bags"
        :key="bag.key"
        :class="{ chosen: chosen === bag.key }"
      >
        <th scope="row">
          <button
            type="button"
            class="name"
            :aria-pressed="chosen === bag.key"
            @click="chosen = bag.key"
          >
            {{ bagLabel(bag.key) }} <span class="who">{{ bag.seat.name }}</span>{{ ' ' }}
            <span
              v-if="bag.seat.online || bag.seat.leftHanded"
              class="quiet small"
            >{{ [bag.seat.online && 'online', bag.seat.leftHanded && 'left-handed'].filter(Boolean).join(', ') }}</span>
          </button>
        </th>
        <td
          v-for="card in differing"
          :key="card.entry.key"
        >
          <span
            v-if="kitOf(bag, card.entry.key)"
            class="kit"
          >
            <span
              v-if="kitOf(bag, card.entry.key)?.colourway"
              class="way"
            >{{ kitOf(bag, card.entry.key)?.colourway?.name }}</span>
            <button
              v-for="{ part, paper, name, print } in printsOf(bag, kitOf(bag, card.entry.key)!)"
              :key="part"
              type="button"
              class="print"
              draggable="true"
              :title="`${name}: ${print}`"
              :aria-label="`${name} for ${bagLabel(bag.key)}: ${print}`"
              :aria-pressed="isHeld({ bag: bag.key, card: card.entry.key, part })"
              @click="press({ bag: bag.key, card: card.entry.key, part })"
              @dragstart="held = { bag: bag.key, card: card.entry.key, part }"
              @dragover.prevent
              @drop.prevent="drop({ bag: bag.key, card: card.entry.key, part })"
              @dragend="held = undefined"
            >
              <PaperSwatch :paper="paper" />
            </button>
            <Icon
              v-if="isGiven(bag, card.entry.key)"
              name="tabler:pin"
              class="quiet"
              title="Given by hand: it stays so"
              aria-label="Given by hand"
            />
            <span
              v-if="unkept(bag, card.entry.key).length > 0"
              class="small unkept"
            >{{ unkept(bag, card.entry.key).map(
              rule => ({ touching: 'alike where they touch',
                         neighbours: 'alike side by side',
                         different: 'like another bag',
                         evenly: '' })[rule]).join(', ') }}</span>
          </span>
          <span
            v-else
            class="quiet small"
          >none</span>
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
.name { font: inherit; color: inherit; background: none; border: 0; padding: 0.2rem 0; text-align: left; cursor: pointer; width: 100%; }
.who { font-weight: 400; margin-inline: 0.4rem; }
.chosen { background: color-mix(in srgb, var(--accent) 12%, transparent); }
.kit { display: flex; flex-wrap: wrap; gap: 0.3rem; align-items: center; }
.way { min-width: 4.5rem; }
.print { padding: 2px; background: none; border: 1px solid transparent; border-radius: 3px; cursor: grab; line-height: 0; }
.print[aria-pressed='true'] { border-color: var(--accent); outline: 2px solid var(--accent); }
.unkept { color: var(--warn); }
@media (pointer: coarse) { .name, .print { min-height: 44px; min-width: 44px; } }
</style>
