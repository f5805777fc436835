<script setup lang="ts">
import type { ListedClass } from '../composables/useClasses'

const { data: classes, refresh, error } = await useClasses()
// The day is taken where the page is first made, so that server and browser agree; then it is the maker's.
const today = useState('today', () => localDay())
onMounted(() => (today.value = localDay()))
const upcoming = computed(() => (classes.value ?? []).filter(({ date }) => date >= today.value))
const past = computed(() => (classes.value ?? []).filter(({ date }) => date < today.value).reverse())

const starting = ref(false)
const copying = ref<ListedClass>()
useHead({ title: 'Classes · Wakaru' })
</script>

<template>
  <div class="stack">
    <div class="spread">
      <h1>Classes</h1>
      <div class="row">
        <ImportButton @imported="refresh()" />
        <Button
          label="New class"
          @click="starting = true"
        />
      </div>
    </div>
    <NotRead
      v-if="error"
      what="The classes"
      :error="error"
    />
    <section
      v-else-if="classes?.length === 0"
      class="board empty"
    >
      <h2>No classes yet</h2>
      <p>
        Start with a class: its day, its seats and the cards you want to teach. Wakaru works out every piece, plans the
        cutting and packs the kits.
      </p>
      <Button
        label="Make the first class"
        @click="starting = true"
      />
    </section>
    <template v-else>
      <section aria-labelledby="coming">
        <h2
          id="coming"
          class="section"
        >
          Coming up
        </h2>
        <p
          v-if="upcoming.length === 0"
          class="quiet"
        >
          Nothing is coming up. Start a new class or copy an old one.
        </p>
        <ClassRow
          v-for="entry in upcoming"
          :key="entry.id"
          :entry="entry"
          @copy="copying = entry"
          @changed="refresh()"
        />
      </section>
      <section
        v-if="past.length > 0"
        aria-labelledby="past"
      >
        <h2
          id="past"
          class="section"
        >
          Taught
        </h2>
        <ClassRow
          v-for="entry in past"
          :key="entry.id"
          :entry="entry"
          past
          @copy="copying = entry"
          @changed="refresh()"
        />
      </section>
    </template>
    <LazyNewClassDialog
      v-if="starting"
      @close="starting = false"
    />
    <LazyCopyClassDialog
      v-if="copying"
      :entry="copying"
      @close="copying = undefined"
    />
  </div>
</template>

<style scoped>
.section { margin: 0.75rem 0 0.5rem; }
.empty { max-width: 38rem; display: grid; gap: 0.9rem; justify-items: start; }
</style>
