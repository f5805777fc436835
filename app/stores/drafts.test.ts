import { produce } from 'immer'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { alikeEvening } from '../../demo/testing'
import { sessionOf, undone } from '../../core/document'
import { forgetDraft, keepDraft, withDraft } from './drafts'

const kept = new Map<string, string>()
let isFull = false
vi.stubGlobal('localStorage', {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => {
    if (isFull) throw new Error('full')
    kept.set(key, value)
  },
  removeItem: (key: string) => void kept.delete(key),
})
const saved = alikeEvening()
const current = produce(saved, (draft) => {
  draft.class.title = 'Kept'
  draft.papers[0]!.weight += 1
})

beforeEach(() => {
  kept.clear()
  isFull = false
})

describe('what a browser keeps of a class', () => {
  it('comes back with the papers that were changed, and what was saved is one step back', async () => {
    expect(keepDraft(7, { ...sessionOf(saved), current })).toBe(true)
    const { session, setAside } = await withDraft(7, saved)
    expect([session.base, session.current, setAside]).toEqual([saved, current, false])
    expect(undone(session)).toMatchObject({ current: { class: { title: saved.class.title } } })
    forgetDraft(7)
    expect((await withDraft(7, saved)).session.current).toBe(saved)
  })

  it('is said not to be kept where there is no room', () => {
    isFull = true
    expect(keepDraft(7, { ...sessionOf(saved), current })).toBe(false)
  })

  it('is brought up to date where an older Wakaru kept it', async () => {
    const { papers: _, version: _v, supplies: _s, ...document } = current
    kept.set('wakaru-draft-7', JSON.stringify({ revision: 3, document: { ...document, bought: [],
      prices: { currency: 'EUR', tapePerMetre: 9, foamPad: 2 } } }))
    const { session, setAside } = await withDraft(7, saved)
    expect([session.current.class.title, session.current.papers, setAside]).toEqual(['Kept', saved.papers, false])
  })

  it.each([
    ['half a text', '{"revision":'],
    ['no class', '{"version":2,"base":{},"current":{}}'],
    ['nothing at all', 'null'],
  ])('is set aside where it is %s', async (_, text) => {
    kept.set('wakaru-draft-7', text)
    expect(await withDraft(7, saved)).toMatchObject({ setAside: true, session: { current: saved } })
    expect([...kept]).toEqual([['wakaru-draft-7-aside', text]])
  },
  )
})
