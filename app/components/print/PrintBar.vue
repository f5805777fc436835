<script setup lang="ts">
defineProps<{ back: string }>()
const print = () => window.print()
</script>

<template>
  <nav
    class="row"
    aria-label="Printing"
  >
    <Button
      label="Print"
      @click="print"
    />
    <Button
      as="router-link"
      :to="back"
      label="Back to the class"
      severity="secondary"
      outlined
    />
  </nav>
</template>

<style scoped>
nav { margin-bottom: 6mm; }
@media print { nav { display: none; } }
</style>
