<script setup lang="ts">
import type { CardEntry, Hold } from '../../../core/document'
import { ALL_GLUED, HOLDS } from '../../../core/document'
import { isFreePart, ownParts, setOwnPart } from '../../../core/dressing'
import type { Construction } from '../../../core/folds'

/**
 * The parts of the fold itself: each can be held otherwise than usual, and things are done to it.
 */
const { entry, construction } = defineProps<{ entry: CardEntry, construction: Construction }>()
const emit = defineEmits<{ change: [what: string, edit: (card: CardEntry) => void] }>()
const isHeld = (key: string) => construction.joints.some(({ part, means }) => part === key && means !== 'held')
const parts = computed(() => ownParts(construction, isFreePart).map(({ key, name }) => ({
  key, name, isHeld: isHeld(key), own: entry.parts.find(part => part.key === key),
})))
const open = ref(false)
const changed = computed(() => parts.value.filter(({ own }) => own !== undefined).length)
const HELD: { value: Hold | 'usual', label: string }[] = [
  { value: 'usual', label: 'held as usual' }, ...HOLDS.map(hold => ({ value: hold, label: hold })),
]
const set = (key: string, change: Parameters<typeof setOwnPart>[2]) =>
  emit('change', `part ${key}`, card => setOwnPart(card, key, change))
</script>

<template>
  <details class="own" :open>
    <summary @click.prevent="open = !open">
      <strong>Parts of the fold</strong>
      <span class="quiet small about">{{ changed > 0 ? `${changed} not as usual` : 'all as usual' }}</span>
    </summary>
    <div v-for="{ key, name, isHeld: held, own } in open ? parts : []" :key class="part">
      <div class="spread">
        <span>{{ name }}</span>
        <OneOfMany
          v-if="held || own?.hold"
          :model-value="own?.hold ?? 'usual'"
          :options="HELD"
          :aria-label="`How ${name} is held`"
          size="small"
          @update:model-value="set(key, { hold: $event === 'usual' ? null : $event as Hold })"
        />
      </div>
      <HoldDetails
        :piece="{ glue: ALL_GLUED, hold: own?.hold ?? 'tape', foam: own?.foam ?? '0 in', works: own?.works ?? [] }"
        :name
        whole
        @change="({ works, foam }) => set(key, { ...(works && { works }), ...(foam !== undefined && { foam }) })"
      />
    </div>
  </details>
</template>

<style scoped>
.own { border: 1px solid var(--line); border-radius: 3px; padding: 0.3rem 0.6rem; width: 100%; }
.own > summary { cursor: pointer; }
.about { margin-left: 0.4rem; }
.part { border-top: 1px solid var(--line); margin-top: 0.35rem; padding-top: 0.35rem; display: grid; gap: 0.25rem; }
@media (pointer: coarse) { .own > summary { min-height: 44px; align-content: center; } }
</style>
