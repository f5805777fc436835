<script setup lang="ts">
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'
import type { Plugin } from 'chart.js'
import type { Rehearsal } from '../../../core/rehearsal'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip)

/**
 * The evening card by card: from when it is shown until half of those who make it are done, and from then until all
 * are, as it is in half of all evenings and in one of ten at worst. The table below says the same in numbers.
 */
const { rehearsal, timeOf } = defineProps<{
  rehearsal: Rehearsal
  /** Minutes from the beginning, as they are told. */
  timeOf: (minutes: number) => string
}>()

type Span = [from: number, to: number]
const rows = computed(() => rehearsal.stages.map(({ name, shown, half, done }) => ({
  name,
  parts: [
    [shown.middle, half.middle], [half.middle, done.middle], [done.middle, Math.max(done.middle, done.high)],
  ] as [Span, Span, Span],
})))
const PARTS = ['until half are done', 'until all are done', 'one evening of ten takes longer']
const height = computed(() => `${90 + 46 * rows.value.length}px`)

useChart(useTemplateRef<HTMLCanvasElement>('canvas'), ({ text, accent, plain, line }) => {
  const { until } = rehearsal
  const last = Math.max(until, ...rows.value.map(({ parts }) => parts[2][1]))
  /** A score line where the making should be over. */
  const end: Plugin = {
    id: 'end',
    afterDatasetsDraw({ ctx, chartArea: { top, bottom }, scales }) {
      const x = scales.x?.getPixelForValue(until)
      if (x === undefined) return
      ctx.save()
      ctx.strokeStyle = text
      ctx.lineWidth = 2
      ctx.setLineDash([7, 4])
      ctx.beginPath()
      ctx.moveTo(x, top)
      ctx.lineTo(x, bottom)
      ctx.stroke()
      ctx.restore()
    },
  }
  const colours = [accent, `${accent}88`, plain]
  return {
    type: 'bar',
    data: {
      labels: rows.value.map(({ name }) => name),
      datasets: PARTS.map((label, at) => ({
        label, data: rows.value.map(({ parts }) => parts[at] ?? null), backgroundColor: colours[at], grouped: false,
        barThickness: at === 2 ? 10 : 24,
      })),
    },
    options: {
      indexAxis: 'y',
      plugins: {
        legend: { position: 'top', align: 'end', labels: { color: text, boxWidth: 14 } },
        tooltip: {
          callbacks: {
            label: ({ dataset, raw }) => {
              const [from, to] = raw as Span
              return `${dataset.label}: ${timeOf(from)} to ${timeOf(to)}`
            },
          },
        },
      },
      scales: {
        x: {
          min: 0, max: Math.ceil(last / 15) * 15, grid: { color: line },
          ticks: { color: text, stepSize: 15, callback: minutes => timeOf(Number(minutes)) },
        },
        y: { ticks: { color: text }, grid: { display: false } },
      },
    },
    plugins: [end],
  }
}, () => [rows.value, rehearsal.until, timeOf(0)])
</script>

<template>
  <div class="chart" :style="{ height }">
    <canvas ref="canvas" role="img" aria-label="When each card is shown and done" />
  </div>
</template>

<style scoped>
.chart { min-width: 0; }
</style>
