<script setup lang="ts">
import { placeInWords } from '../../../core/batch'
import { nameAt } from '../../../core/document'

/**
 * What the maker has to know about the saving of the class: what was refused, what is not kept, what cannot be taken
 * back.
 */
const work = useClassStore()
/** A place in the maker's words where it has some; else as the server names it. */
function placeOf(path: string) {
  const place = path.split('.')
  return work.document && nameAt(place) !== undefined ? placeInWords(place, work.document) : path
}
const wrong = computed(() =>
  work.problems.map(({ path, problem }) => `${placeOf(path)} ${problem}`.trim().replace(/\.$/, '')).join('; '),
)
const blocked = computed(() => {
  const shown = work.document
  return shown && work.blocked ? work.blocked.blocked.map(path => placeInWords(path, shown)).join(', ') : ''
})
</script>

<template>
  <Message v-if="work.state === 'refused'" severity="error" :closable="false">
    The last change is not saved: {{ wrong }}. It stays on this screen; put it right or take it back.
  </Message>
  <Message v-if="work.state === 'failed'" severity="error" :closable="false">
    The server could not save the last change. It is kept in this browser. <Button
      link
      label="Try again"
      @click="work.save()"
    />
  </Message>
  <Message v-if="work.noRoom && work.state !== 'saved'" severity="warn" :closable="false">
    This browser has no room to keep what is not saved yet: stay on this page until it says Saved.
  </Message>
  <Message v-if="work.blocked" severity="warn" closable @close="work.blocked = undefined">
    Not taken back: another window has changed {{ blocked }} since.
  </Message>
  <Message v-if="work.setAside" severity="warn" closable @close="work.setAside = false">
    Changes that this browser had kept for this class could not be read, perhaps after an update. What was saved last is
    shown.
  </Message>
</template>
