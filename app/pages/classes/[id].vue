<script setup lang="ts">
import { itemAt } from '../../../core/lists'
import { onKeyStroke } from '@vueuse/core'
import { STATIONS } from '../../composables/useStations'

const route = useRoute()
const router = useRouter()
const work = useClassStore()
provideMeasures(() => work.units, () => work.prepared.cutter.mark)
const shelf = usePapersStore()
const opened = computed(() => work.document !== undefined)
const missing = ref('')
const id = computed(() => Number(route.params.id))

watch(id, async (wanted) => {
  missing.value = ''
  try {
    await work.open(wanted)
  }
  catch (error) {
    // Another class may have been asked for meanwhile.
    if (wanted === id.value) missing.value = refusalOf(error).message
  }
}, { immediate: true })
onMounted(() => work.listen())
onBeforeUnmount(() => {
  work.leave()
  void work.save()
})

const typing = (event: Event) => (event.target as HTMLElement).closest('input, textarea')
onKeyStroke(event => (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z', (event) => {
  // A text field being typed in has an undo of its own.
  if (typing(event)?.matches('textarea, [type=search]')) return
  event.preventDefault()
  if (event.shiftKey) work.redo()
  else work.undo()
})
onKeyStroke(event => event.altKey && Number(event.key) >= 1 && Number(event.key) <= STATIONS.length, (event) => {
  event.preventDefault()
  void router.push(`/classes/${id.value}/${itemAt(STATIONS, Number(event.key) - 1).key}`)
})
useHead({ title: computed(() => `${work.document?.class.title ?? 'Class'} · Wakaru`) })
</script>

<template>
  <div :class="['class', { fills: route.meta.fills }]">
    <Message v-if="missing" severity="error" :closable="false">
      {{ missing }} <NuxtLink to="/">
        Back to the classes
      </NuxtLink>
    </Message>
    <template v-else-if="opened">
      <PaperDefs :papers="shelf.papers" />
      <ClassHeader />
      <ClassTape :id />
      <NuxtPage />
      <LazyConflictDialog v-if="work.theirs" />
    </template>
    <p v-else class="quiet" aria-live="polite">
      Laying out the class …
    </p>
  </div>
</template>

<style scoped>
.class { display: flex; flex-direction: column; gap: 0.5rem; }
@media (min-width: 1000px) and (min-height: 600px) { .class.fills { flex: 1; min-height: 0; gap: 0.35rem; } }
</style>
