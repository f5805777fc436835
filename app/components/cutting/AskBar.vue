<script setup lang="ts">
/** Heading of a question that takes a while: asks it, shows how far it is, stops it, and says what went wrong. */
const { counter } = defineProps<{
  heading: string
  ask: string
  stop: string
  busy: string
  counter: ReturnType<typeof useKitCount>
  disabled?: boolean
}>()
const emit = defineEmits<{ ask: [] }>()
const running = computed(() => counter.running.value)
const share = computed(() => Math.round(100 * counter.share.value))
const failed = computed(() => counter.failed.value)
</script>

<template>
  <div class="spread">
    <h2>{{ heading }}</h2>
    <div class="row">
      <slot />
      <ProgressBar v-if="running" :value="share" :show-value="false" class="progress" :aria-label="busy" />
      <PlainButton v-if="running" :label="stop" @click="counter.stop()" />
      <Button v-else :label="ask" size="small" :disabled @click="emit('ask')" />
    </div>
  </div>
  <Message v-if="failed" severity="error" :closable="false">
    {{ failed }}
  </Message>
</template>

<style scoped>
.progress { width: 10rem; height: 0.5rem; }
</style>
