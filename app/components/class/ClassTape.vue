<script setup lang="ts">
import { STATIONS } from '../../composables/useStations'

/** The preparation as a tape: the stations are marks along a score line. */
defineProps<{ id: number }>()
const stations = useStations()
const SIGNS = { 'settled': 'tabler:check', 'needs you': 'tabler:alert-octagon', 'working': 'tabler:loader-2', 'empty': 'tabler:minus' }
</script>

<template>
  <nav
    aria-label="Stations of the preparation"
    class="tape"
  >
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
      <span :class="['sign', stations[station.key].state.replace(' ', '-')]">
        <Icon
          :name="SIGNS[stations[station.key].state]"
          aria-hidden="true"
        />
        {{ stations[station.key].state }}
      </span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.tape { display: grid; grid-template-columns: repeat(5, 1fr); background: var(--score) left 0 top 0.5rem / 100% 1px no-repeat; }
.station {
  display: grid; grid-template-columns: auto auto 1fr; column-gap: 0.6rem; align-items: baseline; padding: 1.1rem 0.5rem 0.45rem 0;
  color: var(--quiet); text-decoration: none; position: relative;
}
.notch { position: absolute; top: 0.18rem; left: 0; width: 2px; height: 0.7rem; background: var(--score-colour); }
.name { font-weight: 600; }
.figure { color: var(--ink); white-space: nowrap; }
.sign { grid-column: 1 / -1; font-size: var(--small); display: flex; align-items: center; gap: 0.25rem; }
.needs-you { color: var(--stop); font-weight: 600; }
.station:hover .name { color: var(--ink); }
.router-link-active .name { color: var(--accent); }
.router-link-active .notch { background: var(--accent); width: 4px; height: 1rem; top: 0; }
</style>
