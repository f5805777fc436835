<script setup lang="ts">
import type { Fold } from '../../../core/folds'
import { FOLDS, defaultInputs } from '../../../core/folds'
import { MILLIMETRE } from '../../../core/lengths'

/** The folds to choose from, each drawn flat from its natural sizes. */
const emit = defineEmits<{ choose: [fold: Fold] }>()
const work = useClassStore()

const drawn = computed(() => FOLDS.map(fold => ({
  fold,
  construction: fold.construct(defaultInputs(fold.parameters, work.units), work.units, MILLIMETRE),
})))
</script>

<template>
  <ul>
    <li
      v-for="{ fold, construction } in drawn"
      :key="fold.id"
    >
      <button
        type="button"
        @click="emit('choose', fold)"
      >
        <FoldedDrawing
          aria-hidden="true"
          :construction="construction"
          :opening="0.8"
          :width="150"
          :height="110"
        />
        <span>
          <strong>{{ fold.name }}</strong>
          <span class="small quiet">no. {{ fold.number }}</span>
          <span class="quiet">{{ fold.summary }}</span>
        </span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 0.6rem; }
button {
  font: inherit; color: inherit; text-align: left; width: 100%; display: grid; grid-template-columns: 150px 1fr; gap: 1rem; align-items: center;
  background: var(--ground); border: 1px solid var(--line); border-radius: 3px; padding: 0.7rem 1rem; cursor: pointer;
}
button:hover { border-color: var(--accent); }
button span { display: grid; }
</style>
