<script setup lang="ts">
/** An entry of a list with its name, its own fields, and a way to take it out. */
defineProps<{ legend: string }>()
const emit = defineEmits<{ remove: [] }>()
const name = defineModel<string>({ required: true })
</script>

<template>
  <fieldset class="entry">
    <legend class="unseen">
      {{ legend }}
    </legend>
    <NameField v-model="name" :aria-label="`Name of ${legend.toLowerCase()}`" />
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
