<script setup lang="ts">
import type { PrintBlock } from '../../../core/printed'

/** One block of a print as a part of the page. Drawings are made by the core from figures and escaped texts alone. */
defineProps<{ block: PrintBlock }>()
</script>

<template>
  <p v-if="block.kind === 'text'" :class="{ strong: block.strong }">
    {{ block.text }}
  </p>
  <h3 v-else-if="block.kind === 'heading'">
    {{ block.text }}
  </h3>
  <component :is="block.mark === 'number' ? 'ol' : 'ul'" v-else-if="block.kind === 'list'" :class="block.mark">
    <li v-for="item in block.items" :key="item">
      {{ item }}
    </li>
  </component>
  <table v-else-if="block.kind === 'table'" :aria-label="block.name" :class="{ short: block.rows.length <= 6 }">
    <thead>
      <tr>
        <th v-for="(head, at) in block.head" :key="at" scope="col" :class="{ number: block.numbers?.includes(at) }">
          {{ head }}
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, index) in block.rows" :key="index">
        <td v-for="(cell, at) in row" :key="at" :class="{ number: block.numbers?.includes(at) }">
          {{ cell }}
        </td>
      </tr>
    </tbody>
  </table>
  <div v-else-if="block.kind === 'drawings'" class="drawings">
    <figure v-for="({ title, svg, width }, index) in block.drawings" :key="index" :style="{ width: `${width}pt` }">
      <figcaption>{{ title }}</figcaption>
      <!-- eslint-disable-next-line vue/no-v-html -- made by core/printed, which escapes every text -->
      <div v-html="svg" />
    </figure>
  </div>
  <div v-else-if="block.kind === 'together'" class="together">
    <PrintedBlock v-for="(inner, index) in block.blocks" :key="index" :block="inner" />
  </div>
  <div v-else-if="block.kind === 'side by side'" class="cells">
    <div v-for="(cell, index) in block.cells" :key="index" class="together">
      <PrintedBlock v-for="(inner, at) in cell" :key="at" :block="inner" />
    </div>
  </div>
  <div v-else class="together">
    <div class="scale" :style="{ width: `${block.points}pt` }" />
    <p class="small">
      {{ block.text }}
    </p>
  </div>
</template>

<style scoped>
.strong { font-weight: 600; }
/* What is said before a drawing or a list stays with it. */
p { margin: 1mm 0; break-after: avoid; }
h3 { margin: 3mm 0 1mm; break-after: avoid; }
ol, ul { margin: 1mm 0 2mm; padding-left: 1.4rem; }
.box { list-style: none; padding: 0; }
.box li { padding-left: 1.2em; text-indent: -1.2em; }
.box li::before {
  content: ''; display: inline-block; width: 0.75em; height: 0.75em; border: 1.1px solid currentColor;
  margin-right: 0.45em;
}
table { margin: 2mm 0 3mm; font-size: 0.95em; }
th, td { padding: 0.5mm 2mm 0.5mm 0; border-color: #888; overflow-wrap: break-word; }
tr, .together, figure { break-inside: avoid; }
.short { break-inside: avoid; }
/* No page with a single row. */
tbody tr:first-child { break-after: avoid; }
tbody tr:last-child { break-before: avoid; }
.drawings { display: flex; flex-wrap: wrap; gap: 3mm 4mm; }
figure { margin: 0; max-width: 100%; }
figure :deep(svg) { display: block; max-width: 100%; height: auto; background: #fff; }
figure :deep(text) { font-family: inherit; }
figcaption { font-weight: 600; }
.cells { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 4mm 6mm; align-items: start; }
.scale {
  height: 10pt; border: solid #000; border-width: 0 1px;
  background: linear-gradient(#000, #000) center / 100% 1px no-repeat;
  print-color-adjust: exact;
}
@media screen and (max-width: 700px) { .cells { grid-template-columns: minmax(0, 1fr); } }
</style>
