import { produce } from 'immer'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { alikeEvening } from '../../demo/testing'
import type { Batch } from '../../core/document'
import { VERSION, received, sessionOf, undone } from '../../core/document'
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
    expect(keepDraft(7, { ...sessionOf(saved), current }, 3)).toBe(true)
    const { session, setAside } = await withDraft(7, saved, 3)
    expect([session.base, session.current, setAside]).toEqual([saved, current, false])
    expect(undone(session)).toMatchObject({ current: { class: { title: saved.class.title } } })
    forgetDraft(7)
    expect([(await withDraft(7, saved, 3)).session.current, [...kept]]).toEqual([saved, []])
  })

  it('comes back on what it was changed on, where others have changed something meanwhile', async () => {
    keepDraft(7, { ...sessionOf(saved), current }, 3)
    const theirs = produce(saved, (draft) => {
      draft.class.seats += 1
      draft.cards.shift()
    })
    const { session } = await withDraft(7, theirs, 4)
    expect([session.base, session.current]).toEqual([saved, current])
    const merged = received(session, theirs)
    expect([merged.theirs, merged.current.class.title, merged.current.class.seats, merged.current.cards]).toEqual(
      [undefined, 'Kept', theirs.class.seats, theirs.cards])
  })

  it('is written at each change, but what it was changed on once', () => {
    const writes = vi.spyOn(kept, 'set')
    for (const title of ['K', 'Ke', 'Kep']) {
      const next = produce(saved, draft => void (draft.class.title = title))
      keepDraft(7, { ...sessionOf(saved), current: next }, 3)
    }
    const lengths = writes.mock.calls.map(([key, text]) => [key, text.length] as const)
    expect(lengths.filter(([key]) => key.endsWith('-base'))).toHaveLength(1)
    expect(Math.max(...lengths.filter(([key]) => !key.endsWith('-base')).map(([, length]) => length))).toBeLessThan(200)
    // Another paper that is changed is written down too.
    keepDraft(7, { ...sessionOf(saved), current }, 3)
    expect(JSON.parse(kept.get('wakaru-draft-7-base') ?? '').papers).toEqual([saved.papers[0]])
    writes.mockRestore()
  })

  it('has what it was changed on beside it, also after another window has written or forgotten it', async () => {
    keepDraft(7, { ...sessionOf(saved), current }, 3)
    for (const key of [...kept.keys()]) kept.delete(key)
    keepDraft(7, { ...sessionOf(saved), current }, 3)
    kept.set('wakaru-draft-7-base', '{}').set('wakaru-draft-7-writer', 'another')
    keepDraft(7, { ...sessionOf(saved), current }, 3)
    expect((await withDraft(7, saved, 4)).session).toMatchObject({ base: saved, current })
  })

  it('is said not to be kept where there is no room', () => {
    isFull = true
    expect(keepDraft(7, { ...sessionOf(saved), current }, 3)).toBe(false)
  })

  it('comes back without what it was changed on, where nobody has changed anything since', async () => {
    keepDraft(7, { ...sessionOf(saved), current }, 3)
    kept.delete('wakaru-draft-7-base')
    expect((await withDraft(7, saved, 3)).session.current).toEqual(current)
    expect(await withDraft(7, saved, 4)).toMatchObject({ setAside: true, session: { current: saved } })
  })

  it('is read as an older Wakaru kept it, before and after', async () => {
    const side = (document: Batch) => ({ ...document, papers: document.papers.slice(0, 1) })
    const text = JSON.stringify({ version: VERSION, base: side(saved), current: side(current) })
    kept.set('wakaru-draft-7', text)
    expect((await withDraft(7, saved, 3)).session).toMatchObject({ base: saved, current })
  })

  it('is brought up to date where an older Wakaru kept it', async () => {
    const { papers: _, version: _v, supplies: _s, ...document } = current
    kept.set('wakaru-draft-7', JSON.stringify({ revision: 3, document: { ...document, bought: [],
      prices: { currency: 'EUR', tapePerMetre: 9, foamPad: 2 } } }))
    const { session, setAside } = await withDraft(7, saved, 3)
    expect([session.current.class.title, session.current.papers, setAside]).toEqual(['Kept', saved.papers, false])
  })

  it.each([
    ['half a text', '{"revision":'],
    ['no class', '{"version":2,"base":{},"current":{}}'],
    ['changes of what is gone', JSON.stringify({
      version: VERSION, position: 3, patches: [{ op: 'set', path: ['cards', 'gone', 'title'], value: 1 }],
    })],
    ['patches of no form', '{"version":9,"position":3,"patches":[1]}'],
    ['nothing at all', 'null'],
  ])('is set aside where it is %s', async (_, text) => {
    kept.set('wakaru-draft-7', text)
    expect(await withDraft(7, saved, 3)).toMatchObject({ setAside: true, session: { current: saved } })
    expect([...kept]).toEqual([['wakaru-draft-7-aside', text]])
  },
  )
})
