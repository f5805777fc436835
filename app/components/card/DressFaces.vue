<script setup lang="ts">
import type { PreparedCard } from '../../../core/batch'
import { drawnPapers } from '../../../core/batch'
import type { CardEntry, FaceEntry, LayerEntry } from '../../../core/document'
import { BOUNDS, freeKey } from '../../../core/document'
import {
  copyDressing, dressAsInCatalogue, dressFaceAs, dressingOf, facesOf,
  layersOn, maskedFaces, newLayer, setLayerWorks, sideWords,
} from '../../../core/dressing'
import type { Construction } from '../../../core/folds'
import { AS_DRAWN } from '../../../core/folds'

/** What lies on the faces of a card: a face is chosen in the picture or by its name, and dressed. */
const { card, construction } = defineProps<{ card: PreparedCard, construction: Construction }>()
const chosen = defineModel<string | undefined>('face', { required: true })
const emit = defineEmits<{ change: [what: string, edit: (card: CardEntry) => void] }>()
const work = useClassStore()
const drawn = computed(() => drawnPapers(card))

const faces = computed(() => facesOf(construction))
const face = computed(() => faces.value.find(({ key }) => key === chosen.value) ?? faces.value[0])
const mark = computed(() => work.prepared.cutter.mark)
const sides = computed(() => (face.value ? sideWords(construction, face.value) : AS_DRAWN))
const entry = computed(() => face.value && dressingOf(card.entry, construction, face.value.key, work.units, mark.value))
const isOwn = computed(() => card.entry.faces.some(({ key }) => key === face.value?.key))
const options = computed(() => faces.value.map(({ key, name }) => {
  const own = card.entry.faces.find(other => other.key === key)
  return { key, name: own ? `${name} (${own.layers.length === 0 ? 'bare' : count(own.layers.length, 'layer')})` : name }
}))
/** Faces of the same size, which may be dressed alike. */
const alike = computed(() => faces.value.filter(({ key, panel }) =>
  key !== face.value?.key
  && panel.width.value === face.value?.panel.width.value
  && panel.height.value === face.value?.panel.height.value,
),
)
const windows = computed(() => face.value?.part.windows.filter(({ panel }) => panel === face.value?.panel.key) ?? [])

function change(next: FaceEntry) {
  emit('change', `dressing of ${next.key}`, entry => dressFaceAs(entry, construction, next))
}
const setLayers = (layers: LayerEntry[]) => entry.value && change({ ...entry.value, layers })
/** What is done to a layer leaves the catalogue's own where it lies. */
function changeLayer(index: number, next: LayerEntry) {
  const key = face.value?.key
  const layers = entry.value?.layers ?? []
  if (key !== undefined && next.works !== layers[index]?.works) {
    emit('change', `works of layer ${index} on ${key}`, draft =>
      setLayerWorks(draft, construction, key, index, next.works))
  }
  else setLayers(layers.map((layer, at) => (at === index ? next : layer)))
}
function add() {
  const layers = entry.value?.layers ?? []
  setLayers([...layers, newLayer(freeKey('layer', layers.map(({ key }) => key)), work.units)])
}
/**
 * What lies there now, from the lowest up: the maker's layers, or those of the catalogue until they are dressed
 * otherwise.
 */
const lying = computed(() => (face.value ? layersOn(construction, face.value.panel, face.value.side) : []))
const sizeOf = (index: number) => {
  const piece = lying.value[index]?.by
  return piece && { width: piece.width.value, height: piece.height.value }
}
const paperOf = (index: number) => card.entry.papers[lying.value[index]?.part ?? '']
/** Where this face can be stamped; nothing where nothing of it is seen. */
const masked = computed(() =>
  face.value
  && maskedFaces(construction).find(({ panel, side }) => panel === face.value?.panel && side === face.value.side),
)
async function saveMask() {
  const seen = masked.value
  const name = face.value?.name ?? ''
  if (!seen) return
  const { maskDrawing } = await import('../../../core/printed')
  saveText(maskDrawing(seen, name, work.units).svg, `${card.entry.title} ${name}.svg`, 'image/svg+xml')
}
/** Faces of other cards that can be dressed like this one: the same face of the same fold, or one of the same size. */
const others = computed(() => work.prepared.cards.filter(({ entry }) => entry.key !== card.entry.key))
const elsewhere = computed(() => others.value.flatMap(({ entry, construction }) =>
  facesOf(construction ?? { parts: [] })
    .filter(({ key, panel }) => face.value && (key === face.value.key
      || (panel.width.value === face.value.panel.width.value && panel.height.value === face.value.panel.height.value)))
    .map(({ key, name }) => ({ card: entry.key, key, label: `${entry.title}: ${name}` }))))
function copyTo({ card: to, key }: { card: string, key: string }) {
  const dressing = entry.value
  if (!dressing) return
  work.edit('dressing copied', (document) => {
    const other = document.cards.find(one => one.key === to)
    if (other) copyDressing(other, dressing, [key], lyingPapers.value)
  })
}
/** The papers of what lies there, by layer. */
const lyingPapers = computed(() =>
  Object.fromEntries(entry.value?.layers.map(({ key }, index) => [key, paperOf(index) ?? '']) ?? []),
)
function setPaper(index: number, paper: string) {
  const part = lying.value[index]?.part
  if (part) emit('change', `paper of ${part}`, entry => void (entry.papers[part] = paper))
}
</script>

<template>
  <div class="stack dress">
    <FacePicture
      :construction
      :front="card.fold?.view ?? { turn: -28, tilt: 18 }"
      :papers="drawn"
      :chosen="face?.key"
      @choose="chosen = $event"
    />
    <OneOfMany
      :model-value="face?.key"
      :options
      aria-label="Face to dress"
      size="small"
      @update:model-value="chosen = $event"
    />
    <template v-if="face && entry">
      <TickField
        label="To be written on, as it is"
        :model-value="entry.message"
        @update:model-value="entry && change({ ...entry, message: $event })"
      />
      <WorkList :works="entry.works" name="the face" :sides @change="entry && change({ ...entry, works: $event })" />
      <p v-if="entry.layers.length === 0" class="quiet">
        Nothing lies on this face.
      </p>
      <LayerFields
        v-for="(layer, index) in entry.layers"
        :key="`${entry.key}/${layer.key}`"
        :layer
        :name="`Layer ${index + 1}`"
        :size="sizeOf(index)"
        :paper="paperOf(index)"
        :papers="work.batch.papers"
        :windows
        :sides
        @change="changeLayer(index, $event)"
        @paper="setPaper(index, $event)"
        @remove="setLayers(entry!.layers.filter(({ key }) => key !== layer.key))"
      />
      <div class="row">
        <PlainButton label="Add a layer" :disabled="entry.layers.length >= BOUNDS.layers" @click="add" />
        <Button v-if="masked" label="Mask as SVG" size="small" text @click="saveMask" />
        <Button
          v-if="isOwn"
          label="As in the catalogue"
          size="small"
          text
          @click="emit('change', `dressing of ${face.key}`, draft => dressAsInCatalogue(draft, face!.key))"
        />
        <PickOne
          v-if="elsewhere.length > 0"
          :options="elsewhere"
          named="label"
          words="Copy to another card"
          @pick="copyTo"
        />
        <Button
          v-if="alike.length > 0"
          :label="`The same on ${count(alike.length, 'like face')}`"
          size="small"
          text
          @click="
            emit('change', 'dressing of like faces', draft =>
              copyDressing(
                draft, entry!, alike.map(({ key }) => key), lyingPapers,
              ),
            )
          "
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.dress { gap: 0.5rem; overflow-y: auto; min-height: 0; align-content: start; padding-bottom: 0.5rem; }
</style>
