<script setup lang="ts">
import type { Batch, ParameterInputs } from '../../../core/document'
import type { Fold } from '../../../core/folds'
import { resizedInputs } from '../../../core/folds'
import { lengthFrom } from '../../../core/lengths'

/** Makes a card larger or smaller in proportion, or as large as an envelope takes. */
const { fold, inputs, batch } = defineProps<{ fold: Fold, inputs: ParameterInputs, batch: Batch }>()
const { units, mark } = useMeasures()
const emit = defineEmits<{ close: [], take: [inputs: ParameterInputs, factor: number] }>()

const id = useId()
const percent = ref(100)
const envelope = ref('')
const sizeOf = (parameters: ParameterInputs) => {
  const { finished } = fold.construct(parameters, units.value, mark.value)
  return { width: finished.width.value, height: finished.height.value }
}
const now = computed(() => sizeOf(inputs))
const changed = computed(() => resizedInputs(fold.parameters, inputs, percent.value / 100, units.value, mark.value))
const then = computed(() => sizeOf(changed.value))
const ROOM = 3_000_000

/** The largest percentage whose card, rounded to marks, still goes into the envelope either way round. */
function fit(key: string) {
  envelope.value = key
  const wanted = batch.post.envelopes.find(entry => entry.key === key)
  if (!wanted) return
  const sides = [lengthFrom(wanted.width) - ROOM, lengthFrom(wanted.height) - ROOM]
  const goesIn = (share: number) => {
    const { width, height } = sizeOf(resizedInputs(fold.parameters, inputs, share / 100, units.value, mark.value))
    return Math.min(width, height) <= Math.min(...sides) && Math.max(width, height) <= Math.max(...sides)
  }
  let share = 300
  while (share > 5 && !goesIn(share)) share--
  percent.value = share
}
</script>

<template>
  <Dialog visible modal header="Another size" :style="{ width: '30rem' }" @update:visible="emit('close')">
    <form class="stack" novalidate @submit.prevent="isReadable($event) && emit('take', changed, percent / 100)">
      <NumberField
        v-model="percent"
        label="Percent of the size it has now"
        :min="5"
        :max="300"
        :decimals="1"
        suffix="%"
      />
      <div class="field">
        <span :id="`${id}-envelope`" class="label small">or as large as an envelope takes</span>
        <OneOfMany
          :aria-labelledby="`${id}-envelope`"
          :model-value="envelope"
          :options="batch.post.envelopes"
          placeholder="Choose an envelope"
          @update:model-value="fit"
        />
      </div>
      <p>
        Closed <SizeText :width="now.width" :height="now.height" /> becomes <strong><SizeText
          :width="then.width"
          :height="then.height"
          unit
        /></strong>. Every length is rounded to your trimmer’s marks. Sizes that were typed and pieces of
        a size of their own change with the card; borders and tape stay.
      </p>
      <FormFoot action="Take this size" @cancel="emit('close')" />
    </form>
  </Dialog>
</template>
