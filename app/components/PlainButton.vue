<script setup lang="ts">
/** A button beside the one thing that a form or page is for. What it is given goes to the button itself. */
defineSlots<{ default?: () => unknown }>()
</script>

<template>
  <Button severity="secondary" outlined size="small">
    <template v-if="$slots.default" #default>
      <slot />
    </template>
  </Button>
</template>
