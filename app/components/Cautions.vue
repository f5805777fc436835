<template>
  <aside class="cautions small" aria-label="Cautions">
    <Icon name="tabler:alert-triangle" aria-hidden="true" />
    <p>
      Knives and trimmer blades: cut away from the body, steel ruler and cutting mat under every knife cut, blade closed
      when put down; children only with an adult beside them. Foam pads and small parts are a choking hazard for small
      children. The rules of the venue and local rules come first.
    </p>
  </aside>
</template>

<style scoped>
.cautions { display: flex; gap: 0.6rem; align-items: flex-start; color: var(--quiet); }
.cautions :deep(svg) { flex: none; margin-top: 0.15rem; color: var(--warn); }
</style>
