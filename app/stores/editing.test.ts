import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ClassDocument, Session } from '../../core/document'
import { sessionOf } from '../../core/document'
import { refusalOf } from '../utils/refusal'
import { useEditing } from './editing'
import { MadeUpServer, throws } from './testing'

let server: MadeUpServer
let kept: Session<ClassDocument> | undefined
let hasRoom: boolean
let editing: ReturnType<typeof useEditing<ClassDocument>>
let tokens = 0
const soon = () => vi.advanceTimersByTimeAsync(600)
const rename = (title: string, label = 'title') => editing.edit(label, draft => void (draft.class.title = title))
const shown = () => editing.current.value?.class.title

beforeEach(async () => {
  vi.useFakeTimers()
  server = new MadeUpServer()
  kept = undefined
  hasRoom = true
  editing = useEditing<ClassDocument>({
    load: server.load,
    later: server.later,
    save: server.save,
    keep: session => ((kept = session), hasRoom),
    forget: () => (kept = undefined),
    newToken: () => `token-${++tokens}`,
    refusalOf,
  })
  const { position, document } = await server.load()
  editing.begin(position, sessionOf(document))
})
afterEach(() => vi.useRealTimers())

/** A page that has the whole document fetched at every look, however little has changed. */
function beginAnew() {
  editing = useEditing<ClassDocument>({
    load: () => server.load(),
    later: async () => undefined,
    save: server.save,
    keep: () => true,
    forget: () => {},
    newToken: () => 'token-x',
    refusalOf,
  })
  editing.begin(3, sessionOf(server.document))
}

describe('saving', () => {
  it('sends soon what was changed, as patches, and knows the position', async () => {
    rename('Morning')
    expect([editing.state.value, server.sent.length]).toEqual(['waiting', 0])
    await soon()
    expect(server.sent).toMatchObject([
      { since: 3, label: 'title', patches: [{ op: 'set', path: ['class', 'title'], value: 'Morning' }] },
    ])
    expect([editing.state.value, editing.position.value, kept]).toEqual(['saved', 4, undefined])
  })

  it('sends nothing where everything was taken back', async () => {
    rename('Morning')
    editing.undo()
    await soon()
    expect([editing.state.value, server.sent.length, kept]).toEqual(['saved', 0, undefined])
  })

  it('sends what was changed while it was sending', async () => {
    rename('One')
    server.troubles = [() => rename('Two')]
    await soon()
    await soon()
    expect([editing.state.value, server.document.class.title, server.sent.map(({ since }) => since)]).toEqual([
      'saved', 'Two', [3, 4],
    ])
  })

  it('keeps a change until the server answers again, and tries less and less often', async () => {
    rename('Offline')
    server.troubles = [
      throws(new Error('no connection')), throws(new Error('no connection')), throws({ statusCode: 503 }),
    ]
    await soon()
    expect([editing.state.value, kept?.current.class.title]).toEqual(['offline', 'Offline'])
    await vi.advanceTimersByTimeAsync(2000)
    expect(server.sent).toHaveLength(2)
    await vi.advanceTimersByTimeAsync(3000)
    expect(server.sent).toHaveLength(2)
    await vi.advanceTimersByTimeAsync(10_000)
    expect([editing.state.value, server.document.class.title]).toEqual(['saved', 'Offline'])
  })

  it('recognises a change whose answer was lost: it is not made twice, and nobody is asked', async () => {
    rename('Once')
    server.troubles = [
      () => {
        server.take(server.sent[0]!)
        throw new Error('cut off')
      },
    ]
    await soon()
    await vi.advanceTimersByTimeAsync(3000)
    expect([server.sent.map(({ token }) => token)].flat().every((token, _, all) => token === all[0])).toBe(true)
    expect([editing.state.value, server.position, shown()]).toEqual(['saved', 4, 'Once'])
  })

  it('tries again what the server breaks down over, but not for ever; the maker may', async () => {
    rename('Broken')
    server.troubles = Array.from({ length: 6 }, () => throws({ statusCode: 500 }))
    await soon()
    const since = editing.troubledSince.value
    expect(since).toBeDefined()
    await vi.advanceTimersByTimeAsync(600_000)
    expect([editing.state.value, server.sent.length, kept?.current.class.title]).toEqual(['failed', 6, 'Broken'])
    expect(editing.troubledSince.value).toBe(since)
    await editing.save()
    expect([editing.state.value, server.document.class.title, editing.troubledSince.value]).toEqual([
      'saved', 'Broken', undefined,
    ])
  })

  it('comes through by itself where a fault passes', async () => {
    rename('Passed')
    server.troubles = [throws({ statusCode: 500 }), throws({ statusCode: 429 })]
    await soon()
    expect(editing.state.value).toBe('failed')
    await vi.advanceTimersByTimeAsync(20_000)
    expect([editing.state.value, server.document.class.title]).toEqual(['saved', 'Passed'])
  })

  it('says what was refused, keeps it on screen, and sends what puts it right', async () => {
    rename('Refused')
    server.troubles = [
      throws({
        statusCode: 422, data: { message: 'no', data: { problems: [{ path: 'class.title', problem: 'is odd' }] } },
      }),
    ]
    await soon()
    expect([editing.state.value, shown(), editing.problems.value]).toEqual([
      'refused',
      'Refused',
      [{ path: 'class.title', problem: 'is odd' }],
    ])
    rename('Right', 'again')
    await soon()
    expect([editing.state.value, server.document.class.title, editing.problems.value]).toEqual(['saved', 'Right', []])
  })

  it('says so where the browser has no room', () => {
    hasRoom = false
    rename('Much')
    expect(editing.noRoom.value).toBe(true)
    hasRoom = true
    rename('Less', 'again')
    expect(editing.noRoom.value).toBe(false)
  })

  it('starts from what was kept, one step back from what is saved', async () => {
    const base = structuredClone(server.document)
    const current = { ...base, class: { ...base.class, title: 'Kept' } }
    editing.begin(3, {
      ...sessionOf(base), current, past: [{ label: 'kept', time: 0, before: base, after: current, seen: 0 }],
    })
    await soon()
    expect(server.document.class.title).toBe('Kept')
    editing.undo()
    expect(shown()).toBe('Evening')
  })
})

describe('somebody else', () => {
  it('who changes something else is merged with, before and while saving', async () => {
    rename('Mine')
    server.change(document => void (document.class.seats = 30))
    await editing.hear(4, true)
    expect(editing.current.value?.class).toMatchObject({ title: 'Mine', seats: 30 })
    await soon()
    expect([editing.state.value, server.document.class]).toMatchObject(['saved', { title: 'Mine', seats: 30 }])

    rename('Again', 'again')
    server.change(document => void (document.class.spares = 7))
    await soon()
    await soon()
    expect([editing.state.value, server.document.class, editing.current.value?.class.spares]).toMatchObject([
      'saved',
      { title: 'Again', spares: 7 },
      7,
    ])
  })

  it('is seen where the server merged by itself', async () => {
    server.refuses = false
    rename('Mine')
    server.change(document => void (document.class.seats = 30))
    await soon()
    expect([editing.state.value, editing.current.value?.class, editing.position.value]).toMatchObject([
      'saved',
      { title: 'Mine', seats: 30 },
      5,
    ])
  })

  it('who changes the same is met: both are kept, nothing is saved until one is chosen', async () => {
    rename('Mine')
    server.change(document => void (document.class.title = 'Theirs'))
    await soon()
    expect([editing.state.value, shown(), editing.session.value?.theirs]).toMatchObject([
      'conflict',
      'Mine',
      { document: { class: { title: 'Theirs' } }, paths: [['class', 'title']] },
    ])
    rename('Mine again', 'again')
    await soon()
    expect(server.document.class.title).toBe('Theirs')
    editing.settle('mine')
    await soon()
    expect([editing.state.value, server.document.class.title]).toEqual(['saved', 'Mine again'])
  })

  it('may win: nothing is sent then, and a step back does not put the old over it', async () => {
    rename('Mine')
    server.change(document => void (document.class.title = 'Theirs'))
    await soon()
    editing.settle('theirs')
    await soon()
    expect([editing.state.value, shown(), server.document.class.title]).toEqual(['saved', 'Theirs', 'Theirs'])
    editing.undo()
    await soon()
    expect([shown(), server.document.class.title]).toEqual(['Theirs', 'Theirs'])
  })

  it('whose saved change came after mine is not taken back', async () => {
    rename('Mine')
    await soon()
    server.change(document => void (document.class.title = 'Theirs'))
    await editing.hear(5, true)
    editing.undo()
    expect([shown(), editing.blocked.value?.blocked]).toEqual(['Theirs', [['class', 'title']]])
  })

  it('is followed change by change, and what I do meanwhile stays; the class is read anew only where that is not known', async () => {
    const { loads } = server
    for (let round = 0; round < 20; round++) {
      // Some changes are heard of, some come between a save and its answer, and some of mine are still on their way.
      server.change(document => void (document.class.seats = 10 + round))
      rename(`Mine ${round}`, `title ${round}`)
      if (round % 3 === 0) await editing.hear(server.position, true)
      if (round % 2 === 0) await soon()
      server.change(document => void (document.class.notes = `note ${round}`))
      if (round % 5 === 0) await editing.hear(server.position, true)
    }
    await vi.advanceTimersByTimeAsync(10_000)
    await editing.hear(server.position, true)
    expect([editing.current.value, editing.state.value]).toEqual([server.document, 'saved'])
    expect(server.document.class).toMatchObject({ title: 'Mine 19', seats: 29, notes: 'note 19' })
    expect(server.loads).toBe(loads)
    server.change(document => void (document.class.place = 'The boathouse'))
    server.log.clear()
    await editing.hear(server.position, true)
    expect([editing.current.value?.class.place, server.loads]).toEqual(['The boathouse', loads + 1])
  })

  it('is not taken for who undoes my change where a look was slower than my save', async () => {
    server.refuses = false
    const { later } = server
    const looks: (() => void)[] = []
    server.later = async (since, base) => {
      const answer = await later(since, base)
      if (looks.length < 2) await new Promise<void>(resolve => looks.push(resolve))
      return answer
    }
    editing.end()
    editing = useEditing<ClassDocument>({
      load: server.load, later: server.later, save: server.save, keep: () => true, forget: () => {},
      newToken: () => `slow-${++tokens}`, refusalOf,
    })
    editing.begin(3, sessionOf(server.document))
    server.change(document => void (document.class.seats = 30))
    const heard = editing.hear(4, true)
    rename('Mine')
    await soon()
    for (const answer of looks) {
      answer()
      await vi.advanceTimersByTimeAsync(1)
    }
    await heard
    await soon()
    expect([editing.state.value, editing.current.value, editing.position.value]).toEqual(['saved', server.document, 5])
    expect(shown()).toBe('Mine')
    editing.undo()
    expect([shown(), editing.blocked.value]).toEqual(['Evening', undefined])
  })

  it('who does nothing here only moves the position', async () => {
    await editing.hear(9, false)
    expect(editing.position.value).toBe(9)
    await editing.hear(5, true)
    expect(editing.position.value).toBe(9)
  })

  it('is looked for again where a look has failed, whatever else happens meanwhile', async () => {
    const load = server.load
    let fails = 2
    server.load = async () => {
      if (fails-- > 0) throw { statusCode: 503, data: { message: 'The database is away.' } }
      return load()
    }
    beginAnew()
    server.change(document => void (document.class.seats = 30))
    await editing.hear(4, true)
    expect([editing.current.value?.class.seats === 30, editing.position.value]).toEqual([false, 3])
    // News of another class do not hide it; that look fails as well.
    server.position = 5
    await editing.hear(5, false)
    expect(editing.position.value).toBe(3)
    await vi.advanceTimersByTimeAsync(5000)
    expect([editing.current.value?.class.seats, editing.position.value]).toEqual([30, 5])
  })

  it('who deletes the class leaves what is on screen, and a word', async () => {
    server.load = async () => {
      throw { statusCode: 404, data: { message: 'There is no such class.' } }
    }
    beginAnew()
    await editing.hear(4, true)
    expect([editing.state.value, shown(), editing.problems.value[0]?.problem]).toEqual([
      'refused', 'Evening', 'There is no such class.',
    ])
  })
})
