<script setup lang="ts">
import type { ClassDetails } from '../../../core/document'

/**
 * One line: what class it is on the left; saving, the way back and everything else that can be done with it on the
 * right.
 */
const work = useClassStore()
const toast = useToast()
const editing = ref(false)
const details = computed(() => work.batch.class)
const seats = computed(
  () => count(details.value.seats, 'seat') + (details.value.spares > 0 ? ` + ${details.value.spares} spare` : ''),
)
const menu = useTemplateRef('menu')
const actions = computed(() => [
  { label: 'Change the class', command: () => (editing.value = true) },
  { label: 'Export as a file', command: () => window.open(`/api/classes/${work.id}/file`, '_self') },
  ...(work.batch.roster.some(({ name, notes }) => name || notes)
    ? [{ label: 'Export with names', command: () => window.open(`/api/classes/${work.id}/file?names=yes`, '_self') }]
    : []),
  { separator: true },
  ...[
    ['Print everything, or choose', ''],
    ['Print the cutting sheets', 'cutting'],
    ['Print the score cards', 'scores'],
    ['Print the bag lists', 'kits'],
    ['Print the piece lists', 'pieces'],
    ['Print the stamping masks', 'masks'],
    ['Print labels', 'labels'],
  ].map(([label, page]) => ({ label, command: () => navigateTo(`/print/${work.id}${page && `/${page}`}`) })),
  { separator: true },
  { label: 'Save the calendar', command: saveCalendar },
  { label: 'Student page', command: () => window.open(`/api/classes/${work.id}/student`, '_blank') },
  { label: 'Save the student page', command: () => window.open(`/api/classes/${work.id}/student?save=yes`, '_self') },
])

async function saveCalendar() {
  const planner = usePlannerStore()
  const { kits } = planner
  if (!kits)
    return toast.add({
      severity: 'info', summary: 'Its minutes follow when the cutting is planned. Try again in a moment.', life: 6000,
    })
  const { classCalendar } = await import('../../printed/calendar')
  saveText(await classCalendar(work.prepared, planner.outcomes, kits, `class-${work.id}`), 'class.ics', 'text/calendar')
}
function take(changed: ClassDetails) {
  work.edit('class details', (document) => {
    document.class = changed
  })
  editing.value = false
}
</script>

<template>
  <div class="line">
    <h1 :title="details.title">
      {{ details.title }}
    </h1>
    <p class="quiet about">
      {{ dayInWords(details.date, 'EEE d MMM yyyy') }} · {{ seats }}, {{ details.delivery }}
      <Button label="Change" link class="change" @click="editing = true" />
    </p>
    <div class="tools">
      <SaveMark />
      <IconButton
        icon="tabler:arrow-back-up"
        tip="Take back (Ctrl Z)"
        label="Take back the last change"
        :disabled="!work.canUndo"
        @click="work.undo()"
      />
      <IconButton
        icon="tabler:arrow-forward-up"
        tip="Do it again (Ctrl Shift Z)"
        label="Do the change again"
        :disabled="!work.canRedo"
        @click="work.redo()"
      />
      <IconButton icon="tabler:menu-2" label="More for this class" aria-haspopup="menu" @click="menu?.toggle($event)" />
      <Menu ref="menu" :model="actions" popup />
    </div>
  </div>
  <SaveNotes />
  <LazyClassDetailsDialog v-if="editing" :details @close="editing = false" @take="take" />
</template>

<style scoped>
.line { display: flex; align-items: center; gap: 0 0.9rem; min-height: 2.2rem; flex: none; }
h1 {
  font-size: 1.25rem; overflow: hidden; text-overflow: ellipsis; white-space: nowrap;
  min-width: 6rem; flex: 0 1 auto;
}
.about { white-space: nowrap; flex: none; }
.change { padding: 0 0.25rem; }
.tools { margin-left: auto; display: flex; align-items: center; gap: 0.1rem; flex: none; }
@media (max-width: 999px) {
  .line { flex-wrap: wrap; }
  h1 { flex: 1 1 60%; }
  .about { order: 3; flex-basis: 100%; white-space: normal; }
}
</style>
