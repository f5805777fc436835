<script setup lang="ts">
/** Says what could not be read from the server, and why. */
defineProps<{ what: string, error: unknown }>()
</script>

<template>
  <Message severity="error" :closable="false">
    {{ what }} could not be read. {{ refusalOf(error).message }}
  </Message>
</template>
