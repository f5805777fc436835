<script setup lang="ts">
/** What an empty studio offers: three ways in, each with a picture of what comes of it. */
const emit = defineEmits<{ example: [], empty: [] }>()
const PICTURE = { base: '#7a8c9e', plate: '#c9b48a', insert: '#f6f2e7' }
</script>

<template>
  <section class="first stack">
    <h2>No classes yet. Begin in one of three ways</h2>
    <ul>
      <li>
        <NuxtLink to="/folds" class="board">
          <CardPicture fold="z-fold" units="inch" :colours="PICTURE" title="" aria-hidden="true" />
          <strong>Start from a fold</strong>
          <span class="quiet">Look through the catalogue, change the sizes, and teach what you like.</span>
        </NuxtLink>
      </li>
      <li>
        <button type="button" class="board" @click="emit('example')">
          <span class="row">
            <CardPicture
              v-for="fold in ['rising-scene', 'gatefold']"
              :key="fold"
              :fold
              units="inch"
              :colours="PICTURE"
              title=""
              aria-hidden="true"
            />
          </span>
          <strong>Start from a worked class</strong>
          <span class="quiet">A whole class with two cards and its papers. Look round in it, then make it yours.</span>
        </button>
      </li>
      <li>
        <NuxtLink to="/teach" class="board">
          <svg width="84" height="66" viewBox="0 0 84 66" aria-hidden="true">
            <rect
              v-for="(colour, at) in ['#f6f2e7', '#7a8c9e', '#c9b48a']"
              :key="colour"
              :x="6 + at * 10"
              :y="4 + at * 7"
              width="52"
              height="42"
              :fill="colour"
            />
          </svg>
          <strong>What could I teach?</strong>
          <span
            class="quiet"
          >Put your papers on the shelf first: every fold is cut from them on trial, as often as they last.</span>
        </NuxtLink>
      </li>
    </ul>
    <Button label="Make an empty class" text class="by-hand" @click="emit('empty')" />
  </section>
</template>

<style scoped>
ul {
  list-style: none; margin: 0; padding: 0; display: grid; gap: 1rem;
  grid-template-columns: repeat(auto-fit, minmax(min(17rem, 100%), 1fr));
}
li { display: grid; }
.board {
  font: inherit; color: inherit; text-align: left; text-decoration: none; cursor: pointer;
  display: grid; gap: 0.5rem; align-content: start;
}
.board:hover { border-color: var(--accent); }
strong { font-size: 1.0625rem; color: var(--accent); }
rect { stroke: var(--ink); stroke-width: 0.7; }
.by-hand { justify-self: start; }
</style>
