<script setup lang="ts">
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'
import { useDark } from '@vueuse/core'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip)

/** Bars of needed sheets beside those on hand. The table below says the same in numbers. */
const { rows } = defineProps<{ rows: { name: string, needed: number, onHand: number }[] }>()
const canvas = useTemplateRef('canvas')
const dark = useDark({ storageKey: 'wakaru-theme', valueLight: '' })
let chart: Chart | undefined

function draw() {
  const style = getComputedStyle(document.documentElement)
  const colour = (name: string) => style.getPropertyValue(name).trim()
  const text = colour('--p-text-color')
  chart?.destroy()
  chart = new Chart(canvas.value!, {
    type: 'bar',
    data: {
      labels: rows.map(({ name }) => name),
      datasets: [
        { label: 'needed', data: rows.map(({ needed }) => needed), backgroundColor: colour('--p-primary-color') },
        { label: 'on hand', data: rows.map(({ onHand }) => onHand), backgroundColor: colour('--p-surface-400') },
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      font: { family: 'Source Sans 3 Variable', size: 14 },
      color: text,
      plugins: { legend: { position: 'top', align: 'end', labels: { color: text, boxWidth: 14 } } },
      scales: {
        x: { ticks: { color: text }, grid: { display: false } },
        y: { ticks: { color: text, precision: 0 }, grid: { color: colour('--p-content-border-color') }, title: { display: true, text: 'sheets', color: text } },
      },
    },
  })
}

onMounted(draw)
watch(() => JSON.stringify(rows), draw)
watch(dark, () => nextTick(draw))
onBeforeUnmount(() => chart?.destroy())
</script>

<template>
  <div class="chart">
    <canvas
      ref="canvas"
      role="img"
      aria-label="Sheets needed and on hand for each paper"
    />
  </div>
</template>

<style scoped>
.chart { height: 220px; }
</style>
