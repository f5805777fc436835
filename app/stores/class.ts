import { defineStore } from 'pinia'
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Batch, CardEntry } from '../../core/document'
import { useClassDoor } from './class-door'
import { withDraft } from './drafts'
import { useEditing } from './editing'
import { useFeed } from './feed'
import { useWorkedOut } from './worked-out'

/**
 * The class on screen with the papers of the shelf: one document, its way back and its
 * saving. Every change goes through `edit`; everything shown is computed from it.
 */
export const useClassStore = defineStore('class', () => {
  const id = ref<number>()
  /** Changes that this browser had kept could not be read. */
  const setAside = ref(false)
  const { read, door, wanted, morePapers } = useClassDoor(id)
  const { begin, end, takeIn, hear, refresh, current: document, ...editing } = useEditing<Batch>(door)

  /** Counts what was opened and closed: an answer for a class that was left meanwhile is of no use. */
  let visits = 0
  async function open(asked: number) {
    close()
    const visit = visits
    const { position, document: saved, more } = await read(asked)
    if (visit !== visits) return
    const draft = await withDraft(asked, saved, position)
    if (visit !== visits) return
    id.value = asked
    morePapers.value = more
    setAside.value = draft.setAside
    begin(position, draft.session)
    // What was kept may have been kept for an older state of the class.
    if (draft.session.base !== saved) takeIn({ position, document: saved })
  }

  function close() {
    visits++
    end()
    id.value = undefined
    wanted.clear()
    setAside.value = false
  }

  /** Fetches a paper of the shelf that is not here yet. */
  async function bring(key: string) {
    if (document.value?.papers.some(paper => paper.key === key)) return
    wanted.add(key)
    await refresh(true)
  }

  /** Changes one card of the class, if it is there still. */
  function editCard(what: string, key: string, change: (card: CardEntry) => void) {
    editing.edit(`${what} of ${key}`, (document) => {
      const card = document.cards.find(card => card.key === key)
      if (card) change(card)
    })
  }

  const feed = useFeed(({ position, touched }) => {
    const concerns = touched.some(what => what === '*' || what === `class:${id.value}` || what.startsWith('paper:'))
    void hear(position < 0 ? Infinity : position, concerns)
  })
  if (import.meta.client) useEventListener(window, 'online', () => void editing.save())

  const theirs = computed(() => editing.session.value?.theirs)
  return {
    ...useWorkedOut(document), ...editing, ...feed,
    id, document, setAside, theirs, morePapers, open, close, bring, editCard,
  }
})
