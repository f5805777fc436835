import type { ChartConfiguration } from 'chart.js'
import { Chart } from 'chart.js'
import { useDark } from '@vueuse/core'
import { isSame } from '../../core/document'

/** Colours and type of the page, for charts. */
export interface ChartLook {
  text: string
  accent: string
  plain: string
  line: string
}

/**
 * Draws a chart on a canvas, and again when what it shows or the theme changes.
 * @param settings the chart in the look of the page, without what all charts share
 * @param shown what it shows; the chart is drawn anew when that says something else
 */
export function useChart(
  canvas: Readonly<Ref<HTMLCanvasElement | null>>,
  settings: (look: ChartLook) => ChartConfiguration,
  shown: () => unknown,
): void {
  const dark = useDark({ storageKey: 'wakaru-theme', valueLight: '' })
  let chart: Chart | undefined

  function draw() {
    if (!canvas.value) return
    const style = getComputedStyle(document.documentElement)
    const colour = (name: string) => style.getPropertyValue(name).trim()
    const look = {
      text: colour('--p-text-color'),
      accent: colour('--p-primary-color'),
      plain: colour('--p-surface-400'),
      line: colour('--p-content-border-color'),
    }
    const { options, ...rest } = settings(look)
    chart?.destroy()
    chart = new Chart(canvas.value, {
      ...rest,
      options: {
        animation: false,
        maintainAspectRatio: false,
        font: { family: 'Source Sans 3', size: 14 },
        color: look.text,
        ...options,
      },
    } as ChartConfiguration)
  }

  onMounted(draw)
  watch(shown, (now, before) => isSame(now, before) || draw())
  watch(dark, () => nextTick(draw))
  onBeforeUnmount(() => chart?.destroy())
}
