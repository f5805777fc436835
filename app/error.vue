<script setup lang="ts">
import type { NuxtError } from '#app'

const { error } = defineProps<{ error: NuxtError }>()
const missing = computed(() => error.statusCode === 404)
</script>

<template>
  <main class="lost">
    <h1>{{ missing ? 'There is nothing at this address' : 'Something went wrong' }}</h1>
    <p>{{ missing ? 'The class may have been deleted, or the address has a slip in it.' : error.message }}</p>
    <p>
      <Button label="Back to the classes" @click="clearError({ redirect: '/' })" />
    </p>
  </main>
</template>

<style scoped>
.lost { max-width: 36rem; margin: 6rem auto; padding: 0 1rem; display: grid; gap: 1rem; }
</style>
