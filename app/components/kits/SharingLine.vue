<script setup lang="ts">
import { sharingInWords } from '../../../core/batch'
import { RULES, RULE_NAMES } from '../../../core/document'
import { isOpen } from '../../background/job'

/** In one line how prints are shared out, what that takes, and which wishes are not met. */
const work = useClassStore()
const sharings = useSharingStore()
const of = computed(() => work.prepared.sharing)
const state = computed(() => sharings.stateOf(of.value?.key))
/** The best one so far, also while nothing else follows from it. */
const best = computed(() => state.value?.best ?? of.value?.sharing)
const kits = computed(() => of.value?.problem.kinds.reduce((sum, { kits }) => sum + kits, 0) ?? 0)
const answer = computed(() => {
  const sharing = best.value
  if (!of.value || !sharing) return ''
  const from = `${count(kits.value, 'kit')} from ${count(of.value.problem.prints.length, 'print')}`
  const sheets = sharingInWords(sharing)
  return sheets === undefined ? `${from}, dealt out in turn` : `${from} on ${sheets}`
})
const unkept = computed(() => {
  const { problem } = of.value ?? {}
  const sharing = best.value
  if (!sharing || !problem) return []
  return RULE_NAMES
    .filter(rule => problem.rules[rule].hold !== 'free' && sharing.broken[rule] > 0 && RULES[rule].among !== 'prints')
    .map(rule => `${RULES[rule].name}: not so ${sharing.broken[rule]} ×`)
})
</script>

<template>
  <div v-if="of" class="line" aria-live="polite">
    <strong>{{ answer }}.</strong>
    <span v-if="unkept.length > 0" class="quiet small">{{ unkept.join('. ') }}.</span>
    <span
      v-else-if="state?.state === 'settled' && of.sharing.missing === 0"
      class="quiet small"
    >All wishes are met.</span>
    <span v-if="state && isOpen(state)" class="seeking">
      <ProgressBar :value="Math.round(state.progress * 100)" :show-value="false" aria-label="Sharing out" class="bar" />
      <Button label="That will do" size="small" text @click="sharings.stop()" />
    </span>
    <template v-else-if="state?.state === 'stopped' || state?.state === 'failed'">
      <span class="small">{{ state.state === 'failed' ? state.reason : 'The search was ended.' }}</span>
      <Button label="Look further" size="small" text @click="sharings.resume()" />
    </template>
  </div>
</template>

<style scoped>
.line { display: flex; flex-wrap: wrap; gap: 0.1rem 0.75rem; align-items: center; }
.seeking { display: flex; gap: 0.5rem; align-items: center; }
.bar { width: 6rem; height: 6px; }
</style>
