<script setup lang="ts">
import type { Layout } from '../../../core/cutting'

/** Notes how many sheets of a layout are cut. */
const { layout } = defineProps<{ layout: Layout }>()
const emit = defineEmits<{ cut: [sheets: number] }>()
const id = useId()
const sheets = ref<number | null>(layout.repeats)
watch(() => layout.repeats, repeats => (sheets.value = repeats))
</script>

<template>
  <form class="row" novalidate @submit.prevent="isReadable($event) && sheets && emit('cut', sheets)">
    <label :for="id" class="unseen">Sheets of it that are cut</label>
    <NumberField v-model="sheets" :input-id="id" :min="1" :max="layout.repeats" />
    <PlainButton type="submit" label="are cut" :disabled="!sheets" />
  </form>
</template>
