<script setup lang="ts">
/** A button that is hardly more than its words: takes off, opens, puts back. What it is given goes to the button. */
defineSlots<{ default?: () => unknown }>()
</script>

<template>
  <Button severity="secondary" text size="small">
    <template v-if="$slots.default" #default>
      <slot />
    </template>
  </Button>
</template>
