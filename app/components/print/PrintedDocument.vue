<script setup lang="ts">
import type { Printout } from '../../../core/printed'
import { PAGES } from '../../../core/printed'

/** A print on screen, as the browser prints it and as a PDF: three ways to one description. */
const { print, back, file } = defineProps<{
  print: Printout
  back: string
  /** Name of the PDF, without its ending. */
  file: string
}>()
const paper = defineModel<Printout['paper']>('paper', { required: true })
const PAPERS = [
  { value: 'LETTER', label: 'Letter' },
  { value: 'A4', label: 'A4' },
] as const
const busy = ref(false)
const toast = useToast()

/** What sets the PDF is large: it is fetched while the page is looked at. */
onMounted(() => requestIdleCallback(() => void import('../../printed/pdf').then(({ warmUp }) => warmUp())))

async function download() {
  busy.value = true
  try {
    const { pdfOf } = await import('../../printed/pdf')
    saveBlob(await pdfOf(print), `${file}.pdf`)
  }
  catch (error) {
    toast.add({ severity: 'error', summary: `The PDF could not be made: ${String(error)}`, life: 10_000 })
  }
  finally {
    busy.value = false
  }
}
const printNow = () => window.print()
const quoted = (text: string) => JSON.stringify(text).replaceAll('<', '\\3c ')
useHead({
  title: computed(() => `${print.name} · ${print.of}`),
  style: [
    {
      innerHTML: computed(
        () => (print.labels
          ? `@page { size: ${print.paper === 'A4' ? 'A4' : 'letter'} portrait; margin: 0; }`
          : `@page { size: ${print.paper === 'A4' ? 'A4' : 'letter'} portrait; margin: 16mm 12mm 12mm; `
            + `@top-left { content: ${quoted(`${print.name} · ${print.of}`)}; font: 8.5pt 'Source Sans 3', sans-serif; } `
            + `@top-right { content: counter(page) ' of ' counter(pages); font: 8.5pt 'Source Sans 3', sans-serif; } }`),
      ),
    },
  ],
})
</script>

<template>
  <div class="document">
    <nav class="row bar" aria-label="Printing">
      <Button label="Printout" @click="printNow" />
      <Button label="Save as PDF" :loading="busy" @click="download" />
      <OneOf v-model="paper" :options="[...PAPERS]" size="small" aria-label="Paper of the printer" />
      <slot />
      <Button as="router-link" :to="back" label="Back to the class" severity="secondary" outlined />
    </nav>
    <h1>{{ print.name }} <span class="quiet">{{ print.of }}</span></h1>
    <div
      v-for="(sheet, index) in print.labels ?? []"
      :key="`sheet ${index}`"
      class="sheet"
      :style="{ width: `${PAGES[print.paper].width}pt`, height: `${PAGES[print.paper].height}pt` }"
    >
      <div
        v-for="(label, at) in sheet"
        :key="at"
        class="label-cell"
        :style="{ left: `${label.x}pt`, top: `${label.y}pt`, width: `${label.width}pt`, height: `${label.height}pt` }"
      >
        <p v-for="(words, line) in label.lines" :key="line">
          {{ words }}
        </p>
      </div>
    </div>
    <!-- A table, because only its head is said again on every page that a section runs on to. -->
    <table
      v-for="(section, index) in print.sections"
      :key="section.heading + index"
      role="presentation"
      class="section"
      :class="{ 'own-page': section.page && index > 0 }"
    >
      <thead>
        <tr>
          <td><h2>{{ section.heading }}</h2></td>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>
            <PrintedBlock v-for="(block, at) in section.blocks" :key="at" :block />
          </td>
        </tr>
      </tbody>
    </table>
    <Cautions v-if="!print.labels" class="cautions" />
    <Toast position="bottom-right" />
  </div>
</template>

<style scoped>
.bar { margin-bottom: 5mm; }
h1 { font-size: 1.25rem; margin-bottom: 2mm; }
h1 .quiet { font-weight: 400; font-size: 1rem; }
h2 { font-size: 1.25rem; }
.section > * > tr > td { border: 0; padding: 0; }
.section > thead td { padding: 3mm 0 1mm; }
.section > tbody > tr { break-inside: auto; }
.cautions { margin-top: 5mm; break-inside: avoid; }
.sheet {
  position: relative; overflow: hidden; background: #fff; color: #000; margin-bottom: 5mm;
  outline: 1px solid var(--line);
}
.label-cell {
  position: absolute; overflow: hidden; padding: 5pt 8pt; outline: 1px dotted #999;
  display: flex; flex-direction: column; justify-content: center; font-size: 9pt; line-height: 1.25;
}
.label-cell p { margin: 0; }
.label-cell p:first-child { font-weight: 600; font-size: 13pt; }
@media screen { .sheet { zoom: 0.9; } }
@media print {
  .own-page { break-before: page; }
  .bar, h1 { display: none; }
  .sheet { outline: 0; margin: 0; }
  .sheet + .sheet { break-before: page; }
  .label-cell { outline: 0; }
}
</style>
