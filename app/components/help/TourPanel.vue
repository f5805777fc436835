<script setup lang="ts">
/** The stop of the tour that is being looked at, in a corner where it covers little. */
const { place, stop, step, leave } = useTour()
</script>

<template>
  <aside v-if="stop && place" class="tour" aria-label="A look round" aria-live="polite">
    <p>{{ stop.words }}</p>
    <div class="row">
      <span class="small quiet">{{ place.stop + 1 }} of {{ TOUR.length }}</span>
      <span class="gap" />
      <QuietButton label="Leave" @click="leave" />
      <PlainButton v-if="place.stop > 0" label="Back" @click="step(-1)" />
      <Button :label="place.stop === TOUR.length - 1 ? 'Done' : 'Next'" size="small" @click="step(1)" />
    </div>
  </aside>
</template>

<style scoped>
.tour {
  position: fixed; right: 1rem; bottom: 3.2rem; width: min(22rem, calc(100vw - 2rem)); z-index: 5;
  background: var(--sheet);
  border: 1px solid var(--accent); border-radius: 3px; padding: 0.8rem 1rem; display: grid; gap: 0.6rem;
  box-shadow: 0 4px 18px rgb(0 0 0 / 18%);
}
.gap { flex: 1; }
</style>
