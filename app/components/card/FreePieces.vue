<script setup lang="ts">
import type { PreparedCard } from '../../../core/batch'
import type { CardEntry, FreeEntry } from '../../../core/document'
import { BOUNDS, FREE_KINDS, FREE_SHAPES, HOLDS, NO_DRESSING } from '../../../core/document'
import {
  addFreePiece, facesOf, freePartKey, frontFace, isBought, removeFreePiece, sideWords,
} from '../../../core/dressing'
import type { Construction } from '../../../core/folds'
import { AS_DRAWN } from '../../../core/folds'

/**
 * Every loose piece that makes it a card: toppers, figures, strips and what is bought, each with its size and its
 * place.
 */
const { card, construction } = defineProps<{ card: PreparedCard, construction: Construction }>()
const emit = defineEmits<{ change: [what: string, edit: (card: CardEntry) => void] }>()
const work = useClassStore()
const toast = useToast()
const id = useId()
const faces = computed(() => facesOf(construction))
/** What the sides of the face that a piece lies on are called by whoever holds the card. */
function sidesOf({ face: key }: FreeEntry) {
  const face = faces.value.find(other => other.key === key)
  return face ? sideWords(construction, face) : AS_DRAWN
}
const open = ref<string>()
const CHOICES = [
  { field: 'kind', options: FREE_KINDS, words: (name: string) => `What ${name} is` },
  { field: 'shape', options: FREE_SHAPES, words: (name: string) => `Shape of ${name}` },
  { field: 'hold', options: HOLDS, words: (name: string) => `How ${name} is held` },
] as const
/** What a piece can be cut from: paper of its own, or another piece that is not cut out of one itself. */
const sources = (piece: FreeEntry) => [
  { key: '', name: 'cut from paper of its own' },
  ...construction.parts.filter(({ key, outOf }) => key !== freePartKey(piece.key) && outOf === undefined)
    .map(({ key, name }) => ({ key, name: `cut out of ${name}` })),
]
const isCutOut = (piece: FreeEntry) =>
  construction.parts.some(({ key, outOf }) => key === freePartKey(piece.key) && outOf !== undefined)
const places = (piece: FreeEntry) => [
  { key: '', name: 'in the bag' },
  ...faces.value.filter(({ part }) => part.key !== freePartKey(piece.key)),
]

function set(piece: FreeEntry, change: Partial<FreeEntry>) {
  emit('change', `${piece.key} ${Object.keys(change).join()}`, (entry) => {
    entry.free = entry.free.map(other => (other.key === piece.key ? { ...other, ...change } : other))
  })
}
const pieces = computed(() => card.entry.free.map(piece => editable(piece, change => set(piece, change))))
/** The lengths of a piece, beside those of its place: field, label and whether nothing is a length too. */
const measures = (piece: FreeEntry): (readonly ['width' | 'height' | 'corner' | 'ring', string, boolean])[] => [
  ['width', 'Width', false],
  ['height', 'Height', false],
  ...(piece.shape === 'rounded' ? [['corner', 'Radius of the corners', true] as const] : []),
  ...(piece.kind === 'ring' ? [['ring', 'Width of the ring', true] as const] : []),
]
/** Pieces that were kept from other cards. */
const { data: variants } = useVariants()
const kept = computed(() => variants.value.filter(({ fold, units }) => fold === '' && units === work.units)
  .flatMap(({ name, dressing: { free: [piece] } }) => (piece ? [{ name, piece: { ...piece, name } }] : [])))
const keeping = ref<FreeEntry>()
function add(own?: FreeEntry) {
  const front = frontFace(construction)
  emit('change', 'another free piece', (entry) => {
    const { left: _, bottom: _b, ...kept } = own ?? {}
    open.value = addFreePiece(entry, work.units, { ...kept, face: front?.key ?? '' }, front?.panel).key
  })
}
/** Takes the outline of a piece from an SVG file; its height follows its width. */
async function readOutline(piece: FreeEntry, event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const { outlineFromSvg } = await import('../../../core/formats')
  const read = outlineFromSvg(await file.text())
  input.value = ''
  if (read.ok) set(piece, { shape: 'outline', outline: read.outline })
  else toast.add({ severity: 'error', summary: read.reason, life: 8000 })
}
</script>

<template>
  <div class="stack free">
    <p v-if="card.entry.free.length === 0" class="quiet">
      Toppers, sentiments, figures, strips, ribbons: whatever else goes into a kit of this card.
    </p>
    <details v-for="piece in pieces" :key="piece.key" :open="open === piece.key" class="piece">
      <summary @click.prevent="open = open === piece.key ? undefined : piece.key">
        <strong>{{ piece.name }}</strong> <span class="quiet small">{{ piece.count }} × {{ piece.kind }}</span>
      </summary>
      <div class="field">
        <label :for="`${id}-${piece.key}-name`">Name</label>
        <NameField :id="`${id}-${piece.key}-name`" v-model="piece.name" />
      </div>
      <div class="choices">
        <Select
          v-for="{ field, options, words } in CHOICES"
          :key="field"
          v-model="piece[field]"
          :options="[...options]"
          :aria-label="words(piece.name)"
          size="small"
        />
      </div>
      <div v-if="piece.shape === 'outline'" class="field">
        <label :for="`${id}-${piece.key}-svg`">Outline from an SVG file</label>
        <input
          :id="`${id}-${piece.key}-svg`"
          type="file"
          accept=".svg,image/svg+xml"
          @change="readOutline(piece, $event)"
        >
      </div>
      <OneOfMany
        v-if="!isBought(piece.kind)"
        v-model="piece.from"
        :options="sources(piece)"
        :aria-label="`Paper or piece for ${piece.name}`"
        size="small"
      />
      <PaperChoice
        v-if="!isBought(piece.kind) && !isCutOut(piece)"
        :label="`Paper of ${piece.name}`"
        :papers="work.batch.papers"
        :model-value="card.entry.papers[freePartKey(piece.key)]"
        :missing="!card.entry.papers[freePartKey(piece.key)]"
        scrap
        placeholder="Choose a paper"
        @update:model-value="
          paper => emit('change', `paper of ${piece.key}`, entry => void (entry.papers[freePartKey(piece.key)] = paper))
        "
      />
      <LengthField v-for="[field, label, zero] in measures(piece)" :key="field" v-model="piece[field]" :label :zero />
      <div class="field">
        <label :for="`${id}-${piece.key}-count`">In a kit</label>
        <NumberField v-model="piece.count" :input-id="`${id}-${piece.key}-count`" :min="1" :max="BOUNDS.inKit" />
      </div>
      <OneOfMany v-model="piece.face" :options="places(piece)" :aria-label="`Where ${piece.name} lies`" size="small" />
      <template v-if="piece.face !== ''">
        <LengthField
          v-for="field in (['left', 'bottom'] as const)"
          :key="field"
          v-model="piece[field]"
          :label="`From the ${sidesOf(piece)[field]}`"
          zero
          signed
        />
        <div class="field">
          <label :for="`${id}-${piece.key}-turn`">Turned, degrees</label>
          <NumberField v-model="piece.turn" :input-id="`${id}-${piece.key}-turn`" :min="-180" :max="180" />
        </div>
      </template>
      <HoldDetails
        v-if="!isBought(piece.kind)"
        :piece
        :name="piece.name"
        :sides="piece.turn === 0 ? sidesOf(piece) : AS_DRAWN"
        @change="set(piece, $event)"
      />
      <Button :label="`Keep ${piece.name} for other cards`" text size="small" @click="keeping = piece" />
      <QuietButton
        :label="`Remove ${piece.name}`"
        @click="emit('change', `without ${piece.key}`, entry => removeFreePiece(entry, piece.key))"
      />
    </details>
    <PlainButton label="Add a piece" :disabled="card.entry.free.length >= BOUNDS.free" @click="add()" />
    <PickOne
      v-if="kept.length > 0"
      :options="kept"
      named="name"
      words="Add one that you kept"
      :disabled="card.entry.free.length >= BOUNDS.free"
      @pick="add($event.piece)"
    />
    <OwnParts :entry="card.entry" :construction @change="(what, edit) => emit('change', what, edit)" />
    <LazyVariantDialog
      v-if="keeping"
      fold=""
      :dressing="{ ...NO_DRESSING, free: [{ ...keeping, face: '', from: '' }] }"
      :title="keeping.name"
      @close="keeping = undefined"
    />
  </div>
</template>

<style scoped>
.free {
  gap: 0.5rem; overflow-y: auto; min-height: 0; align-content: start; padding-bottom: 0.5rem;
  justify-items: start;
}
.free > * { flex: none; }
.piece { border: 1px solid var(--line); border-radius: 3px; padding: 0.3rem 0.6rem; width: 100%; }
.piece[open] { display: grid; gap: 0.35rem; padding-bottom: 0.5rem; }
.piece > * + * { margin-top: 0.35rem; }
summary { cursor: pointer; }
.choices { display: flex; flex-wrap: wrap; gap: 0.35rem; }
</style>
