<script setup lang="ts">
import type { Rehearsal, WeighedRemedy } from '../../../../core/rehearsal'
import { isFitting, takeRemedies, usedProfiles } from '../../../../core/rehearsal'
import { clockAfter } from '../../../../core/kits'

/** Whether the class fits into its evening: rehearsed many times, with what would help. */
const work = useClassStore()
const evening = useEveningStore()
watch(() => work.settled !== undefined, settled => settled && evening.look(), { immediate: true })

const details = computed(() => work.batch.class)
const timeOf = (minutes: number) => clockAfter(details.value, minutes) ?? `${Math.round(minutes)} min`
const rehearsal = computed(() => evening.advice?.rehearsal)
const hasMakers = computed(() => (rehearsal.value?.stages.length ?? 0) > 0)
const isTimed = computed(() => details.value.starts !== '')

const verdict = computed(() => {
  if (!rehearsal.value) return { head: '', words: '' }
  const { fits, ends, until, late, runs, students } = rehearsal.value
  const done = `Everybody is done by ${timeOf(until)} in ${Math.round(fits * runs)} of ${runs} rehearsed evenings`
  const spare = Math.floor(until - ends.high)
  if (isFitting(rehearsal.value)) {
    const earlier = spare >= 1 ? `, and ${count(spare, 'minute')} earlier in nine of ten` : ''
    return { head: 'The class fits', words: `${done}${earlier}.` }
  }
  // Less than one on average is one now and then.
  const left = `${late < 1 ? 'Now and then one' : `On average ${Math.round(late)}`} of ${count(students, 'student')}`
  return {
    head: 'The class does not fit',
    words: `${done} only. ${left} would not be; for nine evenings of ten ${
      count(Math.max(1, -spare), 'minute')} more would be needed.`,
  }
})

type Stage = Rehearsal['stages'][number]
const STAGES = [
  { key: 'name', head: 'Card', text: ({ name }: Stage) => name },
  { key: 'shown', head: 'Shown', number: true, text: ({ shown }: Stage) => timeOf(shown.middle) },
  { key: 'half', head: 'Half are done', number: true, text: ({ half }: Stage) => timeOf(half.middle) },
  {
    key: 'done', head: 'All are done', number: true,
    text: ({ done }: Stage) => `${timeOf(done.low)} to ${timeOf(done.high)}`,
  },
]
type Tool = Rehearsal['tools'][number]
const shared = computed(() => rehearsal.value?.tools.filter(({ queue }) => queue.high > 0) ?? [])
const minutes = (number: number) => (number < 0.5 ? 'less than 1' : String(Math.round(number)))
const TOOLS = [
  { key: 'name', head: 'Shared', text: ({ name }: Tool) => name },
  { key: 'queue', head: 'Longest queue', number: true, text: ({ queue }: Tool) => `${queue.low} to ${queue.high}` },
  { key: 'waited', head: 'Each waits, min', number: true, text: ({ waited }: Tool) => minutes(waited) },
]
const waits = computed(() => {
  const { dried = 0, idle = 0 } = rehearsal.value ?? {}
  const parts = [
    ...(dried >= 0.5 ? [`${count(Math.round(dried), 'minute')} for something to dry`] : []),
    ...(idle >= 0.5 ? [`${count(Math.round(idle), 'minute')} for the next card to be shown`] : []),
  ]
  return parts.length > 0 ? `On average a student waits ${parts.join(' and ')}.` : ''
})

function take(remedies: WeighedRemedy[]) {
  const used = usedProfiles(work.prepared)
  work.edit(`take ${remedies.map(({ key }) => key).join()}`, document => takeRemedies(document, remedies, used))
}
</script>

<template>
  <NeedsCards v-if="work.batch.cards.length === 0" what="An evening is rehearsed with cards." />
  <div v-else class="evening">
    <div class="stack main">
      <section class="board stack" aria-label="Does the class fit?" aria-live="polite">
        <Message v-if="evening.failed !== undefined" severity="error" :closable="false">
          The evening could not be rehearsed: {{ evening.failed }}
        </Message>
        <p v-else-if="!rehearsal" class="quiet">
          Rehearsing the evening …
        </p>
        <template v-else-if="!hasMakers">
          <h2>Nobody makes anything yet</h2>
          <p>Give the seats a kit, and their evening is rehearsed.</p>
        </template>
        <template v-else>
          <h2 :class="{ late: !evening.fits }">
            <Icon :name="evening.fits ? 'tabler:check' : 'tabler:alert-octagon'" aria-hidden="true" />
            {{ verdict.head }}
          </h2>
          <p>{{ verdict.words }}</p>
          <EveningChart :rehearsal :time-of="timeOf" />
          <p class="small quiet">
            The broken line:
            {{ isTimed ? timeOf(rehearsal.until) : `minute ${rehearsal.until}` }}, when clearing up begins.
          </p>
          <FigureTable :rows="rehearsal.stages" :columns="STAGES" label="Cards of the evening" />
          <FigureTable v-if="shared.length > 0" :rows="shared" :columns="TOOLS" label="Queues" />
          <p v-if="waits" class="small">
            {{ waits }}
          </p>
          <p class="small quiet">
            {{ count(rehearsal.students, 'student') }} work through what their bags leave to do, each at their own pace.
            A card is shown once three of four are done with the one before; anyone still working looks up while it is
            shown.
          </p>
        </template>
      </section>
    </div>
    <div class="stack side">
      <RemedyList
        v-if="evening.advice && hasMakers"
        :advice="evening.advice"
        :running="evening.isRunning"
        @take="take"
      />
      <EveningForm
        :evening="work.batch.evening"
        @change="(what, changed) => work.edit(what, document => void (document.evening = changed))"
      />
    </div>
  </div>
</template>

<style scoped>
.evening { display: grid; grid-template-columns: minmax(0, 1fr); gap: 1rem; align-items: start; }
.main, .side { min-width: 0; }
h2 { display: flex; gap: 0.4rem; align-items: center; font-size: 1.125rem; margin: 0; }
.late { color: var(--stop); }
p { margin: 0; }
@media (min-width: 1000px) { .evening { grid-template-columns: minmax(0, 1fr) clamp(20rem, 32vw, 27rem); } }
</style>
