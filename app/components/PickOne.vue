<script setup lang="ts" generic="T extends object">
/** Picks one of a list for something that is done with it at once; nothing stays chosen. */
defineProps<{ options: readonly T[], named: keyof T & string, words: string }>()
const emit = defineEmits<{ pick: [option: T] }>()
/** The list is made anew after each pick, so that the same one can be picked again. */
const picks = ref(0)
function pick(option: T) {
  picks.value++
  emit('pick', option)
}
</script>

<template>
  <Select
    :key="picks"
    :model-value="undefined"
    :options="[...options]"
    :option-label="named"
    :placeholder="words"
    :aria-label="words"
    size="small"
    :filter="options.length > 8"
    @update:model-value="pick"
  />
</template>
