<script setup lang="ts">
import type { PrintSection } from '../../../../core/printed'
import { anyKit, isForAway, packedBags, piecesInBag, shoppingList, suppliesFor, weighedBags } from '../../../../core/kits'
import type { Units } from '../../../../core/lengths'
import {
  bagSection,
  cuttingSection,
  handoutSection,
  instructorSections,
  packingSection,
  pieceSection,
  scoreSection,
  sheetPage,
  sheetSections,
  shoppingSection,
  slipSection,
} from '../../../../core/printed'

/** Everything that is printed for a class, in one place: what is ticked comes, in the order in which it is used. */
definePageMeta({ layout: 'print' })
const page = usePrintedClass('The class on paper')
const { work, planner, printOf } = page
const route = useRoute()
const money = useMoney()
const id = useId()

const CHOICES = [
  { key: 'shopping', label: 'What to buy' },
  { key: 'cutting', label: 'Cutting sheets' },
  { key: 'scores', label: 'Score cards' },
  { key: 'pieces', label: 'Piece lists' },
  { key: 'bags', label: 'Bag lists' },
  { key: 'packing', label: 'Packing check' },
  { key: 'evening', label: 'Instructor’s sheet' },
  { key: 'handouts', label: 'Hand-outs' },
  { key: 'slips', label: 'Slips to set up' },
  { key: 'sheets', label: 'Sheets to make it at home' },
] as const
type Choice = (typeof CHOICES)[number]['key']
const asked = String(route.query.only ?? '').split(',')
const only = CHOICES.filter(({ key }) => asked.includes(key)).map(({ key }) => key)
// What is for others than the class is printed when it is asked for.
const USUAL = CHOICES.map(({ key }) => key).filter(key => key !== 'sheets')
const chosen = ref<Choice[]>(only.length > 0 ? only : USUAL)

const bags = computed(() => packedBags(work.prepared))
const profiles = computed(() => [
  ...new Set(bags.value.filter(({ kits }) => kits.length > 0).map(({ profile }) => profile)),
])
/** Hand-outs are one for each card and way to make it ready, one for each bag, or those of one bag. */
const EACH_CARD = 'card'
const EACH_BAG = 'bags'
const reader = ref(String(route.query.bag ?? EACH_CARD))
const readers = computed(() => [
  { key: EACH_CARD, label: 'One for each card' },
  { key: EACH_BAG, label: 'One for each bag' },
  ...bags.value.filter(({ kits }) => kits.length > 0).map(({ key, label }) => ({ key, label })),
])
const ownUnits = ref<Units>()
const units = computed<Units>({ get: () => ownUnits.value ?? work.units, set: value => (ownUnits.value = value) })

function handouts(): PrintSection[] {
  if (reader.value !== EACH_CARD) {
    return bags.value.filter(({ key }) => reader.value === EACH_BAG || key === reader.value).flatMap(bag =>
      bag.kits.flatMap(kit => handoutSection(kit, bag, units.value).map(section =>
        ({ ...section, heading: `${section.heading}: ${bag.label}` }))))
  }
  return work.prepared.cards.flatMap(card => profiles.value.flatMap((profile) => {
    const kit = anyKit(card, profile)
    const isAway = isForAway(work.batch, bags.value, profile)
    const sections = kit ? handoutSection(kit, { profile, isAway }, units.value) : []
    return profiles.value.length > 1
      ? sections.map(section => ({ ...section, heading: `${section.heading}: ${profile.name}` }))
      : sections
  }))
}
const saveSheets = () => saveText(sheetPage(work.prepared), 'sheets.html', 'text/html')
async function saveBags() {
  const { bagsCsv } = await import('../../../../core/exports')
  saveText(await bagsCsv(bags.value, work.units), 'bags.csv', 'text/csv')
}
async function saveShopping() {
  if (!planner.kits) return
  const { shoppingCsv } = await import('../../../../core/exports')
  const groups = shoppingList(work.batch, planner.kits, suppliesFor(work.prepared))
  saveText(await shoppingCsv(groups, work.units, work.batch.prices.currency), 'shopping.csv', 'text/csv')
}

/** What lists sheets, or prints as they are shared out, waits for the plan. */
const PLANNED: Choice[] = ['shopping', 'cutting', 'bags', 'packing', 'evening']
const isPlanned = computed(() => PLANNED.some(key => chosen.value.includes(key))
  || (chosen.value.includes('handouts') && reader.value !== EACH_CARD))
const SECTIONS: Record<Choice, () => PrintSection[]> = {
  shopping: () => (planner.kits
    ? [
        shoppingSection(
          shoppingList(work.batch, planner.kits, suppliesFor(work.prepared)), planner.kits, work.units, money,
        ),
      ]
    : []),
  cutting: () => planner.papers.flatMap(({ outcome }) => (outcome ? [cuttingSection(outcome, work.units)] : [])),
  scores: () => work.prepared.cards.flatMap(card => scoreSection(card, work.units)),
  pieces: () => work.prepared.cards.map(card => pieceSection(card, work.units)),
  bags: () => [bagSection(bags.value, work.units, false)],
  packing: () => [packingSection(bags.value, weighedBags(work.prepared, bags.value), piecesInBag)],
  evening: () => (planner.kits ? instructorSections(work.prepared, bags.value, planner.kits) : []),
  handouts,
  slips: () => work.prepared.cards.flatMap(slipSection),
  sheets: () => work.prepared.cards.flatMap(card => sheetSections(card, work.batch)),
}
/** Hand-outs and slips are worked out only when they are asked for. */
const print = computed(() => printOf(CHOICES.filter(({ key }) => chosen.value.includes(key)).flatMap(({ key }) =>
  SECTIONS[key]().map((section, at) => (at === 0 ? { ...section, page: true } : section)))))
</script>

<template>
  <PrintedClass
    :page
    :print="() => print"
    back="kits"
    wait="Planning the cutting and packing the bags"
    :ready="!isPlanned || (Boolean(planner.kits) && planner.ready)"
  >
    <fieldset class="what">
      <legend class="label small">
        What is printed
      </legend>
      <span v-for="{ key, label } in CHOICES" :key class="row one">
        <Checkbox v-model="chosen" :input-id="`${id}-${key}`" :value="key" />
        <label :for="`${id}-${key}`">{{ label }}</label>
      </span>
    </fieldset>
    <PlainButton label="Bags as CSV" @click="saveBags" />
    <PlainButton v-if="planner.kits" label="Shopping as CSV" @click="saveShopping" />
    <PlainButton v-if="chosen.includes('sheets')" label="Sheets as one file" @click="saveSheets" />
    <template v-if="chosen.includes('handouts')">
      <Select
        v-model="reader"
        :options="readers"
        option-value="key"
        option-label="label"
        aria-label="Whom the hand-outs are for"
      />
      <span class="row one">
        Hand-outs in
        <UnitsChoice v-model="units" />
      </span>
    </template>
    <p v-if="print.sections.length === 0" class="quiet nothing">
      {{ chosen.length === 0 ? 'Tick what is to be printed.' : 'Nothing of that kind is needed for this class.' }}
    </p>
  </PrintedClass>
</template>

<style scoped>
.what {
  display: flex; flex-wrap: wrap; gap: 0.35rem 1rem; border: 0; padding: 0; margin: 0;
  flex-basis: 100%; order: 1;
}
.one { gap: 0.35rem; }
.nothing { flex-basis: 100%; order: 2; }
</style>
