<script setup lang="ts">
/** The end of a form in a dialog: what was refused, a way out, and the one thing it does. */
defineProps<{ action: string, refused?: string, busy?: boolean }>()
const emit = defineEmits<{ cancel: [] }>()
</script>

<template>
  <Message v-if="refused" severity="error" :closable="false">
    {{ refused }}
  </Message>
  <div class="row end">
    <Button label="Cancel" severity="secondary" outlined @click="emit('cancel')" />
    <Button :label="action" type="submit" :loading="busy" />
  </div>
</template>

<style scoped>
.end { justify-content: flex-end; }
</style>
