<script setup lang="ts">
import type { PaperRole } from '../../../core/batch'
import { ROLE_NAMES, papersOf } from '../../../core/batch'
import { usualPaper } from '../../../core/folds'

/**
 * The paper of one role for the whole class. Cards are shown one by one where they differ or are asked for, and within
 * a card the pieces that differ.
 */
const { role } = defineProps<{ role: PaperRole }>()
const emit = defineEmits<{ choose: [pieces: { card: string, part: string }[], paper: string] }>()
const work = useClassStore()

const rows = computed(() => role.cards.map(entry => ({ ...entry, key: entry.card.entry.key, papers: papersOf(entry) })))
const all = computed(() => [...new Set(rows.value.flatMap(({ papers }) => papers))])
const several = computed(() => rows.value.length > 1 || (rows.value[0]?.pieces.length ?? 0) > 1)
const asked = ref(false)
const isMixed = computed(() => all.value.filter(Boolean).length > 1)
const opened = computed(() => several.value && (asked.value || isMixed.value))
const split = reactive(new Set<string>())
const isSplit = (key: string, papers: string[]) => split.has(key) || papers.length > 1
const one = (papers: string[]) => (papers.length === 1 ? papers[0] : undefined)
const words = (papers: string[]) => {
  const chosen = papers.filter(Boolean).length
  return chosen === 0 ? 'Choose a paper' : `${count(chosen, 'paper')}${chosen < papers.length ? ', some missing' : ''}`
}
const pieceCount = computed(() => rows.value.reduce((sum, { pieces }) => sum + pieces.length, 0))
const refs = (entries: typeof rows.value) =>
  entries.flatMap(({ key, pieces }) => pieces.map(piece => ({ card: key, part: piece.key })))
/** Those of the usual kind first. */
const papers = computed(() => {
  const kind = usualPaper(role.kind)
  return [...work.batch.papers].sort((a, b) => Number(b.kind === kind) - Number(a.kind === kind))
})
const shared = computed(() => ({
  papers: papers.value,
  scrap: role.kind === 'hidden' || role.kind === 'underlay',
  kind: usualPaper(role.kind),
}))
const name = computed(() => ROLE_NAMES[role.kind])
</script>

<template>
  <section class="role" :aria-label="name">
    <div class="line first">
      <h2>
        {{ name }} <span class="quiet small">{{ count(pieceCount, 'piece') }} on {{ count(rows.length, 'card') }}</span>
      </h2>
      <PaperChoice
        v-bind="shared"
        :label="`Paper of all ${name.toLowerCase()}`"
        :model-value="one(all)"
        :placeholder="words(all)"
        :missing="all.includes('')"
        @update:model-value="emit('choose', refs(rows), $event)"
      />
      <QuietButton
        v-if="several && !isMixed"
        :label="opened ? 'Together' : 'One by one'"
        :aria-expanded="opened"
        :aria-label="`${opened ? 'Together' : 'One by one'}: ${name.toLowerCase()}`"
        @click="asked = !asked"
      />
    </div>
    <template v-if="opened">
      <template v-for="{ key, card, pieces, papers: own } in rows" :key>
        <div v-if="rows.length > 1" class="line card">
          <h3>{{ card.entry.title }} <span class="quiet small">{{ count(pieces.length, 'piece') }}</span></h3>
          <PaperChoice
            v-bind="shared"
            :label="`${name} of ${card.entry.title}`"
            :model-value="one(own)"
            :placeholder="words(own)"
            :missing="own.includes('')"
            @update:model-value="emit('choose', pieces.map(piece => ({ card: key, part: piece.key })), $event)"
          />
          <QuietButton
            v-if="pieces.length > 1 && own.length === 1"
            :label="split.has(key) ? 'Together' : 'Piece by piece'"
            :aria-expanded="isSplit(key, own)"
            @click="split.has(key) ? split.delete(key) : split.add(key)"
          />
        </div>
        <template v-if="rows.length === 1 || isSplit(key, own)">
          <div v-for="piece in pieces" :key="piece.key" class="line piece">
            <span>{{ piece.name }}
              <SizeText :width="piece.width.value" :height="piece.height.value" unit class="quiet" /><span
                v-if="piece.turn === 'as drawn' || piece.turn === 'turned'"
                class="quiet small"
              >, {{ piece.turn === 'turned' ? 'print lies sideways' : 'print stands upright' }}</span></span>
            <PaperChoice
              v-bind="shared"
              :label="`${piece.name} of ${card.entry.title}`"
              :model-value="card.entry.papers[piece.key]"
              :missing="!piece.paper"
              @update:model-value="emit('choose', [{ card: key, part: piece.key }], $event)"
            />
          </div>
        </template>
      </template>
    </template>
  </section>
</template>

<style scoped>
.role { border-bottom: 1px solid var(--line); padding: 0.45rem 0; display: grid; gap: 0.3rem; }
.line {
  display: grid; grid-template-columns: minmax(0, 1fr) clamp(11rem, 24vw, 18rem) 7.5rem;
  gap: 0.2rem 0.75rem; align-items: center;
}
h2 { font-size: 1.0625rem; }
h3 { font-size: 1rem; font-weight: 400; overflow-wrap: anywhere; }
.card { padding-left: 1rem; }
.piece { padding-left: 2rem; }
@media (max-width: 560px) {
  .line { grid-template-columns: minmax(0, 1fr) auto; }
  .line > :first-child { grid-column: 1 / -1; }
}
</style>
