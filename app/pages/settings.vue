<script setup lang="ts">
import { useColorMode, useDebounceFn, useLocalStorage } from '@vueuse/core'
import type { StudioSettings } from '../../core/document'
import type { Units } from '../../core/lengths'
import { MILLIMETRE, lengthFrom } from '../../core/lengths'

/**
 * What every new class starts with, and how Wakaru looks in this browser. A class keeps what it has; its own stand at
 * its stations.
 */
const toast = useToast()
const remembered = useLocalStorage<Units>('wakaru-units', 'inch')
const mode = useColorMode({ storageKey: 'wakaru-theme', emitAuto: true, modes: { light: '' } })
const settings = ref<StudioSettings>()
const position = ref(0)
/**
 * What is wrong with the settings that are kept, where they cannot be read: nothing is changed then until the maker
 * says so.
 */
const unreadable = ref<string>()
const state = ref<'saved' | 'saving' | 'failed'>('saved')
const failed = shallowRef<unknown>()

async function load() {
  try {
    const answer = await $fetch<{ position: number, settings: StudioSettings, unreadable?: string }>('/api/settings')
    settings.value = answer.settings
    unreadable.value = answer.unreadable
    position.value = answer.position
  }
  catch (error) {
    failed.value = error
  }
}
onMounted(load)

/**
 * What was sent last, and whether an answer is waited for: one after the other, for each follows on the position of the
 * one before.
 */
let sent: StudioSettings | undefined
let waiting = false
let anew: boolean | undefined
/** Sets aside what cannot be read, and keeps the usual settings. */
async function beginAnew() {
  anew = true
  change(() => undefined)
  await save()
  anew = undefined
  if (state.value === 'saved') unreadable.value = undefined
}
const save = useDebounceFn(async () => {
  if (waiting) return
  waiting = true
  try {
    while (toRaw(settings.value) !== sent) {
      sent = toRaw(settings.value)
      const answer = await $fetch<{ position: number }>('/api/settings', {
        method: 'PUT',
        body: { since: position.value, settings: sent, anew },
      })
      position.value = answer.position
    }
    state.value = 'saved'
  }
  catch (error) {
    const { status, message } = refusalOf(error)
    sent = undefined
    state.value = 'failed'
    toast.add({ severity: 'error', summary: message, life: 10_000 })
    if (status === 409) await load()
  }
  finally {
    waiting = false
  }
}, 400)
function change(edit: (settings: StudioSettings) => void) {
  if (!settings.value) return
  const changed = structuredClone(toRaw(settings.value))
  edit(changed)
  settings.value = changed
  state.value = 'saving'
  void save()
}
function setUnits(units: Units) {
  remembered.value = units
  change(all => (all.units = units))
}
const THEMES = [
  { value: 'auto', label: 'As the system' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
]
const WORDS = { saved: 'Saved', saving: 'Saving …', failed: 'Not saved' }
const units = computed(() => settings.value?.units ?? 'inch')
provideMeasures(units, () =>
  (settings.value ? lengthFrom(settings.value.tools[units.value].mark, units.value) : MILLIMETRE))
useHead({ title: 'Settings · Wakaru' })
</script>

<template>
  <div class="settings">
    <div class="spread">
      <h1>Settings</h1>
      <span class="small quiet" role="status">{{ WORDS[state] }}</span>
    </div>
    <p class="quiet">
      What every new class starts with. A class that is there keeps its own.
    </p>
    <NotRead v-if="failed" what="The settings" :error="failed" />
    <Message v-else-if="unreadable" severity="warn" :closable="false">
      <p>The settings that are kept cannot be read, so that nothing of them is shown or changed: {{ unreadable }}</p>
      <Button label="Begin with the usual settings" @click="beginAnew" />
      <p class="small">
        What cannot be read is set aside in the database and stays in every backup.
      </p>
    </Message>
    <div v-else-if="settings" class="columns">
      <section class="board stack">
        <fieldset class="field">
          <legend class="label small">
            Measures
          </legend>
          <UnitsChoice :model-value="units" @update:model-value="setUnits" />
        </fieldset>
        <fieldset class="field">
          <legend class="label small">
            Light or dark
          </legend>
          <OneOf v-model="mode" :options="THEMES" aria-label="Light or dark" />
        </fieldset>
      </section>
      <PricesForm :prices="settings.prices" open @change="(_, prices) => change(all => void (all.prices = prices))" />
      <ToolsForm
        :key="units"
        :tools="settings.tools[units]"
        open
        @change="(_, tools) => change(all => void (all.tools[units] = tools))"
      />
      <EveningForm
        :evening="settings.evening"
        @change="(_, evening) => change(all => void (all.evening = evening))"
      />
      <PostForm
        :post="settings.post"
        :currency="settings.prices.currency"
        @change="(_, edit) => change(all => edit(all.post))"
      />
      <SupplyForm
        :supplies="settings.supplies"
        :currency="settings.prices.currency"
        :envelopes="settings.post.envelopes"
        @change="(_, edit) => change(all => edit(all.supplies))"
      />
    </div>
    <p v-else class="quiet">
      Looking up the settings …
    </p>
  </div>
</template>

<style scoped>
.settings { display: grid; gap: 0.6rem; max-width: 70rem; }
.columns {
  display: grid; grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  gap: 0.75rem; align-items: start;
}
</style>
