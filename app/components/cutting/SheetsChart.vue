<script setup lang="ts">
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip)

/** Bars of needed sheets beside those on hand. The table below says the same in numbers. */
const { rows } = defineProps<{ rows: { name: string, needed: number, onHand: number }[] }>()

useChart(useTemplateRef<HTMLCanvasElement>('canvas'), ({ text, accent, plain, line }) => ({
  type: 'bar',
  data: {
    labels: rows.map(({ name }) => name),
    datasets: [
      { label: 'needed', data: rows.map(({ needed }) => needed), backgroundColor: accent },
      { label: 'on hand', data: rows.map(({ onHand }) => onHand), backgroundColor: plain },
    ],
  },
  options: {
    plugins: { legend: { position: 'top', align: 'end', labels: { color: text, boxWidth: 14 } } },
    scales: {
      x: { ticks: { color: text }, grid: { display: false } },
      y: {
        ticks: { color: text, precision: 0 }, grid: { color: line },
        title: { display: true, text: 'sheets', color: text },
      },
    },
  },
}), () => rows)
</script>

<template>
  <div class="chart">
    <canvas ref="canvas" role="img" aria-label="Sheets needed and on hand for each paper" />
  </div>
</template>

<style scoped>
.chart { height: 220px; }
</style>
