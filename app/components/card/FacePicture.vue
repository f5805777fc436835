<script setup lang="ts">
import { faceSeen, facesOf } from '../../../core/dressing'
import type { Construction, DrawnPanel, View } from '../../../core/folds'
import { drawFolded, fitting } from '../../../core/folds'

/**
 * The faces of a card as three small pictures, open, closed and from behind: a click chooses the face that is seen
 * there.
 */
const { construction, front } = defineProps<{
  construction: Construction
  front: View
  papers: Record<string, string>
  chosen?: string
}>()
const emit = defineEmits<{ choose: [face: string] }>()
const WIDTH = 92
const HEIGHT = 78
const faces = computed(() => facesOf(construction))
const views = computed(() =>
  ([
    ['Open', 1, front],
    ['Closed', 0, { turn: 0, tilt: 0 }],
    ['Back', 1, { ...front, turn: front.turn + 180 }],
  ] as const).map(([name, opening, view]) => ({ name, shapes: shapesOf(drawFolded(construction, opening, view)) })),
)

function shapesOf(panels: DrawnPanel[]) {
  const path = fitting(panels.flatMap(({ points }) => points), WIDTH, HEIGHT, 3)
  return panels.map(panel => ({
    panel, face: faceSeen(construction, panel)?.key, path: path([panel.points, ...panel.holes]),
  }))
}
const nameOf = (key?: string) => faces.value.find(face => face.key === key)?.name
</script>

<template>
  <div class="faces">
    <figure v-for="view in views" :key="view.name">
      <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="group" :aria-label="`Faces, ${view.name.toLowerCase()}`">
        <path
          v-for="{ panel, face, path } in view.shapes"
          :key="`${panel.part}/${panel.panel}`"
          :d="path"
          fill-rule="evenodd"
          :fill="papers[panel.part] ? paperFill(papers[panel.part]) : 'var(--sheet)'"
          :class="{ chosen: face !== undefined && face === chosen }"
          @click="face && emit('choose', face)"
        ><title>{{ nameOf(face) }}</title></path>
      </svg>
      <figcaption class="small quiet">
        {{ view.name }}
      </figcaption>
    </figure>
  </div>
</template>

<style scoped>
.faces { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 0.25rem; }
figure { margin: 0; text-align: center; }
svg { display: block; width: 100%; }
path { stroke: var(--ink); stroke-width: 0.7; stroke-linejoin: round; cursor: pointer; }
path:hover { stroke: var(--accent); stroke-width: 1.4; }
.chosen { stroke: var(--accent); stroke-width: 2.4; }
</style>
