<script setup lang="ts">
await navigateTo(`/classes/${useRoute().params.id}/cards`, { replace: true })
</script>

<template>
  <div />
</template>
