/** Opens the class of a print page and names the page after it. */
export function usePrintedClass(what: string) {
  const work = useClassStore()
  const planner = usePlannerStore()
  const route = useRoute()
  const missing = ref('')
  const id = Number(route.params.id)
  onMounted(async () => {
    if (work.id === id && work.document) return
    try {
      await work.open(id)
    }
    catch (error) {
      missing.value = refusalOf(error).message
    }
  })
  const size = computed(() => (work.units === 'inch' ? 'letter' : 'A4'))
  useHead({
    title: computed(() => `${what} · ${work.document?.class.title ?? ''}`),
    style: [{ innerHTML: computed(() => `@page { size: ${size.value} portrait; margin: 12mm; }`) }],
  })
  return { work, planner, missing }
}
