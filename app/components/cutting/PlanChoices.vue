<script setup lang="ts">
import { wholeMinutes } from '../../../core/cutting'
import type { Measured } from '../../../core/cutting'
import type { PlannedPaper } from '../../stores/planner'

/** Sheets or time: the plans that are worth a thought, as points and as words. */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const cutting = usePaperCutting(() => entry.paper.key)
const money = useMoney()

const choices = computed(() => entry.outcome?.choices ?? [])
const chosen = computed(() => choices.value.findIndex(({ plan }) => plan === entry.outcome?.plan))
/** What a plan is the best at. */
function bestAt(choice: Measured): string {
  const figures: [string, (choice: Measured) => number][] = [
    ['fewest sheets', ({ plan }) => plan.sheets], ['least money', ({ plan }) => plan.spending],
    ['fewest settings', ({ settings }) => settings], ['least time', ({ minutes }) => minutes],
  ]
  const best = figures.filter(([, of]) => {
    const all = choices.value.map(of)
    // What all plans share is nothing to choose by.
    return of(choice) === Math.min(...all) && Math.max(...all) > Math.min(...all)
  }).map(([word]) => word)
  return [...best, ...choice.plan.layouts.length === 1 ? ['every sheet alike'] : []].join(', ')
}
const wish = computed(() => cutting.entry.value?.moreSheets ?? null)
</script>

<template>
  <section
    v-if="choices.length > 1"
    class="board"
    aria-label="Sheets or time"
  >
    <h3>Sheets or time</h3>
    <div class="both">
      <LazyTradeOffChart
        :choices="choices"
        :chosen="chosen"
        @choose="cutting.take(choices[$event]!, choices)"
      />
      <ul>
        <li
          v-for="(choice, index) in choices"
          :key="index"
        >
          <button
            type="button"
            :aria-pressed="index === chosen"
            @click="cutting.take(choice, choices)"
          >
            <strong>{{ count(choice.plan.sheets, 'sheet') }}</strong>
            <span>{{ wholeMinutes(choice.minutes) }} min, {{ count(choice.settings, 'setting') }},
              {{ count(choice.plan.layouts.length, 'layout') }}<template v-if="choice.plan.spending > 0">,
                {{ money(choice.plan.spending) }} to buy</template></span>
            <span class="quiet small">{{ bestAt(choice) }}</span>
          </button>
        </li>
      </ul>
    </div>
    <p
      v-if="wish !== null"
      class="small"
    >
      You chose this for {{ entry.paper.name }}.
      <Button
        link
        size="small"
        :label="`As the class wants it (${PRIORITY_WORDS[work.batch.wishes.priority]})`"
        @click="cutting.takeAsUsual()"
      />
    </p>
  </section>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 1.25rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.3rem;
  align-content: start;
}
button:not(.p-button) {
  font: inherit;
  color: inherit;
  width: 100%;
  text-align: left;
  background: none;
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0.35rem 0.6rem;
  display: grid;
  grid-template-columns: 6rem 1fr;
  gap: 0 0.6rem;
  cursor: pointer;
}
button > .small {
  grid-column: 2;
}
button[aria-pressed='true'] {
  border-color: var(--accent);
  box-shadow: inset 4px 0 var(--accent);
}
button:hover {
  background: var(--ground);
}
@media (max-width: 900px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>
