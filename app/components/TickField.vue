<script setup lang="ts">
/** Yes or no, its words beside it: a box to tick, or a switch where what it does is seen at once. */
defineProps<{ label?: string, help?: string, switched?: boolean, disabled?: boolean }>()
const on = defineModel<boolean>({ required: true })
const id = useId()
</script>

<template>
  <span class="row tick">
    <ToggleSwitch v-if="switched" v-model="on" :input-id="id" :disabled />
    <Checkbox v-else v-model="on" binary :input-id="id" :disabled />
    <label :for="id">
      <slot>{{ label }}</slot><span v-if="help" class="quiet small">, {{ help }}</span>
    </label>
  </span>
</template>

<style scoped>
.tick { flex-wrap: nowrap; gap: 0.5rem; }
</style>
