<script setup lang="ts">
import { itemAt } from '../../../core/lists'
import { Chart, Legend, LinearScale, PointElement, ScatterController, Tooltip } from 'chart.js'
import type { MeasuredPlan } from '../../../core/cutting'
import { wholeMinutes } from '../../../core/cutting'

Chart.register(ScatterController, PointElement, LinearScale, Legend, Tooltip)

/**
 * Sheets against minutes at the trimmer, one point a plan; a click takes the plan. The buttons beside it say the same
 * in words.
 */
const { choices, chosen } = defineProps<{ choices: MeasuredPlan[], chosen: number }>()
const emit = defineEmits<{ choose: [index: number] }>()
const inWords = ({ plan, minutes, settings }: MeasuredPlan) =>
  `${count(plan.sheets, 'sheet')}, ${wholeMinutes(minutes)} min, ${count(settings, 'setting')}`

useChart(
  useTemplateRef<HTMLCanvasElement>('canvas'),
  ({ text, accent, plain, line }) => {
    const sheets = choices.map(({ plan }) => plan.sheets)
    const minutes = choices.map(choice => choice.minutes)
    const marked = (of: (chosen: boolean) => string) => choices.map((_, index) => of(index === chosen))
    return {
      type: 'scatter',
      data: {
        datasets: [
          {
            data: choices.map(({ plan, minutes }) => ({ x: plan.sheets, y: minutes })),
            backgroundColor: marked(own => (own ? accent : plain)),
            pointStyle: marked(own => (own ? 'rectRot' : 'circle')),
            pointRadius: choices.map((_, index) => (index === chosen ? 10 : 7)),
            pointHoverRadius: 11,
          },
        ],
      },
      options: {
        onClick: (_, [element]) => element && emit('choose', element.index),
        plugins: {
          legend: { display: false },
          tooltip: { callbacks: { label: ({ dataIndex }) => inWords(itemAt(choices, dataIndex)) } },
        },
        scales: {
          x: {
            title: { display: true, text: 'sheets', color: text },
            ticks: { color: text, precision: 0 },
            grid: { color: line },
            min: Math.min(...sheets) - 1,
            max: Math.max(...sheets) + 1,
          },
          y: {
            title: { display: true, text: 'minutes', color: text },
            ticks: { color: text, precision: 0 },
            grid: { color: line },
            min: Math.floor(Math.min(...minutes)) - 1,
            max: Math.ceil(Math.max(...minutes)) + 1,
          },
        },
      },
    }
  },
  () => [choices.map(inWords), chosen],
)
</script>

<template>
  <div class="chart">
    <canvas ref="canvas" role="img" aria-label="Sheets against minutes at the trimmer for each plan" />
  </div>
</template>

<style scoped>
.chart { height: 180px; }
</style>
