<script setup lang="ts">
definePageMeta({ layout: 'print' })
const { work, planner, missing } = usePrintedClass('Kit lists')
const card = (key: string) => work.preparation!.cards.find(({ entry }) => entry.key === key)!
const money = useMoney()
</script>

<template>
  <p v-if="missing">
    {{ missing }}
  </p>
  <p v-else-if="!planner.kits || planner.running">
    Packing the kits …
  </p>
  <div v-else>
    <PaperDefs :papers="work.batch!.papers" />
    <PrintBar :back="`/classes/${work.id}/kits`" />
    <section class="totals">
      <PrintHeading heading="Kits and what to buy" />
      <table>
        <thead>
          <tr>
            <th>Paper</th><th>Sheet</th><th class="number">
              Needed
            </th><th class="number">
              On hand
            </th><th class="number">
              To buy
            </th><th class="number">
              Cost
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="purchase in planner.kits.purchases"
            :key="purchase.paper + purchase.width"
          >
            <td>{{ purchase.paper }}</td>
            <td>
              <SheetText
                :width="purchase.width"
                :height="purchase.height"
                :units="work.units"
              />
            </td>
            <td class="number">
              {{ purchase.needed }}
            </td>
            <td class="number">
              {{ purchase.onHand }}
            </td>
            <td class="number">
              {{ purchase.toBuy }}
            </td>
            <td class="number">
              {{ purchase.toBuy > 0 ? money(purchase.cost ?? 0) : '' }}
            </td>
          </tr>
        </tbody>
      </table>
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
      <h2>{{ seat.label }} <span class="quiet small">{{ work.document!.class.title }}</span></h2>
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
        v-for="{ entry, construction } in work.preparation!.cards"
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
