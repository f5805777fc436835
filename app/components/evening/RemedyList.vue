<script setup lang="ts">
import type { Advice, WeighedRemedy } from '../../../core/rehearsal'
import { TOOL_COST, isFitting } from '../../../core/rehearsal'

/** What would make the class quicker, and what it costs whoever prepares it. */
const { advice } = defineProps<{ advice: Advice, running: boolean }>()
const emit = defineEmits<{ take: [remedies: WeighedRemedy[]] }>()

const fits = computed(() => isFitting(advice.rehearsal))
const minutes = (number: number) => `${Math.max(1, Math.round(number))} min`
const forYou = ({ costs, tool }: WeighedRemedy) =>
  (tool ? 'to bring along' : costs < 0.5 ? 'nothing more for you' : `${minutes(costs)} more for you`)
</script>

<template>
  <section class="board stack" aria-label="What would help">
    <h2>{{ fits ? 'What would make it shorter' : 'What would help' }}</h2>
    <p v-if="advice.remedies.length === 0" class="quiet">
      {{ running ? 'Looking for what would help …' : 'Nothing more can be made ready beforehand that would help.' }}
    </p>
    <div v-if="advice.together" class="together">
      <p>
        <strong>{{ isFitting(advice.together.rehearsal)
          ? 'The cheapest that makes the class fit:' : 'Even all of this together is not enough:' }}</strong>
      </p>
      <ul>
        <li v-for="remedy in advice.together.remedies" :key="remedy.key">
          {{ remedy.words }}
        </li>
      </ul>
      <p class="small quiet">
        {{ minutes(advice.together.costs) }} more for you in all
      </p>
      <Button
        :label="advice.together.remedies.length > 1 ? 'Take these' : 'Take this'"
        size="small"
        @click="emit('take', advice.together.remedies)"
      />
    </div>
    <p v-else-if="!fits && running" class="quiet small">
      Trying what helps together …
    </p>
    <ol v-if="advice.remedies.length > 0" class="remedies">
      <li v-for="remedy in advice.remedies" :key="remedy.key" class="remedy">
        <span>{{ remedy.words }}</span>
        <span class="small quiet">{{ minutes(remedy.gains) }} less in class, {{ forYou(remedy) }}</span>
        <PlainButton label="Take" :aria-label="`Take: ${remedy.words}`" @click="emit('take', [remedy])" />
      </li>
    </ol>
    <p v-if="advice.remedies.some(({ tool }) => tool)" class="small quiet">
      To bring one more tool is weighed like {{ TOOL_COST }} minutes of preparation.
    </p>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
p, ul, ol { margin: 0; }
ul { padding-left: 1.1rem; }
.together {
  display: grid; gap: 0.4rem; justify-items: start; border-left: 3px solid var(--accent); padding-left: 0.7rem;
}
.remedies { list-style: none; padding: 0; display: grid; gap: 0.5rem; }
.remedy { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0 0.6rem; align-items: center; }
.remedy > :last-child { grid-column: 2; grid-row: 1 / span 2; }
</style>
