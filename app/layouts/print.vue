<template>
  <div class="paper">
    <slot />
  </div>
</template>

<style scoped>
.paper { max-width: 210mm; margin: 0 auto; padding: 8mm; background: var(--sheet); }
@media print { .paper { max-width: none; padding: 0; margin: 0; } }
</style>
