<script setup lang="ts">
import { sharingFindings } from '../../../core/batch'
import type { RuleEntry, RuleName } from '../../../core/document'
import { BOUNDS, RULES, RULE_NAMES } from '../../../core/document'

/**
 * How prints of pools are shared out: what must be kept, what is a wish and how much it weighs, and bags to choose
 * from.
 */
const work = useClassStore()
const id = useId()
const HOLDS = [{ hold: 'must', label: 'Must' }, { hold: 'wish', label: 'Wish' }, { hold: 'free', label: 'Any' }]
/** What no sharing can do: said where the rules are. */
const wrong = computed(() => sharingFindings(work.prepared).filter(({ severity }) => severity === 'stop'))
const used = computed(() => work.prepared.sharing !== undefined)

function set(rule: RuleName, change: Partial<RuleEntry>) {
  work.edit(`rule ${rule}`, document => void (document.sharing[rule] = { ...document.sharing[rule], ...change }))
}
</script>

<template>
  <section v-if="used" class="board" aria-label="How prints are shared out">
    <h2>How prints are shared out</h2>
    <SharingLine v-if="wrong.length === 0" />
    <p v-for="{ subject, problem } in wrong" :key="subject + problem" class="wrong" role="alert">
      {{ subject }} {{ problem }}
    </p>
    <ul>
      <li v-for="rule in RULE_NAMES" :key="rule">
        <span>{{ RULES[rule].name }}</span>
        <SelectButton
          :model-value="work.batch.sharing[rule].hold"
          :options="HOLDS"
          option-label="label"
          option-value="hold"
          :allow-empty="false"
          size="small"
          :aria-label="RULES[rule].name"
          @update:model-value="set(rule, { hold: $event })"
        />
        <NumberField
          v-if="work.batch.sharing[rule].hold === 'wish'"
          :model-value="work.batch.sharing[rule].weight"
          :min="0"
          :max="BOUNDS.ruleWeight"
          class="weight"
          :called="`Weight of: ${RULES[rule].name}`"
          @update:model-value="set(rule, { weight: $event ?? 0 })"
        />
      </li>
    </ul>
    <p class="quiet small">
      A wish that is not met weighs as much as its number, a sheet 100, buying one while others lie there 20.
    </p>
    <div class="row">
      <label :for="`${id}-surplus`">Bags to choose from on the day</label>
      <NumberField
        :input-id="`${id}-surplus`"
        :model-value="work.batch.sharing.surplus"
        :min="0"
        :max="BOUNDS.surplus"
        class="weight"
        @update:model-value="work.edit('surplus', document => void (document.sharing.surplus = $event ?? 0))"
      />
    </div>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
ul { list-style: none; margin: 0.4rem 0; padding: 0; display: grid; gap: 0.4rem; }
li { display: grid; grid-template-columns: minmax(0, 1fr) 4rem; gap: 0.2rem 0.4rem; align-items: center; }
li > span { grid-column: 1 / -1; }
.wrong { color: var(--stop); }
.weight { width: 4rem; }
.weight :deep(input) { width: 4rem; }
</style>
