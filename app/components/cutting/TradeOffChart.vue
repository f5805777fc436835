<script setup lang="ts">
import { Chart, Legend, LinearScale, PointElement, ScatterController, Tooltip } from 'chart.js'
import { useDark } from '@vueuse/core'
import type { Measured } from '../../../core/cutting'

Chart.register(ScatterController, PointElement, LinearScale, Legend, Tooltip)

/** Sheets against minutes at the trimmer, one point a plan; a click takes the plan. The buttons below say the same in words. */
const { choices, chosen } = defineProps<{ choices: Measured[], chosen: number }>()
const emit = defineEmits<{ choose: [index: number] }>()
const canvas = useTemplateRef('canvas')
const dark = useDark({ storageKey: 'wakaru-theme', valueLight: '' })
let chart: Chart | undefined

function draw() {
  const style = getComputedStyle(document.documentElement)
  const colour = (name: string) => style.getPropertyValue(name).trim()
  const text = colour('--p-text-color')
  const [accent, plain] = [colour('--p-primary-color'), colour('--p-surface-400')]
  const sheets = choices.map(({ plan }) => plan.sheets)
  const minutes = choices.map(choice => choice.minutes)
  chart?.destroy()
  chart = new Chart(canvas.value!, {
    type: 'scatter',
    data: {
      datasets: [{
        data: choices.map(({ plan, minutes }) => ({ x: plan.sheets, y: minutes })),
        backgroundColor: choices.map((_, index) => (index === chosen ? accent : plain)),
        pointStyle: choices.map((_, index) => (index === chosen ? 'rectRot' : 'circle')),
        pointRadius: choices.map((_, index) => (index === chosen ? 10 : 7)),
        pointHoverRadius: 11,
      }],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      font: { family: 'Source Sans 3 Variable', size: 14 },
      onClick: (_, [element]) => element && emit('choose', element.index),
      plugins: {
        legend: { display: false },
        tooltip: { callbacks: { label: ({ dataIndex }) => inWords(choices[dataIndex]!) } },
      },
      scales: {
        x: { title: { display: true, text: 'sheets', color: text }, ticks: { color: text, precision: 0 }, grid: { color: colour('--p-content-border-color') }, min: Math.min(...sheets) - 1, max: Math.max(...sheets) + 1 },
        y: { title: { display: true, text: 'minutes', color: text }, ticks: { color: text, precision: 0 }, grid: { color: colour('--p-content-border-color') }, min: Math.floor(Math.min(...minutes)) - 1, max: Math.ceil(Math.max(...minutes)) + 1 },
      },
    },
  })
}
const inWords = ({ plan, minutes, settings }: Measured) => `${count(plan.sheets, 'sheet')}, ${Math.ceil(minutes)} min, ${count(settings, 'setting')}`

onMounted(draw)
watch(() => JSON.stringify([choices.map(inWords), chosen]), draw)
watch(dark, () => nextTick(draw))
onBeforeUnmount(() => chart?.destroy())
</script>

<template>
  <div class="chart">
    <canvas
      ref="canvas"
      role="img"
      aria-label="Sheets against minutes at the trimmer for each plan"
    />
  </div>
</template>

<style scoped>
.chart { height: 180px; }
</style>
