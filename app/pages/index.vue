<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { BOUNDS } from '../../core/document'
import type { ListedClass } from '../composables/useClassList'

const today = ref(localDay())
const typed = ref('')
const search = refDebounced(typed, 200)
const turn = useClassTurn()
const counts = reactive({ coming: -1, past: -1 })
const errors = reactive<Record<string, unknown>>({})
const error = computed(() => errors.coming ?? errors.past)
/** Both lists are shown at once, so that neither pushes the other. */
const ready = computed(() => counts.coming >= 0 && counts.past >= 0)
const isEmpty = computed(() => search.value === '' && counts.coming === 0 && counts.past === 0)

const menu = useTemplateRef('menu')
const actions = [
  { label: 'Bin: what was deleted', command: () => (binOpen.value = true) },
  { label: 'Export everything', command: () => window.open('/api/archive', '_self') },
]

const starting = ref(false)
const binOpen = ref(false)
const copying = ref<ListedClass>()
const WHAT
  = 'Wakaru works out every piece of the cards you teach, plans how to cut them from your sheets, and packs a bag for each seat.'
const { begin } = useTour()
const toast = useToast()
/** Puts the worked example among the classes and shows the maker round in it. */
async function example() {
  try {
    await begin()
  }
  catch (reason) {
    toast.add({ severity: 'error', summary: refusalOf(reason).message, life: 8000 })
  }
}
useHead({ title: 'Classes · Wakaru' })
</script>

<template>
  <div class="stack">
    <div class="head">
      <div class="what">
        <h1>Classes</h1>
        <p class="quiet">
          {{ WHAT }}
        </p>
      </div>
      <div class="row">
        <InputText
          v-if="!isEmpty"
          v-model="typed"
          type="search"
          placeholder="Search"
          aria-label="Search classes"
          :maxlength="BOUNDS.title"
        />
        <Button label="Studio" text severity="secondary" aria-haspopup="menu" @click="menu?.toggle($event)" />
        <Menu ref="menu" :model="actions" popup />
        <ImportButton @imported="turn++" />
        <Button label="New class" @click="starting = true" />
      </div>
    </div>
    <NotRead v-if="error" what="The classes" :error />
    <LazyFirstSteps v-else-if="isEmpty" @example="example" @empty="starting = true" />
    <div v-show="!error && ready && !isEmpty">
      <ClassSection
        when="coming"
        head="Coming up"
        :none="
          search
            ? 'Nothing that is coming up is called so.'
            : 'Nothing is coming up. Start a new class or copy an old one.'
        "
        :search
        :today
        @copy="copying = $event"
        @counted="counts.coming = $event"
        @failed="errors.coming = $event"
      />
      <ClassSection
        when="past"
        head="Taught"
        :none="search ? 'Nothing that was taught is called so.' : ''"
        :search
        :today
        @copy="copying = $event"
        @counted="counts.past = $event"
        @failed="errors.past = $event"
      />
    </div>
    <LazyNewClassDialog v-if="starting" @close="starting = false" />
    <LazyCopyClassDialog v-if="copying" :entry="copying" @close="copying = undefined" />
    <LazyBinDialog v-if="binOpen" @close="binOpen = false" />
  </div>
</template>

<style scoped>
.head { display: flex; flex-wrap: wrap; gap: 0.5rem 1rem; align-items: center; }
.what { flex: 1 1 22rem; }
</style>
