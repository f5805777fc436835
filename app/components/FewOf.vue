<script setup lang="ts" generic="One">
/** The first few of a list that may be long, all of them once they are asked for. */
const { all, few = 8, before = () => false, foot = 'span' } = defineProps<{
  all: One[]
  few?: number
  /** What is shown before others where not all are; they stay in their order. */
  before?: (one: One) => boolean
  /** What the button for the others lies in: an item, at the end of a list. */
  foot?: 'span' | 'li'
}>()
const isWhole = ref(false)
/** To leave out a single one saves no room. */
const shown = computed(() => {
  if (isWhole.value || all.length <= few + 1) return all
  const chosen = new Set(all.filter(before).slice(0, few))
  for (const one of all) if (chosen.size < few) chosen.add(one)
  return all.filter(one => chosen.has(one))
})
</script>

<template>
  <slot v-for="(one, at) in shown" :key="at" :one :at />
  <component :is="foot" v-if="shown.length < all.length">
    <QuietButton :label="`and ${all.length - shown.length} more`" @click="isWhole = true" />
  </component>
</template>
