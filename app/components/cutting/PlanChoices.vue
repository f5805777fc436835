<script setup lang="ts">
import { PRIORITIES, WISHES } from '../../../core/document'
import type { Priority } from '../../../core/document'
import { preferred, wholeMinutes } from '../../../core/cutting'
import type { MeasuredPlan } from '../../../core/cutting'
import type { PlannedPaper } from '../../stores/planner'

/**
 * What could be traded for this paper: each wish with the plan that it leads to, and how that differs from the one
 * shown.
 */
const { entry } = defineProps<{ entry: PlannedPaper }>()
const work = useClassStore()
const cutting = usePaperCutting(() => entry.paper.key)
const money = useMoney()

const choices = computed(() => entry.outcome?.choices ?? [])
const chosen = computed(() => choices.value.findIndex(({ plan }) => plan === entry.outcome?.plan))
const wish = computed(() => entry.own?.priority ?? work.batch.wishes.priority)
const wishes = computed(() => PRIORITIES.map((priority) => {
  const choice = preferred(choices.value, priority)
  return { priority, words: WISHES.priority.words[priority], choice, difference: differenceOf(choice, priority) }
}))
/** What a wish would change, in words. */
function differenceOf(choice: MeasuredPlan, priority: Priority): string {
  const now = entry.outcome
  if (!now) return ''
  if (choice.plan === now.plan) return priority === wish.value ? 'this plan' : 'the same plan'
  const sheets = choice.plan.sheets - now.plan.sheets
  const minutes = wholeMinutes(choice.minutes) - wholeMinutes(now.minutes)
  const layouts = choice.plan.layouts.length - now.plan.layouts.length
  const words = ([[sheets, 'sheet'], [minutes, 'minute'], [layouts, 'layout']] as const)
    .flatMap(([by, name]) => (by === 0 ? [] : [`${count(Math.abs(by), name)} ${by > 0 ? 'more' : 'less'}`]))
  return words.join(', ') || 'about the same'
}
</script>

<template>
  <section
    v-if="choices.length > 0 && entry.outcome!.plan.layouts.length > 0"
    class="trade"
    aria-label="What could be traded"
  >
    <p v-if="choices.length === 1" class="quiet">
      Nothing can be traded: fewest sheets, least time and least money are all this plan.
    </p>
    <ul v-else>
      <li v-for="{ priority, words, choice, difference } in wishes" :key="priority">
        <button
          type="button"
          :aria-pressed="priority === wish && choice.plan === entry.outcome?.plan"
          @click="cutting.wish(priority)"
        >
          <strong>{{ words }}<span
            v-if="priority === 'balanced'"
            class="quiet small plain"
          > paper and time</span></strong>
          <span>{{ count(choice.plan.sheets, 'sheet') }}, {{ wholeMinutes(choice.minutes) }} min<template
            v-if="choice.plan.spending > 0"
          >, {{ money(choice.plan.spending) }} to buy</template></span>
          <span class="quiet small">{{ difference }}</span>
        </button>
      </li>
    </ul>
    <details v-if="choices.length > 2">
      <summary class="small">
        All {{ choices.length }} plans that are worth a thought
      </summary>
      <LazyTradeOffChart :choices :chosen @choose="cutting.take(choices[$event]!, choices)" />
    </details>
    <p v-if="entry.own?.priority" class="small">
      You chose this for {{ entry.paper.name }}.
      <Button
        link
        size="small"
        :label="`As the class wants it (${WISHES.priority.words[work.batch.wishes.priority].toLowerCase()})`"
        @click="cutting.takeAsUsual()"
      />
    </p>
  </section>
</template>

<style scoped>
.trade { display: grid; gap: 0.3rem; }
ul {
  list-style: none; margin: 0; padding: 0; display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr)); gap: 0.4rem;
}
button:not(.p-button) {
  font: inherit; color: inherit; width: 100%; height: 100%; text-align: left; background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px; padding: 0.3rem 0.6rem; display: grid; align-content: start; cursor: pointer; min-height: 44px;
  line-height: 1.3;
}
button[aria-pressed='true'] { border-color: var(--accent); box-shadow: inset 4px 0 var(--accent); }
button:hover { background: var(--ground); }
summary { cursor: pointer; }
.plain { font-weight: 400; }
</style>
