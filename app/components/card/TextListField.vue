<script setup lang="ts">
import type { TextParameter } from '../../../core/folds'
import { BOUNDS } from '../../../core/document'

/** A field for a short list. It is taken as soon as it can be read; until then the last good list stays in force. */
const { modelValue, parameter } = defineProps<{ modelValue: string, parameter: TextParameter }>()
const { units } = useMeasures()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()

const id = useId()
const draft = ref(modelValue)
const typing = ref(false)
watch(
  () => modelValue,
  () => {
    if (!typing.value) draft.value = modelValue
  },
)
const reason = computed(() =>
  draft.value.length > BOUNDS.parameter
    ? `At most ${BOUNDS.parameter} characters.`
    : parameter.problem(draft.value, units.value),
)

function take(text: string) {
  draft.value = text
  if (!reason.value && text !== modelValue) emit('update:modelValue', text)
}
</script>

<template>
  <LabelledField :input="id" :label="parameter.label">
    <Textarea
      :id
      :model-value="draft"
      :invalid="Boolean(reason)"
      rows="3"
      auto-resize
      :aria-describedby="`${id}-about`"
      @focus="typing = true"
      @blur="typing = false"
      @update:model-value="take($event ?? '')"
    />
    <span :id="`${id}-about`" :class="reason ? 'wrong' : 'quiet small'">{{ reason ?? parameter.help }}</span>
  </LabelledField>
</template>
