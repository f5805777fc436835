<script setup lang="ts">
import { LEVEL_WORDS, ROLE_NAMES, rolesOf, usualProfile } from '../../../core/batch'
import { taskMinutes, tasksOf } from '../../../core/kits'
import type { Task } from '../../../core/kits'
import { wholeMinutes } from '../../../core/cutting'
import { ADHESIVES, BOUNDS, PREP_LEVELS, PREP_PACE } from '../../../core/document'
import type { Adhesive, PrepEntry, PrepLevel, ProfileEntry } from '../../../core/document'

/** How far pieces are made ready before they go into a bag, profile by profile, and what that gives to do. */
const work = useClassStore()
const id = useId()
const prep = computed(() => work.batch.prep)
const usual = computed(() => usualProfile(work.batch))
const shown = ref<string>()
const profile = computed(() => prep.value.profiles.find(({ key }) => key === shown.value) ?? usual.value)
const roles = computed(() => rolesOf(work.prepared.cards))
const tasks = computed(() => tasksOf(work.prepared))
const bagsWith = (key: string) =>
  work.prepared.cards[0]?.dealt.filter(({ prep: { profile } }) => profile.key === key).length ?? 0

const LEVELS = PREP_LEVELS.map(value => ({ value, label: LEVEL_WORDS[value] }))
const ADHESIVE_WORDS: Record<Adhesive, string> = {
  'on the table': 'lies on the table', 'in the bag': 'goes into the bag', 'precut': 'goes into the bag cut ready',
  'brought': 'students bring it',
}
const STICKS = ADHESIVES.map(value => ({ value, label: ADHESIVE_WORDS[value] }))
const TASKS = [
  { key: 'name', head: 'To do', text: ({ name }: Task) => name },
  { key: 'what', head: 'What', text: ({ what }: Task) => what },
  { key: 'minutes', head: 'Minutes', number: true, text: ({ minutes }: Task) => wholeMinutes(minutes) },
]

const edit = (what: string, change: (prep: PrepEntry) => void) => work.edit(what, document => change(document.prep))
function set(what: string, change: Partial<ProfileEntry>) {
  const { key } = profile.value
  edit(`${what} of ${key}`, ({ profiles }) => void Object.assign(profiles.find(own => own.key === key) ?? {}, change))
}
const own = computed(() => editable(profile.value, change => set(Object.keys(change).join(), change)))
/** What is cut is not written down: it is as usual. */
function level(name: string, value: PrepLevel | null, plain: PrepLevel | null = 'cut') {
  const { [name]: _, ...others } = profile.value.levels
  set(`level ${name}`, { levels: value === plain ? others : { ...others, [name]: value ?? 'cut' } })
}
const moreWords = computed(() => {
  const total = Object.values(profile.value.more).reduce((sum, number) => sum + number, 0)
  return total > 0 ? ` (${total})` : ''
})
function more(kind: string, number: number) {
  const { [kind]: _, ...others } = profile.value.more
  set(`more ${kind}`, { more: number > 0 ? { ...others, [kind]: number } : others })
}
const pieces = computed(() => work.prepared.cards.flatMap(({ entry, pieces }) =>
  pieces.map(({ key, name }) => ({ value: `${entry.key} ${key}`, label: `${name} (${entry.title})` }))))
const single = computed(() => pieces.value.filter(({ value }) => value in profile.value.levels))
const others = computed(() => pieces.value.filter(({ value }) => !(value in profile.value.levels)))
function add() {
  const key = uniqueKey('profile')
  let number = prep.value.profiles.length + 1
  while (prep.value.profiles.some(({ name }) => name === `Profile ${number}`)) number++
  edit('add profile', ({ profiles }) =>
    void profiles.push({
      key,
      name: `Profile ${number}`,
      levels: { ...profile.value.levels },
      more: { ...profile.value.more },
      adhesive: profile.value.adhesive }))
  shown.value = key
}
function remove() {
  const { key } = profile.value
  shown.value = undefined
  work.edit(`remove profile ${key}`, (document) => {
    document.prep.profiles = document.prep.profiles.filter(own => own.key !== key)
    if (document.prep.usual === key) document.prep.usual = ''
    for (const seat of document.roster) if (seat.profile === key) seat.profile = ''
  })
}
</script>

<template>
  <section class="board stack" aria-label="Made ready">
    <h2>How bags are made ready</h2>
    <div class="stack">
      <ChoiceField
        label="This class"
        :model-value="prep.usual || null"
        :options="prep.profiles"
        :none="`as is natural: ${usual.name}`"
        @update:model-value="edit('usual profile', prep => void (prep.usual = $event ?? ''))"
      />
      <ChoiceField
        label="Look at"
        :model-value="profile.key"
        :options="prep.profiles.map(({ key, name }) => ({ key, name: `${name} (${count(bagsWith(key), 'bag')})` }))"
        @update:model-value="shown = $event ?? undefined"
      />
    </div>
    <div class="row name">
      <NameField v-model="own.name" aria-label="Name of this profile" />
      <PlainButton label="Another profile" :disabled="prep.profiles.length >= BOUNDS.profiles" @click="add" />
      <RemoveButton v-if="prep.profiles.length > 1" size="small" :label="`Remove ${profile.name}`" @click="remove" />
    </div>
    <div class="fields">
      <ChoiceField
        v-for="{ kind } in roles"
        :key="kind"
        :label="ROLE_NAMES[kind]"
        :model-value="profile.levels[kind] ?? 'cut'"
        :options="LEVELS"
        @update:model-value="$event && level(kind, $event)"
      />
      <ChoiceField v-model="own.adhesive" label="Tape and foam" :options="STICKS" />
      <ChoiceField
        v-for="{ value, label } in single"
        :key="value"
        :label
        :model-value="profile.levels[value]"
        :options="LEVELS"
        none="as its kind"
        @update:model-value="level(value, $event, null)"
      />
      <div v-if="others.length > 0" class="field">
        <label :for="`${id}-single`">A single piece otherwise</label>
        <OneOfMany
          :input-id="`${id}-single`"
          aria-label="A single piece otherwise"
          :model-value="null"
          :options="others"
          placeholder="choose it"
          @update:model-value="$event && level($event, 'assembled', null)"
        />
      </div>
    </div>
    <details>
      <summary class="small">
        More pieces in the bag to choose from{{ moreWords }}
      </summary>
      <div class="fields">
        <NumberField
          v-for="{ kind } in roles"
          :key="kind"
          :label="ROLE_NAMES[kind]"
          :model-value="profile.more[kind] ?? 0"
          :min="0"
          :max="BOUNDS.more"
          @update:model-value="more(kind, $event)"
        />
      </div>
    </details>
    <p class="small quiet">
      Uncut paper goes along as a strip,
      and what students bring is neither cut nor bought. Bags with a profile of their own say so in the bag.
    </p>
    <h3>To do beside cutting, {{ wholeMinutes(taskMinutes(tasks)) }} minutes</h3>
    <FigureTable :rows="tasks" :columns="TASKS" />
    <details>
      <summary class="small">
        Seconds for each
      </summary>
      <div class="fields">
        <FieldRows
          :table="PREP_PACE"
          :values="prep.pace"
          @change="(key, change) => edit(`pace ${key}`, prep => void Object.assign(prep.pace, change))"
        />
      </div>
    </details>
  </section>
</template>

<style scoped>
h2 { font-size: 1.0625rem; }
.fields {
  display: grid; grid-template-columns: repeat(auto-fill, minmax(10.5rem, 1fr)); gap: 0.5rem;
  align-items: end;
}
summary { cursor: pointer; }
.name { flex-wrap: nowrap; }
.name input { min-width: 0; flex: 1; }
</style>
