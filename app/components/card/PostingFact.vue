<script setup lang="ts">
import { withPapers } from '../../../core/batch'
import { addForEnvelope, forEnvelope, isEnvelopeStamped, removeFreePiece, stampEnvelope } from '../../../core/dressing'
import type { ForEnvelope } from '../../../core/dressing'
import { foldById } from '../../../core/folds'
import type { Posting } from '../../../core/kits'
import { lengthFrom } from '../../../core/lengths'

/** How the finished card goes into an envelope and through the post. */
const { posting, card } = defineProps<{ posting: Posting, card: string }>()
const work = useClassStore()
const money = useMoney()
const wanted = computed(() => work.batch.cards.find(({ key }) => key === card)?.envelope ?? '')
const envelopes = computed(() => [{ key: '', name: 'The smallest that fits' }, ...work.batch.post.envelopes])
const millimetres = (length: number) => (length / 1e6).toFixed(1)
const said = computed(() => {
  const { closed, weight, rate } = posting
  const goes = rate ? [`${rate.name.toLowerCase()} ${money(rate.price)}`] : []
  return [`${millimetres(closed.thickness)} mm thick`, `${Math.ceil(weight)} g`, ...goes].join(', ')
})

const entry = computed(() => work.batch.cards.find(({ key }) => key === card))
const envelope = computed(() => work.batch.post.envelopes.find(({ key }) => key === posting.envelope?.key))
const FOR_IT = [{ kind: 'liner', words: 'lined' }, { kind: 'flap strip', words: 'strip on its flap' }] as const
/** Cuts a piece for the envelope, or leaves it out again. */
function dress(kind: ForEnvelope, wanted: boolean) {
  const { value: size } = envelope
  if (!size) return
  const [width, height] = [lengthFrom(size.width), lengthFrom(size.height)]
  work.edit(`${kind} of the envelope of ${card}`, (document) => {
    const at = document.cards.findIndex(({ key }) => key === card)
    const entry = document.cards[at]
    const fold = entry && foldById(entry.fold)
    if (!entry || !fold) return
    const own = forEnvelope(entry, kind)
    if (own && !wanted) removeFreePiece(entry, own.key)
    else if (!own && wanted) addForEnvelope(entry, kind, { width, height }, work.units, work.prepared.cutter.mark)
    document.cards[at] = withPapers(entry, fold, document)
  })
}
const stamp = (wanted: boolean) =>
  work.editCard('stamp on the envelope', card, entry => stampEnvelope(entry, wanted))

function choose(envelope: string) {
  work.editCard('envelope', card, entry => void (entry.envelope = envelope))
}
</script>

<template>
  <div>
    {{ said }}
    <Select
      aria-label="Envelope"
      :model-value="wanted"
      :options="envelopes"
      option-value="key"
      option-label="name"
      size="small"
      fluid
      @update:model-value="choose($event)"
    >
      <template #value="{ value }">
        {{ value ? envelopes.find(({ key }) => key === value)?.name : (posting.envelope?.name ?? 'No envelope fits') }}
      </template>
    </Select>
    <div v-if="entry && envelope" class="row dressing" role="group" aria-label="The envelope is">
      <TickField
        v-for="{ kind, words } in FOR_IT"
        :key="kind"
        :label="words"
        :model-value="forEnvelope(entry, kind) !== undefined"
        @update:model-value="dress(kind, $event)"
      />
      <TickField label="stamped" :model-value="isEnvelopeStamped(entry)" @update:model-value="stamp" />
    </div>
  </div>
</template>

<style scoped>
.dressing { gap: 0.3rem 0.9rem; margin-top: 0.4rem; }
</style>
