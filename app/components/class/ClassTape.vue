<script setup lang="ts">
import { STATIONS } from '../../composables/useStations'

/** The preparation as a tape: the stations are marks along a score line, one line each. */
defineProps<{ id: number }>()
const stations = useStations()
const SIGNS = {
  'ready': 'tabler:check', 'needs you': 'tabler:alert-octagon', 'working': 'tabler:loader-2', 'empty': 'tabler:minus',
}
</script>

<template>
  <nav aria-label="Steps of the preparation" class="tape">
    <NuxtLink
      v-for="(station, index) in STATIONS"
      :key="station.key"
      :to="`/classes/${id}/${station.key}`"
      class="station"
      :title="`Alt ${index + 1}`"
    >
      <span class="notch" />
      <span class="name">{{ station.name }}</span>
      <span class="figure">{{ stations[station.key].figure }}</span>
      <span :class="['sign', 'small', stations[station.key].state.replace(' ', '-')]">
        <Icon :name="SIGNS[stations[station.key].state]" aria-hidden="true" />
        <span class="word">{{ stations[station.key].state }}</span>
      </span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.tape {
  display: grid; grid-template-columns: repeat(6, minmax(0, 1fr)); flex: none;
  background: var(--score) left 0 top 0.3rem / 100% 1px no-repeat;
}
.station {
  display: flex; gap: 0.45rem; align-items: baseline; padding: 0.55rem 0.4rem 0.15rem 0.1rem; white-space: nowrap;
  overflow: hidden;
  color: var(--quiet); text-decoration: none; position: relative;
}
.notch { position: absolute; top: 0; left: 0; width: 2px; height: 0.6rem; background: var(--score-colour); }
.name { font-weight: 600; }
.figure { color: var(--ink); }
.sign { display: flex; align-items: center; gap: 0.25rem; align-self: center; }
.needs-you { color: var(--stop); font-weight: 600; }
.ready .word, .empty .word { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
.station:hover .name { color: var(--ink); }
.router-link-active .name { color: var(--accent); }
.router-link-active .notch { background: var(--accent); width: 4px; height: 0.8rem; }
@media (pointer: coarse) { .station { min-height: 44px; } }
@media (max-width: 999px) {
  .station { flex-wrap: wrap; gap: 0 0.3rem; align-content: flex-start; min-height: 44px; }
  .figure { font-size: var(--small); }
  .word { display: none; }
}
@media (max-width: 560px) {
  .figure { flex-basis: 100%; white-space: normal; }
}
</style>
