import { defineStore } from 'pinia'
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Preparation } from '../../core/batch'
import { prepare } from '../../core/batch'
import type { Batch, CardEntry, Patch } from '../../core/document'
import { afterOthers } from '../../core/document'
import { useTrailing } from '../composables/useTrailing'
import { refusalOf } from '../utils/refusal'
import { forgetDraft, keepDraft, withDraft } from './drafts'
import type { At, Sent } from './editing'
import { useEditing } from './editing'
import { newToken, useFeed } from './feed'
import { usePapersStore } from './papers'
import { useSharingStore } from './sharing'

/**
 * The class on screen with the papers of the shelf: one document, its way back and its
 * saving. Every change goes through `edit`; everything shown is computed from it.
 */
export const useClassStore = defineStore('class', () => {
  const shelf = usePapersStore()
  const id = ref<number>()
  /** Changes that this browser had kept could not be read. */
  const setAside = ref(false)

  /** Papers that were looked for and chosen, besides those that come by themselves; how many the shelf has besides. */
  const wanted = new Set<string>()
  const morePapers = ref(0)
  async function load(of: number) {
    return await $fetch<{ position: number, document: Batch, more: number }>(`/api/classes/${of}`, {
      query: wanted.size > 0 ? { with: [...wanted].join(',') } : undefined,
    })
  }
  async function loadAgain() {
    const answer = await load(id.value ?? 0)
    morePapers.value = answer.more
    return answer
  }
  /** The class after what others have changed since a position; nothing where it has to be loaded. */
  async function later(since: number, base: Batch): Promise<At<Batch> | undefined> {
    const { position, patches } = await $fetch<{ position: number, patches: Patch[] | null }>(
      `/api/classes/${id.value ?? 0}/changes`, { query: { since } })
    const document = patches ? afterOthers(base, patches) : undefined
    return document && { position, document }
  }
  /** Fetches a paper of the shelf that is not here yet. */
  async function bring(key: string) {
    if (document.value?.papers.some(paper => paper.key === key)) return
    wanted.add(key)
    await editing.refresh(true)
  }
  const editing = useEditing<Batch>({
    load: loadAgain,
    later,
    save: (sent: Sent) =>
      $fetch<{ position: number }>('/api/edits', {
        method: 'POST', body: { ...sent, class: id.value ?? null }, retry: 0,
      }),
    keep: (session, at) => id.value === undefined || keepDraft(id.value, session, at),
    forget: () => id.value !== undefined && forgetDraft(id.value),
    newToken,
    refusalOf,
  })
  const { current: document, session, state } = editing
  /** What is prepared takes over from before what has not changed. */
  let before: Preparation | undefined
  const sharings = useSharingStore()
  const preparation = computed(() => (before = document.value && prepare(document.value, before, sharings.known)))
  // Prints are shared out at once by their rules, and then together with the cutting.
  watch(() => preparation.value?.sharing, sharing => sharing && typeof Worker !== 'undefined' && sharings.seek(sharing))
  /** Document and preparation one paint behind, for what follows from the cards and may be drawn after them. */
  const behind = useTrailing(
    () => document.value && preparation.value && { batch: document.value, preparation: preparation.value },
  )
  const whileOpen = <T>(value: T | undefined): T => {
    if (value === undefined) throw new Error('No class is open.')
    return value
  }
  /** The class on screen and what follows from it, for parts of the page that are shown only while one is open. */
  const batch = computed(() => whileOpen(document.value))
  const prepared = computed(() => whileOpen(preparation.value))
  const units = computed(() => document.value?.class.units ?? 'inch')
  const theirs = computed(() => session.value?.theirs)
  // Whatever draws papers draws those of the class on screen.
  watch(
    () => document.value?.papers,
    papers => papers && shelf.show(papers),
    { flush: 'sync' },
  )

  /** Counts what was opened and closed: an answer for a class that was left meanwhile is of no use. */
  let visits = 0
  async function open(wanted: number) {
    close()
    const visit = visits
    const { position, document: saved, more } = await load(wanted)
    if (visit !== visits) return
    const draft = await withDraft(wanted, saved, position)
    if (visit !== visits) return
    id.value = wanted
    morePapers.value = more
    setAside.value = draft.setAside
    editing.begin(position, draft.session)
    // What was kept may have been kept for an older state of the class.
    if (draft.session.base !== saved) editing.takeIn({ position, document: saved })
  }

  function close() {
    visits++
    editing.end()
    id.value = undefined
    wanted.clear()
    setAside.value = false
  }

  const { listen, leave } = useFeed(({ position, touched }) => {
    const concerns = touched.some(what => what === '*' || what === `class:${id.value}` || what.startsWith('paper:'))
    void editing.hear(position < 0 ? Infinity : position, concerns)
  })
  if (import.meta.client) useEventListener(window, 'online', () => void editing.save())

  /** Changes one card of the class, if it is there still. */
  function editCard(what: string, key: string, change: (card: CardEntry) => void) {
    editing.edit(`${what} of ${key}`, (document) => {
      const card = document.cards.find(card => card.key === key)
      if (card) change(card)
    })
  }

  const { problems, troubledSince, noRoom, blocked, position, canUndo, canRedo, edit, undo, redo, save, settle }
    = editing
  return {
    id,
    document,
    batch,
    prepared,
    session,
    state,
    problems,
    troubledSince,
    noRoom,
    blocked,
    position,
    setAside,
    theirs,
    canUndo,
    canRedo,
    preparation,
    settled: behind,
    units,
    open,
    close,
    listen,
    leave,
    edit,
    editCard,
    undo,
    redo,
    save,
    settle,
    morePapers,
    bring,
  }
})
