<script setup lang="ts">
/** The words Wakaru uses, each with a small drawing. */
const WORDS: { word: string, meaning: string, draw: string, dash?: string }[] = [
  {
    word: 'Kit',
    meaning: 'All pieces of one card for one person.',
    draw: 'M8 8h18v26H8zM30 12h14v10H30zM30 25h22v9H30z',
  },
  {
    word: 'Bag',
    meaning: 'What one seat gets: a kit of every card.',
    draw: 'M18 12h24l4 24H14zM24 12c0-8 12-8 12 0',
  },
  {
    word: 'Base',
    meaning: 'The sheet that is folded; everything else is glued on it.',
    draw: 'M6 8h48v26H6zM30 8v26',
  },
  {
    word: 'Mat',
    meaning: 'A smaller layer on a panel that leaves a border.',
    draw: 'M6 6h48v30H6zM11 11h38v20H11z',
  },
  {
    word: 'Panel',
    meaning: 'The part of a sheet between two folds.',
    draw: 'M6 8h48v26H6zM22 8v26M38 8v26M25 21h10',
  },
  {
    word: 'Mountain',
    meaning: 'A fold that stands up towards you. Dash and dot.',
    draw: 'M4 32L30 10L56 32',
    dash: '10 3 2 3',
  },
  {
    word: 'Valley',
    meaning: 'A fold that lies away from you. Dashes.',
    draw: 'M4 10L30 32L56 10',
    dash: '6 4',
  },
  {
    word: 'Score',
    meaning: 'A line pressed into the sheet so that it folds there.',
    draw: 'M6 8h48v26H6zM30 8v26M26 2h8l-4 6z',
  },
  {
    word: 'Slit',
    meaning: 'A cut that stays inside the sheet.',
    draw: 'M6 8h48v26H6zM20 15v12M40 15v12',
  },
  {
    word: 'Drop-out',
    meaning: 'What a window leaves over: a piece you can still use.',
    draw: 'M6 6h26v30H6zM12 13h14v16H12zM40 13h14v16H40z',
  },
  {
    word: 'Layout',
    meaning: 'How pieces lie on one sheet; cut the same way several times.',
    draw: 'M8 4h44v34H8zM8 21h44M30 4v34M41 21v17',
  },
  {
    word: 'Fence',
    meaning: 'The stop of the trimmer that the sheet is pushed against.',
    draw: 'M6 6h6v30H6zM12 10h40v22H12zM38 4v34',
  },
  {
    word: 'Setting',
    meaning: 'One place of the fence; several cuts are made before it moves.',
    draw: 'M6 34h48M14 34v-8M24 34v-5M34 34v-8M44 34v-5M34 6v14M30 16l4 5 4-5',
  },
  {
    word: 'Offcut',
    meaning: 'A leftover large enough to keep.',
    draw: 'M6 6h48v30H6zM38 6v30M42 12l8 8M42 20l8 8',
  },
  {
    word: 'Grain',
    meaning: 'The way the fibres run; paper folds well along it.',
    draw: 'M6 6h48v30H6zM12 13h36M12 21h36M12 29h36',
  },
  {
    word: 'Ready',
    meaning: 'Nothing at this step waits for you.',
    draw: 'M16 22l10 10L46 10',
  },
]
const find = ref('')
const id = useId()
const shown = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  return WORDS.filter(({ word, meaning }) => `${word} ${meaning}`.toLowerCase().includes(wanted))
})
</script>

<template>
  <div class="stack">
    <LabelledField :input="id" label="Find a word">
      <InputText :id v-model="find" autocomplete="off" />
    </LabelledField>
    <dl>
      <div v-for="{ word, meaning, draw, dash } in shown" :key="word">
        <svg width="60" height="42" aria-hidden="true"><path :d="draw" :stroke-dasharray="dash" /></svg>
        <dt>{{ word }}</dt>
        <dd>{{ meaning }}</dd>
      </div>
    </dl>
    <p v-if="shown.length === 0">
      That word is not explained here.
    </p>
  </div>
</template>

<style scoped>
dl {
  margin: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(min(15rem, 100%), 1fr));
  gap: 0.5rem 1rem;
}
dl > div { display: grid; grid-template-columns: 60px 1fr; gap: 0 0.7rem; }
svg { grid-row: 1 / 3; }
path { fill: none; stroke: var(--ink); stroke-width: 1.6; }
dt { font-weight: 600; align-self: end; }
dd { margin: 0; font-size: var(--small); }
</style>
