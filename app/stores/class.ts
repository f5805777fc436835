import { defineStore } from 'pinia'
import { useDebounceFn, useEventListener } from '@vueuse/core'
import type { Batch, ClassDocument, Preparation } from '../../core/batch'
import { prepare } from '../../core/batch'
import type { Problem } from '../../core/formats'

interface Saved {
  revision: number
  document: ClassDocument
}

/**
 * `saved`: the server has what is on screen. `saving` and `waiting`: it is on its way.
 * `offline`: kept in this browser until the server answers. `refused`: the server
 * found something wrong. `conflict`: another window saved in between.
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict'

const HISTORY = 200
/** Changes of one field that follow each other faster than this are one step back. Milliseconds. */
const ONE_STEP = 900
const RETRY = 4000

/**
 * The class on screen: its document, the way back, and its saving. Every change
 * goes through `edit`; everything shown is computed from the document and the
 * papers on the shelf.
 */
export const useClassStore = defineStore('class', () => {
  const shelf = usePapersStore()
  const id = ref<number>()
  const revision = ref(0)
  const document = shallowRef<ClassDocument>()
  const state = ref<SaveState>('saved')
  const problems = ref<Problem[]>([])
  /** What another window saved while this one had changes of its own. */
  const theirs = shallowRef<Saved>()
  /** Changes that this browser had kept could not be read. */
  const setAside = ref(false)
  const past = shallowRef<ClassDocument[]>([])
  const future = shallowRef<ClassDocument[]>([])
  let lastEdit = { label: '', time: 0 }

  const batch = computed<Batch | undefined>(() => document.value && { ...document.value, papers: shelf.papers })
  const preparation = computed<Preparation | undefined>(() => batch.value && prepare(batch.value))
  /** Batch and preparation one paint behind, for what follows from the cards and may be drawn after them. */
  const settled = useTrailing(() => batch.value && preparation.value && { batch: batch.value, preparation: preparation.value })
  const canUndo = computed(() => past.value.length > 0)
  const canRedo = computed(() => future.value.length > 0)
  const units = computed(() => document.value?.class.units ?? 'inch')

  async function open(wanted: number) {
    close()
    const [saved] = await Promise.all([$fetch<Saved>(`/api/classes/${wanted}`), shelf.load()])
    id.value = wanted
    adopt(saved)
    const draft = readDraft(wanted, saved)
    if (!draft) return
    document.value = draft.document
    if (draft.revision !== saved.revision) return meet(saved)
    past.value = [saved.document]
    changed()
  }

  function close() {
    id.value = document.value = theirs.value = undefined
    past.value = future.value = []
    problems.value = []
    setAside.value = false
    state.value = 'saved'
  }

  function adopt(saved: Saved) {
    revision.value = saved.revision
    document.value = saved.document
    theirs.value = undefined
    problems.value = []
    state.value = 'saved'
  }

  /**
   * Changes the document and remembers the way back.
   * @param label names the thing changed; quick changes of the same thing are one step back
   */
  function edit(label: string, change: (document: ClassDocument) => void) {
    if (!document.value) return
    const next = structuredClone(document.value)
    change(next)
    if (JSON.stringify(next) === JSON.stringify(document.value)) return
    const now = Date.now()
    if (label !== lastEdit.label || now - lastEdit.time > ONE_STEP) past.value = [...past.value.slice(-HISTORY), document.value]
    lastEdit = { label, time: now }
    future.value = []
    document.value = next
    changed()
  }

  function undo() {
    const previous = past.value.at(-1)
    if (!previous || !document.value) return
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, document.value]
    turnTo(previous)
  }

  function redo() {
    const next = future.value.at(-1)
    if (!next || !document.value) return
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, document.value]
    turnTo(next)
  }

  function turnTo(other: ClassDocument) {
    lastEdit = { label: '', time: 0 }
    document.value = other
    changed()
  }

  const draftKey = (of: number) => `wakaru-draft-${of}`
  /** What was kept in this browser. Where it cannot be shown, as after an update, it is set aside and said to be. */
  function readDraft(of: number, saved: Saved): Saved | undefined {
    const kept = localStorage.getItem(draftKey(of))
    if (kept === null) return undefined
    try {
      const draft: Saved = JSON.parse(kept)
      const isWhole = Number.isInteger(draft.revision) && Object.keys(saved.document).every(name => name in draft.document)
      if (isWhole && prepare({ ...draft.document, papers: shelf.papers })) return draft
    }
    catch {
      // Not JSON, or not a class.
    }
    localStorage.setItem(`${draftKey(of)}-aside`, kept)
    localStorage.removeItem(draftKey(of))
    setAside.value = true
  }

  /** Writes what is not saved yet into the browser, where it outlives a reload. */
  function keepDraft() {
    if (id.value && document.value && state.value !== 'saved') {
      localStorage.setItem(draftKey(id.value), JSON.stringify({ revision: revision.value, document: document.value }))
    }
  }

  const saveSoon = useDebounceFn(() => save(), 500)
  function changed() {
    afterPaint(keepDraft)
    if (state.value === 'conflict') return
    if (state.value !== 'saving') state.value = 'waiting'
    void saveSoon()
  }

  async function save(): Promise<void> {
    if (!id.value || !document.value || state.value === 'saving' || state.value === 'conflict' || state.value === 'saved') return
    const [of, sent] = [id.value, document.value]
    state.value = 'saving'
    try {
      const answer = await $fetch<{ revision: number }>(`/api/classes/${of}`, { method: 'PUT', body: { revision: revision.value, document: sent }, retry: 0 })
      if (id.value !== of) return
      revision.value = answer.revision
      problems.value = []
      if (document.value === sent) {
        state.value = 'saved'
        localStorage.removeItem(draftKey(of))
      }
      else {
        state.value = 'waiting'
        changed()
      }
    }
    catch (error) {
      if (id.value !== of) return
      const refusal = refusalOf(error)
      if (refusal.status === 409) return meet((refusal.data as { saved: Saved }).saved)
      problems.value = refusal.problems.length > 0 ? refusal.problems : [{ path: '', problem: refusal.message }]
      state.value = refusal.status === 0 || refusal.status >= 500 ? 'offline' : 'refused'
      if (state.value === 'offline') setTimeout(() => void save(), RETRY)
    }
  }

  function meet(saved: Saved) {
    theirs.value = saved
    state.value = 'conflict'
  }

  /** Ends a conflict with what the other window saved; mine stays one step back. */
  function takeTheirs() {
    if (!theirs.value || !document.value || !id.value) return
    past.value = [...past.value, document.value]
    adopt(theirs.value)
    localStorage.removeItem(draftKey(id.value))
  }

  /** Ends a conflict with what is on this screen; theirs stays one step back. */
  async function keepMine() {
    if (!theirs.value || !document.value) return
    past.value = [...past.value, theirs.value.document]
    revision.value = theirs.value.revision
    theirs.value = undefined
    state.value = 'waiting'
    await save()
  }

  /** Looks whether another window saved meanwhile; with nothing unsaved here its version is taken. */
  async function refresh() {
    if (!id.value || state.value !== 'saved') return
    const saved = await $fetch<Saved>(`/api/classes/${id.value}`).catch(() => undefined)
    if (saved && state.value === 'saved' && saved.revision !== revision.value) adopt(saved)
    await shelf.load().catch(() => undefined)
  }

  if (import.meta.client) {
    useEventListener(window, 'focus', () => void refresh())
    useEventListener(window, 'online', () => void save())
    useEventListener(window, 'pagehide', keepDraft)
  }

  return { id, revision, document, state, problems, setAside, theirs, past, future, canUndo, canRedo, batch, preparation, settled, units, open, close, edit, undo, redo, save, takeTheirs, keepMine }
})
