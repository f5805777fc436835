<script setup lang="ts">
import type { ListedClass } from '../../composables/useClassList'

const { entry, past = false } = defineProps<{ entry: ListedClass, past?: boolean }>()
const emit = defineEmits<{ copy: [] }>()
const confirm = useConfirm()
const toast = useToast()
const turn = useClassTurn()
const menu = useTemplateRef('menu')

const day = computed(() => {
  const date = new Date(`${entry.date}T00:00:00Z`)
  const part = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...options }).format(date)
  return { weekday: part({ weekday: 'short' }), number: part({ day: 'numeric' }), month: part({ month: 'short', year: 'numeric' }) }
})

const state = computed(() => {
  if (entry.pending) return { word: '…', icon: 'tabler:circle-dashed', kind: 'open' }
  if (entry.cards.length === 0) return { word: 'no cards yet', icon: 'tabler:circle-dashed', kind: 'open' }
  if (entry.stops > 0) return { word: `${entry.stops} to settle`, icon: 'tabler:alert-octagon', kind: 'stop' }
  return past
    ? { word: 'taught', icon: 'tabler:archive', kind: 'done' }
    : { word: 'pieces settled', icon: 'tabler:circle-check', kind: 'done' }
})

const actions = [
  { label: 'Copy to a new class', command: () => emit('copy') },
  { label: 'Export as batch file', command: () => window.open(`/api/classes/${entry.id}/file`, '_self') },
  { label: 'Delete', command: askToDelete },
]

function askToDelete() {
  confirm.require({
    header: 'Delete this class?',
    message: `“${entry.title}” and its cards go into the bin for 30 days and can be brought back. `
      + 'Papers stay on the shelf.',
    acceptLabel: 'Delete class',
    rejectLabel: 'Keep it',
    rejectProps: { severity: 'secondary', outlined: true },
    accept: remove,
  })
}

async function remove() {
  try {
    const { bin } = await $fetch<{ bin: number }>(`/api/classes/${entry.id}`, { method: 'DELETE' })
    toast.add({ severity: 'info', summary: `“${entry.title}” was deleted.`, group: 'undo', life: 20_000, detail: String(bin) })
  }
  catch (error) {
    toast.add({ severity: 'error', summary: refusalOf(error).message, life: 8000 })
  }
  turn.value++
}
</script>

<template>
  <article class="entry">
    <div
      class="day"
      aria-hidden="true"
    >
      <span>{{ day.weekday }}</span>
      <strong>{{ day.number }}</strong>
      <span>{{ day.month }}</span>
    </div>
    <div class="what">
      <h3>
        <NuxtLink :to="`/classes/${entry.id}/cards`">{{ entry.title }}</NuxtLink>
      </h3>
      <p class="quiet">
        <time
          :datetime="entry.date"
          class="unseen"
        >{{ day.weekday }} {{ day.number }} {{ day.month }}</time>
        <template v-if="entry.pending">
          figures are being worked out …
        </template>
        <template v-else>
          {{ entry.seats }} seats and {{ entry.spares }} {{ entry.spares === 1 ? 'spare' : 'spares' }}, {{ entry.delivery }}
        </template>
      </p>
    </div>
    <p class="cards">
      {{ entry.cards.join(' · ') || '–' }}
      <span
        v-if="!entry.pending"
        class="quiet small"
      >{{ entry.kits }} kits of {{ entry.pieces }} pieces</span>
    </p>
    <p :class="['state', state.kind]">
      <Icon
        :name="state.icon"
        aria-hidden="true"
      /> {{ state.word }}
    </p>
    <div>
      <Button
        text
        severity="secondary"
        :aria-label="`More for ${entry.title}`"
        aria-haspopup="menu"
        @click="menu?.toggle($event)"
      >
        <Icon name="tabler:dots-vertical" />
      </Button>
      <ClientOnly>
        <Menu
          ref="menu"
          :model="actions"
          popup
        />
      </ClientOnly>
    </div>
  </article>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: 5.5rem minmax(14rem, 1.3fr) minmax(12rem, 1.2fr) 10rem auto;
  gap: 1.25rem;
  align-items: center;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0.7rem 1rem;
  margin-bottom: 0.6rem;
  min-height: 5.4rem;
}
.day {
  display: grid;
  justify-items: center;
  line-height: 1.1;
  font-size: var(--small);
  color: var(--quiet);
  padding-right: 1.1rem;
  background: var(--score-upright) right / 1px 100% no-repeat;
}
.day strong {
  font-size: 1.75rem;
  color: var(--ink);
  font-weight: 600;
}
.what h3 {
  font-size: 1.2rem;
}
.what a {
  color: var(--ink);
  text-decoration-color: var(--accent);
  text-underline-offset: 3px;
}
.cards {
  display: grid;
}
.state {
  display: flex;
  align-items: center;
  gap: 0.4rem;
  font-weight: 600;
}
.state.stop {
  color: var(--stop);
}
.state.open,
.state.done {
  color: var(--quiet);
}
@media (max-width: 900px) {
  .entry {
    grid-template-columns: 4.5rem 1fr auto;
  }
  .cards,
  .state {
    grid-column: 2;
  }
}
</style>
