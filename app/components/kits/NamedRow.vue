<script setup lang="ts">
/** An entry of a list with its name, its own fields, and a way to take it out. */
defineProps<{ name: string, legend: string }>()
const emit = defineEmits<{ rename: [name: string], remove: [] }>()
</script>

<template>
  <fieldset class="entry">
    <legend class="unseen">
      {{ legend }}
    </legend>
    <InputText
      :model-value="name"
      :aria-label="`Name of ${legend.toLowerCase()}`"
      @update:model-value="$event?.trim() && emit('rename', $event)"
    />
    <slot />
    <RemoveButton :label="`Remove ${name}`" @click="emit('remove')" />
  </fieldset>
</template>

<style scoped>
.entry {
  display: flex; flex-wrap: wrap; gap: 0.5rem 0.9rem; align-items: end;
  border: 0; border-top: 1px solid var(--line); padding: 0.6rem 0 0; margin: 0;
}
</style>
