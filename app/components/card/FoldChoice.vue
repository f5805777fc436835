<script setup lang="ts">
import { NO_DRESSING } from '../../../core/document'
import { dressedCard } from '../../../core/dressing'
import type { Fold } from '../../../core/folds'
import { FOLDS, foldById } from '../../../core/folds'
import { MILLIMETRE } from '../../../core/lengths'
import type { ListedVariant } from '../../composables/useVariants'

/** The folds to choose from, the maker's variants first, each drawn as it stands on display. */
const emit = defineEmits<{ choose: [fold: Fold, variant?: ListedVariant] }>()
const work = useClassStore()
const { data: variants } = useVariants()
const find = ref('')
const id = useId()

const pictured = (fold: Fold, variant?: ListedVariant) =>
  dressedCard(
    fold, { parameters: variant?.parameters ?? {}, ...NO_DRESSING, ...variant?.dressing }, work.units, MILLIMETRE,
  )
const choices = computed(() => [
  ...variants.value.filter(({ units }) => units === work.units).flatMap((variant) => {
    const fold = foldById(variant.fold)
    return fold
      ? [{ key: `variant-${variant.id}`, fold, variant, name: variant.name, about: `Your variant of ${fold.name}` }]
      : []
  }),
  ...FOLDS.map(fold => ({ key: fold.id, fold, variant: undefined, name: fold.name, about: fold.summary })),
]
  .filter(({ name, about, fold }) =>
    `${fold.number} ${name} ${about}`.toLowerCase().includes(find.value.trim().toLowerCase()),
  )
  .map(choice => ({ ...choice, construction: pictured(choice.fold, choice.variant) })))
</script>

<template>
  <div class="stack">
    <div class="row">
      <label :for="id">Find</label>
      <InputText :id v-model="find" autocomplete="off" />
    </div>
    <ul aria-label="Folds to add">
      <li v-for="{ key, fold, variant, name, about, construction } in choices" :key>
        <button type="button" @click="emit('choose', fold, variant)">
          <FoldedDrawing aria-hidden="true" :construction :opening="0.8" :view="fold.view" :width="130" :height="90" />
          <span>
            <strong>{{ name }}</strong>
            <span class="small quiet">no. {{ fold.number }}</span>
            <span class="quiet small">{{ about }}</span>
          </span>
        </button>
      </li>
    </ul>
    <p v-if="choices.length === 0">
      No fold is called that. Take a word away.
    </p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(20rem, 1fr));
  gap: 0.6rem;
}
button {
  font: inherit;
  color: inherit;
  text-align: left;
  width: 100%;
  height: 100%;
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 0.8rem;
  align-items: center;
  background: var(--ground);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0.5rem 0.7rem;
  cursor: pointer;
}
button:hover {
  border-color: var(--accent);
}
button span {
  display: grid;
}
</style>
