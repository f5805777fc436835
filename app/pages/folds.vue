<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import type { Skill } from '../../core/folds'
import { FOLDS, USUAL_SHEET, factsOf } from '../../core/folds'
import type { Units } from '../../core/lengths'

// The school chosen for the last class is the likely one here; the server starts from inches.
const remembered = useLocalStorage<Units>('wakaru-units', 'inch', { initOnMounted: true })
const units = computed({ get: () => remembered.value, set: value => (remembered.value = value) })
const find = ref('')
const standing = ref(false)
const skill = ref<Skill | 'any'>('any')
const compared = ref<string[]>([])
const opening = ref(80)

const UNITS = [{ value: 'inch', label: 'Inches' }, { value: 'metric', label: 'Millimetres' }]
const SKILLS = [{ value: 'any', label: 'Any' }, { value: 'first card', label: 'First card' }, { value: 'some care', label: 'Some care' }, { value: 'nimble', label: 'Nimble' }]

const all = computed(() => FOLDS.map(fold => ({ ...fold, facts: factsOf(fold, units.value) })))
const shown = computed(() => all.value.filter(fold =>
  (!standing.value || fold.stands)
  && (skill.value === 'any' || fold.skill === skill.value)
  && `${fold.number} ${fold.name} ${fold.summary}`.toLowerCase().includes(find.value.trim().toLowerCase())))
const chosen = computed(() => all.value.filter(({ id }) => compared.value.includes(id)))
useHead({ title: 'Catalogue of folds · Wakaru' })
</script>

<template>
  <div class="stack">
    <div class="spread">
      <h1>Catalogue of folds</h1>
      <SelectButton
        v-model="units"
        :options="UNITS"
        option-value="value"
        option-label="label"
        :allow-empty="false"
        size="small"
        aria-label="Measures"
      />
    </div>
    <div class="row filters">
      <div class="row">
        <label for="find">Find</label>
        <InputText
          id="find"
          v-model="find"
          autocomplete="off"
        />
      </div>
      <SelectButton
        v-model="skill"
        :options="SKILLS"
        option-value="value"
        option-label="label"
        :allow-empty="false"
        size="small"
        aria-label="Skill"
      />
      <div class="row">
        <ToggleSwitch
          v-model="standing"
          input-id="stands"
        />
        <label for="stands">Stands by itself</label>
      </div>
      <div class="row open">
        <label for="opening">Open</label>
        <input
          id="opening"
          v-model.number="opening"
          type="range"
          min="0"
          max="100"
        >
      </div>
    </div>
    <ul
      v-if="shown.length > 0"
      aria-label="Folds"
      class="tiles"
    >
      <li
        v-for="fold in shown"
        :key="fold.id"
        class="board"
      >
        <FoldedDrawing
          :construction="fold.facts.construction"
          :opening="opening / 100"
          :width="250"
          :height="170"
          aria-hidden="true"
        />
        <h2>{{ fold.name }}</h2>
        <p class="small">
          {{ fold.summary }}
        </p>
        <p class="facts">
          <SizeText
            :width="fold.facts.closed.width"
            :height="fold.facts.closed.height"
            :units="units"
            unit
          />
          <span class="quiet small">{{ count(fold.facts.pieces, 'piece') }}, {{ fold.facts.sheets.toFixed(1) }} {{ USUAL_SHEET[units].name }} a kit</span>
        </p>
        <p class="quiet small">
          {{ fold.skill }}{{ fold.stands ? ', stands by itself' : '' }}
        </p>
        <div class="row compare">
          <Checkbox
            v-model="compared"
            :value="fold.id"
            :input-id="`compare-${fold.id}`"
          />
          <label
            :for="`compare-${fold.id}`"
            class="small"
          >Compare<span class="unseen"> {{ fold.name }}</span></label>
        </div>
      </li>
    </ul>
    <p v-else>
      No fold does all that. Take a word or a choice away.
    </p>
    <section
      v-if="chosen.length > 0"
      class="board"
    >
      <table aria-label="Compared folds">
        <thead>
          <tr>
            <th scope="col" />
            <th
              v-for="fold in chosen"
              :key="fold.id"
              scope="col"
            >
              {{ fold.name }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">
              Closed
            </th>
            <td
              v-for="{ id, facts } in chosen"
              :key="id"
            >
              <SizeText
                :width="facts.closed.width"
                :height="facts.closed.height"
                :units="units"
              />
            </td>
          </tr>
          <tr>
            <th scope="row">
              On display, with depth
            </th>
            <td
              v-for="{ id, facts } in chosen"
              :key="id"
            >
              <SizeText
                :width="facts.displayed.width"
                :height="facts.displayed.height"
                :units="units"
              /> × <LengthText
                :length="facts.displayed.depth"
                :units="units"
              />
            </td>
          </tr>
          <tr>
            <th scope="row">
              Pieces
            </th>
            <td
              v-for="{ id, facts } in chosen"
              :key="id"
            >
              {{ facts.pieces }}
            </td>
          </tr>
          <tr>
            <th scope="row">
              Scores
            </th>
            <td
              v-for="{ id, facts } in chosen"
              :key="id"
            >
              {{ facts.scores }}
            </td>
          </tr>
          <tr>
            <th scope="row">
              {{ USUAL_SHEET[units].name }} sheets a kit, by area
            </th>
            <td
              v-for="{ id, facts } in chosen"
              :key="id"
            >
              {{ facts.sheets.toFixed(2) }}
            </td>
          </tr>
          <tr>
            <th scope="row">
              Skill
            </th>
            <td
              v-for="{ id, skill: needed } in chosen"
              :key="id"
            >
              {{ needed }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.filters { gap: 1.5rem; }
.open { margin-left: auto; }
input[type='range'] { accent-color: var(--accent); width: 10rem; }
.tiles { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(17.5rem, 1fr)); gap: 0.9rem; }
.tiles li { display: grid; gap: 0.3rem; align-content: start; justify-items: start; }
.tiles h2 { font-size: 1.2rem; }
.facts { display: flex; gap: 0.6rem; align-items: baseline; flex-wrap: wrap; }
.compare { gap: 0.4rem; }
</style>
