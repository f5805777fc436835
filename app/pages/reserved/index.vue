<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { BOUNDS } from '../../../core/document'
import type { ComingClass, Reservation, Reserved } from '../../../core/reserved'
import { boughtFor, buyingOf, inPacks } from '../../../core/reserved'

/**
 * What the classes that are coming up take from the shelf: what is short and by when, and who gets what of all that
 * lies there.
 */
const { answer, error, titleOf, money } = useReserved()
const typed = ref('')
const search = refDebounced(typed, 200)
/** Rows that are shown at once. */
const STRETCH = 25
const most = ref(STRETCH)

const list = computed(() => buyingOf(answer.value?.reserved ?? []))
const buying = computed(() => list.value.lines)
/** What one of it is called. */
const UNITS: Record<Reserved['sort'], string> = { sheet: 'sheet', offcut: 'offcut', supply: 'pack', pad: 'pad' }
const lying = computed(() => {
  const wanted = search.value.trim().toLowerCase()
  return (answer.value?.reserved ?? []).filter(({ sort, name, takes }) => (sort === 'sheet' || sort === 'offcut')
    && (!wanted || [name, ...takes.map(one => titleOf(one.class))].some(text => text.toLowerCase().includes(wanted))))
})
const shown = computed(() => lying.value.slice(0, most.value))
watch(search, () => (most.value = STRETCH))
/** Only what is shown is drawn: a shelf may be large. */
const looks = computed(() => {
  const keys = new Set([...buying.value, ...shown.value].map(({ item }) => item))
  return (answer.value?.looks ?? []).filter(({ key }) => keys.has(key))
})
const lacks = ({ short, ordered }: Reservation) => short > ordered
const shortDay = (day: string) => dayInWords(day, 'd MMM')
const dayOf = computed(() => new Map((answer.value?.classes ?? []).map(({ id, day }) => [id, day])))
/** Classes of one paper that may be cut in one go. */
const several = ({ sort, takes }: Reserved) => sort === 'sheet' && takes.length > 1
const atOnce = ({ item, takes }: Reserved) => ({
  path: `/reserved/${item}`, query: { classes: takes.map(take => take.class).join(',') },
})
const KNOWN: Record<ComingClass['known'], string> = {
  'planned': '',
  'about': 'not planned to the end: its figures may be too high',
  'not yet': 'not worked out yet, or too large to be',
}
const whyOpen = ({ known, missing }: Pick<ComingClass, 'known' | 'missing'>) =>
  [KNOWN[known], missing.length > 0 ? 'not everything can be cut' : ''].filter(Boolean).join('; ')
const open = computed(() => (answer.value?.classes ?? []).filter(({ known, missing }) =>
  known !== 'planned' || missing.length > 0))
useHead({ title: 'Reserved · Wakaru' })
</script>

<template>
  <div class="stack">
    <PaperDefs :papers="looks" />
    <div class="spread">
      <div>
        <h1>Reserved</h1>
        <p class="quiet">
          What the classes that are coming up take from the shelf. Who teaches first takes first.
        </p>
      </div>
      <Button
        v-if="buying.length > 0"
        as="router-link"
        to="/print/reserved"
        label="Print what to buy"
        severity="secondary"
        outlined
      />
    </div>
    <NotRead v-if="error" what="What is reserved" :error />
    <p v-else-if="!answer" role="status">
      Looking …
    </p>
    <template v-else>
      <section v-if="answer.classes.length === 0" class="board">
        <p>
          No class is coming up: everything on the shelf is free. <NuxtLink to="/">To the classes</NuxtLink>
        </p>
      </section>
      <section v-else class="board stack" aria-label="To buy for all classes">
        <h2>To buy{{ list.cents > 0 ? ` for ${money(list.cents)}` : '' }}</h2>
        <p v-if="buying.length === 0">
          Nothing: everybody has theirs.
        </p>
        <ul v-else class="lines">
          <FewOf v-slot="{ one: line }" :all="buying" :few="STRETCH" foot="li">
            <li>
              <PaperSwatch v-if="line.sort !== 'supply'" :paper="line.item" /><span v-else />
              <span class="what">
                <strong>{{ line.name }}</strong>
                <span v-if="line.width" class="quiet">{{ ' ' }}<SheetText v-bind="writtenSize(line)" /></span>
                <span class="quiet small whom">for <FewOf v-slot="{ one: take, at }" :all="boughtFor(line)">{{
                  at > 0 ? ', ' : ''
                }}<NuxtLink :to="`/classes/${take.class}/kits`">{{ titleOf(take.class) }}</NuxtLink>
                  ({{ take.count }})</FewOf></span>
              </span>
              <span class="figure"><strong>{{ line.toBuy }}</strong>{{ ' ' }}
                <span class="quiet small">{{ UNITS[line.sort] }}{{ line.toBuy === 1 ? '' : 's' }}<template
                  v-if="inPacks(line)"
                >, {{ inPacks(line) }}</template></span></span>
              <span class="figure small">{{ line.by ? `by ${shortDay(line.by)}` : '' }}</span>
              <span class="figure">{{ line.cost === null ? 'not for sale' : money(line.cost) }}</span>
            </li>
          </FewOf>
        </ul>
      </section>
      <section v-if="open.length > 0" class="board" aria-label="Classes that are not known exactly">
        <FewOf v-slot="{ one }" :all="open">
          <p class="small">
            <NuxtLink :to="`/classes/${one.id}/cutting`">{{ one.title }}</NuxtLink>:
            {{ whyOpen(one) }}.
          </p>
        </FewOf>
      </section>
      <section v-if="answer.reserved.length > 0" class="board stack" aria-label="What lies there and for whom">
        <div class="spread">
          <h2>What lies there, and for whom</h2>
          <InputText
            v-model="typed"
            type="search"
            placeholder="Paper or class"
            aria-label="Search papers and classes"
            :maxlength="BOUNDS.title"
          />
        </div>
        <p v-if="lying.length === 0" class="quiet">
          No paper and no class is called so.
        </p>
        <ul class="lines">
          <li v-for="line in shown" :key="[line.sort, line.item, line.stock].join()" class="lies">
            <PaperSwatch :paper="line.item" />
            <span class="what">
              <strong>{{ line.name }}</strong>
              <span class="quiet"><template v-if="line.sort === 'offcut'"> offcut </template>
                {{ ' ' }}<SheetText v-bind="writtenSize(line)" /></span>
              <NuxtLink v-if="several(line)" class="small at-once" :to="atOnce(line)">Cut for all at once?</NuxtLink>
            </span>
            <span class="figure small">{{ line.onHand }} on hand</span>
            <span class="takes small">
              <FewOf v-slot="{ one: take }" :all="line.takes" :before="lacks">
                <span :class="{ lacks: lacks(take) }">
                  <span class="quiet">{{ shortDay(dayOf.get(take.class) ?? '') }}</span>
                  {{ titleOf(take.class) }}: <strong>{{ take.count }}</strong>{{
                    take.short > 0 ? `, ${take.short} short` : '' }}{{
                    take.ordered > 0 ? `, ${take.ordered} on the way` : '' }}
                </span>
              </FewOf>
            </span>
            <span class="figure small">{{ line.left }} left</span>
          </li>
        </ul>
        <div v-if="lying.length > shown.length" class="row">
          <Button label="Show more" severity="secondary" outlined @click="most += STRETCH" />
          <span class="quiet">{{ shown.length }} of {{ lying.length }}</span>
        </div>
      </section>
      <p v-if="answer.pending" class="quiet small" role="status">
        Some of it is being worked out anew …
      </p>
    </template>
  </div>
</template>

<style scoped>
.lines { list-style: none; margin: 0; padding: 0; }
.lines li {
  display: grid; grid-template-columns: 30px minmax(0, 1fr) 8.5rem 5.5rem 6.5rem; gap: 0.2rem 0.8rem;
  align-items: center;
  border-top: 1px solid var(--line); padding: 0.4rem 0; min-height: 44px;
}
.lines li.lies { grid-template-columns: 30px minmax(0, 16rem) 6rem minmax(0, 1fr) 4.5rem; }
.what { overflow-wrap: anywhere; }
.whom, .at-once { display: block; }
.figure { text-align: right; font-variant-numeric: tabular-nums; }
.takes { display: grid; gap: 0.1rem; }
.lacks { color: var(--stop); }
@media (max-width: 700px) {
  .lines li, .lines li.lies { grid-template-columns: 30px minmax(0, 1fr) auto; }
  .lines li > .figure:last-child { grid-column: 3; }
  .takes { grid-column: 1 / -1; grid-row: 2; }
}
</style>
