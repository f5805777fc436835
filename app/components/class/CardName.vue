<script setup lang="ts">
defineProps<{ title: string, longest: number }>()
const emit = defineEmits<{ rename: [title: string] }>()
const id = useId()
</script>

<template>
  <LabelledField
    :input="id"
    label="Name of the card"
  >
    <InputText
      :id="id"
      :model-value="title"
      :maxlength="longest"
      autocomplete="off"
      @update:model-value="$event && emit('rename', $event)"
    />
  </LabelledField>
</template>
