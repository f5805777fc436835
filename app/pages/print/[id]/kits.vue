<script setup lang="ts">
import { lookUp } from '../../../../core/lists'
import type { Purchase } from '../../../../core/kits'

definePageMeta({ layout: 'print' })
const { work, planner, missing } = usePrintedClass('Kit lists')
const cards = computed(() => new Map(work.prepared.cards.map(card => [card.entry.key, card])))
const card = (key: string) => lookUp(cards.value, key)
const money = useMoney()
const PURCHASES = [
  { key: 'paper', head: 'Paper', text: ({ paper }: Purchase) => paper },
  { key: 'sheet', head: 'Sheet' },
  { key: 'needed', head: 'Needed', number: true, text: ({ needed }: Purchase) => needed },
  { key: 'hand', head: 'On hand', number: true, text: ({ onHand }: Purchase) => onHand },
  { key: 'buy', head: 'To buy', number: true, text: ({ toBuy }: Purchase) => toBuy },
  { key: 'cost', head: 'Cost', number: true, text: ({ toBuy, cost }: Purchase) => (toBuy > 0 ? money(cost ?? 0) : '') },
]
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!planner.kits || !planner.ready">
    Packing the kits …
  </p>
  <div v-else>
    <PaperDefs :papers="work.batch.papers" />
    <PrintBar :back="`/classes/${work.id}/kits`" />
    <section class="totals">
      <PrintHeading heading="Kits and what to buy" />
      <FigureTable
        :rows="planner.kits.purchases"
        :columns="PURCHASES"
      >
        <template #sheet="{ row }">
          <SheetText
            :width="row.width"
            :height="row.height"
            :units="work.units"
          />
        </template>
      </FigureTable>
      <p v-if="planner.planless">
        <strong>Not every paper could be planned: its sheets are not counted.</strong>
      </p>
      <p>
        Tape about {{ (planner.kits.totals.tape / 1e9).toFixed(1) }} m, {{ count(planner.kits.totals.pads, 'foam pad') }}.
        To buy {{ money(planner.kits.totals.spending) }}.
      </p>
    </section>
    <section
      v-for="seat in planner.kits.seats"
      :key="seat.label"
      class="seat"
    >
      <h2>{{ seat.label }} <span class="quiet small">{{ work.batch.class.title }}</span></h2>
      <div class="cards">
        <div
          v-for="key in seat.cards"
          :key="key"
        >
          <h3>{{ card(key).entry.title }}</h3>
          <PackedPieces
            :pieces="card(key).pieces"
            :units="work.units"
          />
        </div>
      </div>
      <p v-if="seat.cards.length === 0">
        Nothing is packed for this seat.
      </p>
    </section>
    <section class="steps">
      <template
        v-for="{ entry, construction } in work.prepared.cards"
        :key="entry.key"
      >
        <div v-if="construction">
          <PrintHeading :heading="`How to make ${entry.title}`" />
          <ol>
            <li
              v-for="step in construction.steps"
              :key="step.text"
            >
              {{ step.text }} <strong v-if="step.warning">{{ step.warning }}</strong>
            </li>
          </ol>
        </div>
      </template>
      <Cautions />
    </section>
  </div>
</template>

<style scoped>
.seat { break-inside: avoid; border-top: 1px dashed var(--line); padding: 4mm 0; }
.cards { display: grid; gap: 3mm; }
.totals { break-after: page; }
.steps { break-before: page; display: grid; gap: 5mm; }
ol { margin: 2mm 0 0; padding-left: 1.3rem; display: grid; gap: 1.5mm; }
</style>
