import type { Printout, PrintSection } from '../../core/printed'
import { SCALE_BAR } from '../printed/scale'

export type PrintedPage = ReturnType<typeof usePrintedClass>

/** Opens the class of a print page and makes a print of its sections. */
export function usePrintedClass(name: string) {
  const work = useClassStore()
  provideMeasures(() => work.units, () => work.prepared.cutter.mark)
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
  const chosen = ref<Printout['paper']>()
  const paper = computed({
    get: () => chosen.value ?? (work.units === 'inch' ? 'LETTER' : 'A4'), set: value => (chosen.value = value),
  })
  const printOf = (sections: PrintSection[], scaled = false): Printout => ({
    name,
    of: `${work.batch.class.title}, ${dayInWords(work.batch.class.date, 'd MMMM yyyy')}`,
    paper: paper.value,
    sections: sections.map((section, at) =>
      scaled && at === sections.length - 1
        ? { ...section, blocks: [...section.blocks, SCALE_BAR[work.units]] }
        : section,
    ),
  })
  const file = computed(() =>
    `${name}-${work.document?.class.title ?? ''}`
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, ''),
  )
  return { work, planner, missing, paper, printOf, file }
}
