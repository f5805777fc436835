<script setup lang="ts">
import type { ClassDetails } from '../../../core/document'

const work = useClassStore()
const editing = ref(false)
const details = computed(() => work.batch.class)
const day = computed(() =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }).format(
    new Date(`${details.value.date}T00:00:00Z`),
  ),
)

function take(changed: ClassDetails) {
  work.edit('class details', (document) => {
    document.class = changed
  })
  editing.value = false
}
</script>

<template>
  <div class="spread">
    <div>
      <h1>{{ details.title }}</h1>
      <p class="quiet">
        {{ day }} · {{ count(details.seats, 'seat') }} and {{ count(details.spares, 'spare') }}, {{ details.delivery }} ·
        {{ details.units === 'inch' ? 'inches' : 'millimetres' }}
        <Button
          label="Change"
          link
          class="change"
          @click="editing = true"
        />
      </p>
    </div>
    <div class="row">
      <SaveMark />
      <Button
        v-tooltip.bottom="'Take back (Ctrl Z)'"
        text
        severity="secondary"
        aria-label="Take back the last change"
        :disabled="!work.canUndo"
        @click="work.undo()"
      >
        <Icon name="tabler:arrow-back-up" />
      </Button>
      <Button
        v-tooltip.bottom="'Do it again (Ctrl Shift Z)'"
        text
        severity="secondary"
        aria-label="Do the change again"
        :disabled="!work.canRedo"
        @click="work.redo()"
      >
        <Icon name="tabler:arrow-forward-up" />
      </Button>
      <Button
        as="a"
        :href="`/api/classes/${work.id}/file`"
        label="Export"
        severity="secondary"
        outlined
        download
      />
    </div>
  </div>
  <SaveNotes />
  <LazyClassDetailsDialog
    v-if="editing"
    :details="details"
    @close="editing = false"
    @take="take"
  />
</template>

<style scoped>
.change { padding: 0 0.25rem; }
</style>
