<script setup lang="ts">
import type { ListedClass } from '../../composables/useClassList'

/** The classes on one side of today, with as many of them as were asked for. */
const { when, search, today } = defineProps<{
  when: 'coming' | 'past'
  head: string
  none: string
  search: string
  today: string
}>()
const emit = defineEmits<{ copy: [entry: ListedClass], counted: [total: number], failed: [error: unknown] }>()
const id = useId()
const { classes, total, error, ready, more } = useClassList(when, toRef(() => search), toRef(() => today))
watch([ready, total], () => ready.value && emit('counted', total.value), { immediate: true })
watch(error, reason => emit('failed', reason))
</script>

<template>
  <section v-if="ready && (total > 0 || none)" :aria-labelledby="id">
    <h2 :id class="section">
      {{ head }} <span v-if="total > classes.length" class="quiet small">{{ classes.length }} of {{ total }}</span>
    </h2>
    <p v-if="total === 0" class="quiet">
      {{ none }}
    </p>
    <ClassRow v-for="entry in classes" :key="entry.id" :entry :past="when === 'past'" @copy="emit('copy', entry)" />
    <Button
      v-if="total > classes.length"
      label="Show more"
      severity="secondary"
      outlined
      class="more"
      @click="more()"
    />
  </section>
</template>

<style scoped>
.section { margin: 0.75rem 0 0.5rem; }
.more { margin-top: 0.75rem; }
</style>
