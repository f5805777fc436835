<script setup lang="ts">
import { bagsOf, isSeat, seatOf, withSeat } from '../../../core/batch'
import type { Problem, SeatEntry } from '../../../core/document'
import { BOUNDS } from '../../../core/document'

/** The names of a class at once: one a line in the order of the seats, or from a CSV file; also given out as one. */
const visible = defineModel<boolean>('visible', { required: true })
const work = useClassStore()
const id = useId()
const text = ref('')
const problems = ref<Problem[]>([])
const chooser = useTemplateRef('chooser')
const seats = computed(() => bagsOf(work.batch).filter(isSeat))

watch(visible, (shown) => {
  if (!shown) return
  problems.value = []
  text.value = seats.value.map(key => seatOf(work.batch, key).name).join('\n').trimEnd()
})

const put = (entries: SeatEntry[], what: string) => work.edit(what, (document) => {
  document.roster = entries.reduce((roster, seat) => withSeat(roster, seat), document.roster)
})
function take() {
  const lines = text.value.split(/\r?\n/).map(line => line.trim())
  while (lines.at(-1) === '') lines.pop()
  const long = lines.findIndex(line => line.length > BOUNDS.title)
  problems.value = lines.length > seats.value.length
    ? [{ path: `line ${seats.value.length + 1}`,
        problem: `has no seat left: the class has ${seats.value.length}. Raise the seats in “Class details” first.` }]
    : long >= 0 ? [{ path: `line ${long + 1}`, problem: `has more than ${BOUNDS.title} characters.` }] : []
  if (problems.value.length > 0) return
  put(seats.value.map((key, at) => ({ ...seatOf(work.batch, key), name: lines[at] ?? '' })), 'names')
  visible.value = false
}
async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > BOUNDS.form)
    return void (problems.value = [{ path: '', problem: `${file.name} is larger than any roster.` }])
  const { readRoster } = await import('../../../core/formats')
  const answer = await readRoster(await file.text(), work.batch)
  problems.value = answer.ok ? [] : answer.problems
  if (!answer.ok) return
  put(answer.value, 'roster from a file')
  visible.value = false
}
async function save() {
  const { rosterCsv } = await import('../../../core/exports')
  saveText(await rosterCsv(work.batch), 'roster.csv', 'text/csv')
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Who comes" :style="{ width: '32rem', maxWidth: '94vw' }">
    <div class="stack">
      <div class="field">
        <label :for="id">Names, one a line, in the order of the seats</label>
        <Textarea :id v-model="text" rows="12" autocomplete="off" />
      </div>
      <ul v-if="problems.length > 0" role="alert" class="wrong">
        <li v-for="{ path, problem } in problems" :key="path + problem">
          {{ [path, problem].filter(Boolean).join(' ') }}
        </li>
      </ul>
      <p class="quiet small">
        Names stay in this studio. A file of the class holds none unless you ask for them.
      </p>
      <div class="row">
        <Button label="Take these names" @click="take" />
        <Button label="From a CSV file" severity="secondary" outlined @click="chooser?.click()" />
        <Button label="Save as CSV" severity="secondary" outlined @click="save" />
        <input
          ref="chooser"
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          hidden
          aria-label="Roster file"
          @change="read"
        >
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.wrong { color: var(--stop); margin: 0; padding-left: 1.2rem; }
</style>
