<script setup lang="ts">
defineProps<{ title: string, longest: number }>()
const emit = defineEmits<{ rename: [title: string] }>()
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id">Name of the card</label>
    <InputText
      :id="id"
      :model-value="title"
      :maxlength="longest"
      autocomplete="off"
      @update:model-value="$event && emit('rename', $event)"
    />
  </div>
</template>
