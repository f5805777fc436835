import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, ref, shallowRef } from 'vue'
import type { ClassDocument } from '../../core/batch'
import { newCard, newClass } from '../../core/batch'
import { foldById } from '../../core/folds'
import { refusalOf } from '../composables/useRefusal'
import { afterPaint, useTrailing } from '../composables/useTrailing'

/** The class store against a server and a browser storage made up here; the framework's auto-imports are handed over by name. */
const document = (title = 'Evening'): ClassDocument => newClass({ title, date: '2030-01-01', units: 'inch' })
let saved: { revision: number, document: ClassDocument }
let answers: ((method: string) => void)[]
const storage = new Map<string, string>()

const server = vi.fn(async (path: string, { method = 'GET', body }: { method?: string, body?: { revision: number, document: ClassDocument } } = {}) => {
  answers.shift()?.(method)
  if (method === 'GET') return structuredClone(saved)
  if (body!.revision !== saved.revision) throw { statusCode: 409, data: { message: 'changed', data: { saved: structuredClone(saved) } } }
  saved = { revision: saved.revision + 1, document: body!.document }
  return { revision: saved.revision }
})

vi.stubGlobal('ref', ref)
vi.stubGlobal('computed', computed)
vi.stubGlobal('shallowRef', shallowRef)
vi.stubGlobal('refusalOf', refusalOf)
vi.stubGlobal('afterPaint', afterPaint)
vi.stubGlobal('useTrailing', useTrailing)
vi.stubGlobal('usePapersStore', () => ({ papers: [], load: async () => {} }))
vi.stubGlobal('$fetch', server)
vi.stubGlobal('localStorage', {
  getItem: (key: string) => storage.get(key) ?? null,
  setItem: (key: string, value: string) => void storage.set(key, value),
  removeItem: (key: string) => void storage.delete(key),
})
const { useClassStore } = await import('./class')

const rename = (store: ReturnType<typeof useClassStore>, title: string, label = 'title') => store.edit(label, changed => void (changed.class.title = title))
const title = (store: ReturnType<typeof useClassStore>) => store.document!.class.title
const soon = () => vi.advanceTimersByTimeAsync(600)

let store: ReturnType<typeof useClassStore>
beforeEach(async () => {
  vi.useFakeTimers()
  storage.clear()
  server.mockClear()
  answers = []
  saved = { revision: 3, document: document() }
  setActivePinia(createPinia())
  store = useClassStore()
  await store.open(7)
})
afterEach(() => vi.useRealTimers())

describe('editing', () => {
  it('changes the document, saves it soon, and knows its revision', async () => {
    rename(store, 'Morning')
    expect([title(store), store.state, saved.document.class.title]).toEqual(['Morning', 'waiting', 'Evening'])
    await soon()
    expect([store.state, store.revision, saved.document.class.title]).toEqual(['saved', 4, 'Morning'])
  })

  it('goes back and forth', () => {
    rename(store, 'One', 'a')
    rename(store, 'Two', 'b')
    store.undo()
    expect(title(store)).toBe('One')
    store.undo()
    store.undo()
    expect(title(store)).toBe('Evening')
    store.redo()
    store.redo()
    store.redo()
    expect(title(store)).toBe('Two')
  })

  it('forgets what could be done again once something else is changed', () => {
    rename(store, 'One', 'a')
    store.undo()
    rename(store, 'Other', 'b')
    store.redo()
    expect(title(store)).toBe('Other')
  })

  it('takes quick changes of one thing as one step, slow ones and others as steps of their own', () => {
    rename(store, 'M')
    rename(store, 'Mo')
    vi.advanceTimersByTime(2000)
    rename(store, 'Moo')
    rename(store, 'Moor', 'other')
    const steps = []
    while (store.past.length > 0) {
      store.undo()
      steps.push(title(store))
    }
    expect(steps).toEqual(['Moo', 'Mo', 'Evening'])
  })

  it('makes no step of a change that changes nothing', async () => {
    rename(store, 'Evening')
    await soon()
    expect([store.past.length, store.state, server.mock.calls.filter(([, options]) => options?.method === 'PUT').length]).toEqual([0, 'saved', 0])
  })

  it('never touches the document it started from', () => {
    const before = store.document
    rename(store, 'Other')
    expect(before!.class.title).toBe('Evening')
  })

  it('computes pieces from the document at once', () => {
    store.edit('add', changed => void changed.cards.push(newCard(foldById('z-fold')!, store.batch!)))
    expect(store.preparation!.cards[0]!.pieces).toHaveLength(7)
  })

  it('lets what follows from the cards come after the next paint, once for many changes', async () => {
    await vi.advanceTimersByTimeAsync(1)
    const before = store.settled
    rename(store, 'One')
    rename(store, 'Two')
    expect(store.settled).toBe(before)
    await vi.advanceTimersByTimeAsync(1)
    expect(store.settled!.batch.class.title).toBe('Two')
  })
})

describe('saving', () => {
  it('sends what was changed while it was sending', async () => {
    rename(store, 'One')
    answers = [() => rename(store, 'Two')]
    await soon()
    await soon()
    expect([store.state, saved.document.class.title, saved.revision]).toEqual(['saved', 'Two', 5])
  })

  it('keeps a change in the browser until the server answers again', async () => {
    rename(store, 'Offline')
    answers = [() => {
      throw new Error('no connection')
    }]
    await soon()
    expect(store.state).toBe('offline')
    expect(storage.get('wakaru-draft-7')).toContain('Offline')
    await vi.advanceTimersByTimeAsync(5000)
    expect([store.state, saved.document.class.title, storage.size]).toEqual(['saved', 'Offline', 0])
  })

  it('brings a kept change back when the class is opened again', async () => {
    storage.set('wakaru-draft-7', JSON.stringify({ revision: 3, document: document('Kept') }))
    await store.open(7)
    expect(title(store)).toBe('Kept')
    await soon()
    expect(saved.document.class.title).toBe('Kept')
    store.undo()
    expect(title(store)).toBe('Evening')
  })

  it('asks when a kept change meets a newer class', async () => {
    storage.set('wakaru-draft-7', JSON.stringify({ revision: 2, document: document('Kept') }))
    await store.open(7)
    expect([store.state, title(store), store.theirs!.document.class.title]).toEqual(['conflict', 'Kept', 'Evening'])
  })

  it('says what the server refused and keeps it on screen', async () => {
    rename(store, 'Refused')
    answers = [() => {
      throw { statusCode: 422, data: { message: 'no', data: { problems: [{ path: 'class.title', problem: 'is odd' }] } } }
    }]
    await soon()
    expect([store.state, title(store), store.problems]).toEqual(['refused', 'Refused', [{ path: 'class.title', problem: 'is odd' }]])
  })

  it.each([
    ['half a text', '{"revision":'],
    ['no class', '{"revision":3}'],
    ['a class of an earlier form', JSON.stringify({ revision: 3, document: { ...document('Old'), cutting: undefined } })],
    ['a class that cannot be worked out', JSON.stringify({ revision: 3, document: { ...document('Bent'), cards: [{ fold: 'z-fold' }] } })],
    ['nothing at all', 'null'],
  ])('shows what is saved where the browser kept %s, and sets it aside', async (_, kept) => {
    storage.set('wakaru-draft-7', kept)
    await store.open(7)
    expect([title(store), store.state, store.setAside]).toEqual(['Evening', 'saved', true])
    expect([storage.has('wakaru-draft-7'), storage.get('wakaru-draft-7-aside')]).toEqual([false, kept])
    await store.open(7)
    expect(store.setAside).toBe(false)
  })
})

describe('two windows', () => {
  beforeEach(async () => {
    saved = { revision: 9, document: document('Theirs') }
    rename(store, 'Mine')
    await soon()
  })

  it('stop and keep both versions', () => {
    expect([store.state, title(store), store.theirs!.document.class.title, saved.document.class.title]).toEqual(['conflict', 'Mine', 'Theirs', 'Theirs'])
  })

  it('save nothing more until one is chosen', async () => {
    rename(store, 'Mine again')
    await soon()
    expect(saved.document.class.title).toBe('Theirs')
  })

  it('take theirs, mine one step back', async () => {
    store.takeTheirs()
    expect([title(store), store.state, store.revision]).toEqual(['Theirs', 'saved', 9])
    store.undo()
    expect(title(store)).toBe('Mine')
    await soon()
    expect(saved).toMatchObject({ revision: 10, document: { class: { title: 'Mine' } } })
  })

  it('keep mine, theirs one step back', async () => {
    await store.keepMine()
    expect([saved.document.class.title, store.state]).toEqual(['Mine', 'saved'])
    store.undo()
    expect(title(store)).toBe('Theirs')
  })
})
