<script setup lang="ts">
defineProps<{ heading: string }>()
const work = useClassStore()
</script>

<template>
  <header>
    <h2>{{ heading }}</h2>
    <p class="quiet">
      {{ work.document?.class.title }}, {{ work.document?.class.date }}
    </p>
    <hr class="scored">
  </header>
</template>

<style scoped>
header { margin-bottom: 3mm; }
hr { margin-top: 2mm; print-color-adjust: exact; }
</style>
