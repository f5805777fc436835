<script setup lang="ts">
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays'
import { parseISO } from 'date-fns/parseISO'
import { BOUNDS } from '../../../core/document'
import type { ListedClass } from '../../composables/useClassList'

const { entry, past = false } = defineProps<{ entry: ListedClass, past?: boolean }>()
const emit = defineEmits<{ copy: [] }>()
const ask = useAsk()
const toast = useToast()
const turn = useClassTurn()
const menu = useTemplateRef('menu')

const day = computed(() => {
  const date = new Date(`${entry.date}T00:00:00Z`)
  const part = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...options }).format(date)
  return {
    weekday: part({ weekday: 'short' }), number: part({ day: 'numeric' }),
    month: part({ month: 'short', year: 'numeric' }),
  }
})

const days = computed(() => {
  const left = differenceInCalendarDays(parseISO(entry.date), new Date())
  return left === 0
    ? 'today'
    : left === 1
      ? 'tomorrow'
      : left > 0
        ? `in ${left} days`
        : left === -1
          ? 'yesterday'
          : `${-left} days ago`
})
const short = computed(() => entry.short.map(({ paper, sheets }) => `${sheets} ${paper}`).join(', '))

const actions = [
  { label: 'Copy to a new class', command: () => emit('copy') },
  { label: 'Export as a file', command: () => window.open(`/api/classes/${entry.id}/file`, '_self') },
  { label: 'Delete', command: askToDelete },
]

function askToDelete() {
  void ask({
    header: 'Delete this class?',
    message: `“${entry.title}” and its cards go into the bin for 30 days and can be brought back. `
      + 'Papers stay on the shelf.',
    yes: 'Delete class',
    accept: remove,
  })
}

async function remove() {
  try {
    const { bin } = await $fetch<{ bin: number }>(`/api/classes/${entry.id}`, { method: 'DELETE' })
    toast.add({
      severity: 'info', summary: `“${entry.title}” was deleted.`, group: 'undo', life: 20_000, detail: String(bin),
    })
  }
  catch (error) {
    toast.add({ severity: 'error', summary: refusalOf(error).message, life: 8000 })
  }
  turn.value++
}
</script>

<template>
  <article class="entry">
    <div class="day" aria-hidden="true">
      <span>{{ day.weekday }}</span>
      <strong>{{ day.number }}</strong>
      <span>{{ day.month }}</span>
    </div>
    <div class="what">
      <h3>
        <NuxtLink :to="`/classes/${entry.id}/cards`">{{ entry.title }}</NuxtLink>
      </h3>
      <p class="quiet">
        <time :datetime="entry.date" class="unseen">{{ day.weekday }} {{ day.number }} {{ day.month }}, </time>
        <template v-if="entry.unknown === 'yet'">
          figures are being worked out …
        </template>
        <template v-else-if="entry.unknown">
          too large for its figures to be shown here
        </template>
        <template v-else>
          {{ days }} · {{ count(entry.seats, 'seat') }}{{ entry.spares ? ` + ${entry.spares} spare` : '' }},
          {{ entry.delivery }}
          <template v-if="entry.pending">
            · being worked out anew …
          </template>
        </template>
      </p>
    </div>
    <ul v-if="entry.cards.length > 0" class="cards" :aria-label="`Cards of ${entry.title}`">
      <li v-for="card in entry.cards.slice(0, BOUNDS.pictures)" :key="card.title">
        <LazyCardPicture
          :fold="card.fold"
          :units="entry.units"
          :colours="card.colours"
          :picture="card.picture"
          :title="card.title"
        />
      </li>
      <li v-if="entry.cards.length > BOUNDS.pictures" class="quiet">
        + {{ entry.cards.length - BOUNDS.pictures }}
      </li>
    </ul>
    <p v-else class="cards quiet">
      {{ entry.unknown ? '' : 'no cards yet' }}
    </p>
    <div class="next">
      <p v-if="past" class="quiet">
        taught
      </p>
      <NuxtLink v-else-if="entry.unknown !== 'yet'" :to="`/classes/${entry.id}/${entry.next.station}`">
        <Icon
          :name="entry.stops > 0 ? 'tabler:alert-octagon' : 'tabler:arrow-right'"
          :class="{ stop: entry.stops > 0 }"
          aria-hidden="true"
        /> {{ entry.next.words }}
      </NuxtLink>
      <p v-if="!past && short" class="small">
        To buy, at least: {{ short }}
      </p>
      <p v-else-if="!entry.unknown" class="quiet small">
        {{ count(entry.bags, 'bag') }}, {{ count(entry.pieces, 'piece') }}
      </p>
    </div>
    <div>
      <IconButton
        icon="tabler:dots-vertical"
        :label="`More for ${entry.title}`"
        aria-haspopup="menu"
        @click="menu?.toggle($event)"
      />
      <ClientOnly>
        <Menu ref="menu" :model="actions" popup />
      </ClientOnly>
    </div>
  </article>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: 5.5rem minmax(12rem, 1.2fr) minmax(12rem, 1fr) minmax(11rem, 0.9fr) auto;
  gap: 0.5rem 1.25rem;
  align-items: center;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0.5rem 1rem;
  margin-bottom: 0.5rem;
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
.what { min-width: 0; overflow-wrap: anywhere; }
.cards {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
  list-style: none;
  margin: 0;
  padding: 0;
  min-height: 4.4rem;
}
.next {
  display: grid;
  gap: 0.15rem;
}
.next a {
  font-weight: 600;
  display: flex;
  align-items: center;
  gap: 0.35rem;
}
.next .stop {
  color: var(--stop);
}
@media (pointer: coarse) {
  .next a, .what a { min-height: 44px; display: flex; align-items: center; }
}
@media (max-width: 999px) {
  .entry {
    grid-template-columns: 4.5rem minmax(0, 1fr) auto;
  }
  .cards {
    grid-column: 2;
  }
  .next {
    grid-column: 2;
  }
}
@media (max-width: 560px) {
  .entry {
    grid-template-columns: 3.6rem minmax(0, 1fr) auto; padding: 0.5rem 0.4rem 0.5rem 0.6rem;
    gap: 0.4rem 0.6rem;
  }
  .day { padding-right: 0.5rem; }
}
</style>
