import { describe, expect, it } from 'vitest'
import {
  bareCard, acknowledged, applied, edited, newClass, received, redone, sessionOf, settled, undone, unsaved,
} from '.'
import type { Blocked, CardEntry, ClassDocument, Session } from '.'

const card = (key: string): CardEntry => ({
  ...bareCard(key, key, 'bridge'), parameters: { width: '6 in' },
})
const document: ClassDocument = {
  ...newClass({ title: 'Evening', date: '2030-01-01', units: 'inch' }), cards: [card('a'), card('b')],
}

/** A session with some edits, a second apart unless a time is given. */
let clock = 0
const edit = (
  session: Session<ClassDocument>, label: string, change: (draft: ClassDocument) => void, now = (clock += 1000),
) => edited(session, label, change, now)
const titled = (title: string) => (draft: ClassDocument) => void (draft.class.title = title)
const seated = (seats: number) => (draft: ClassDocument) => void (draft.class.seats = seats)
const free = (result: Session<ClassDocument> | Blocked): Session<ClassDocument> => {
  if ('blocked' in result) throw new Error(`blocked at ${result.blocked.map(path => path.join('.')).join()}`)
  return result
}
const shown = ({ current }: Session<ClassDocument>) => [current.class.title, current.class.seats]
const start = sessionOf(document)

describe('editing', () => {
  it('goes back and forth step by step, and forgets what could be done again once something else is changed', () => {
    const two = edit(edit(start, 'title', titled('One')), 'seats', seated(9))
    const back = free(undone(two))
    expect([shown(back), shown(free(undone(back))), shown(free(redone(back)))]).toEqual([
      ['One', 12],
      ['Evening', 12],
      ['One', 9],
    ])
    expect(edit(back, 'title', titled('Three')).future).toEqual([])
    expect(free(undone(start))).toBe(start)
  })

  it('takes quick changes of one thing as one step, and changes nothing where nothing changes', () => {
    const typed = edit(edit(start, 'title', titled('O'), 0), 'title', titled('On'), 400)
    expect([typed.past.length, shown(free(undone(typed)))]).toEqual([1, ['Evening', 12]])
    expect(edit(typed, 'title', titled('One'), 5000).past).toHaveLength(2)
    expect(edit(start, 'title', titled('Evening'))).toBe(start)
    // Typed and taken back at once is no step.
    expect(edit(edit(start, 'title', titled('O'), 0), 'title', titled('Evening'), 400)).toMatchObject({
      current: start.current, past: [],
    })
  })

  it('knows what the server does not know yet', () => {
    const changed = edit(start, 'title', titled('One'))
    const patches = unsaved(changed)
    expect(patches).toEqual([{ op: 'set', path: ['class', 'title'], value: 'One' }])
    expect(unsaved(acknowledged(changed, patches))).toEqual([])
    // What was typed while it was on its way is still to be sent.
    const later = acknowledged(edit(changed, 'seats', seated(9)), patches)
    expect(unsaved(later)).toEqual([{ op: 'set', path: ['class', 'seats'], value: 9 }])
  })
})

describe('what somebody else changes', () => {
  const theirs = (change: (draft: ClassDocument) => void, base = document) =>
    edited(sessionOf(base), 'x', change, 0).current

  it('comes in beside what is not saved here', () => {
    const merged = received(edit(start, 'title', titled('Mine')), theirs(seated(20)))
    expect([shown(merged), unsaved(merged), merged.theirs]).toEqual([
      ['Mine', 20],
      [{ op: 'set', path: ['class', 'title'], value: 'Mine' }],
      undefined,
    ])
  })

  it('is never taken back by a step back here', () => {
    const merged = received(edit(start, 'title', titled('Mine')), theirs(seated(20)))
    expect(shown(free(undone(merged)))).toEqual(['Evening', 20])
    // Saved here, then changed by them: a step back would write over it.
    const mine = edit(start, 'title', titled('Mine'))
    const saved = acknowledged(mine, unsaved(mine))
    const over = received(saved, theirs(titled('Theirs'), saved.base))
    expect([shown(over), undone(over)]).toEqual([['Theirs', 12], { blocked: [['class', 'title']] }])
  })

  it('is not done again over by a step forward', () => {
    const mine = edit(start, 'title', titled('Mine'))
    const back = free(undone(mine))
    expect(redone(received(back, theirs(titled('Theirs'))))).toEqual({ blocked: [['class', 'title']] })
  })

  it('is shown beside what is here where both changed the same', () => {
    const mine = edit(edit(start, 'title', titled('Mine')), 'seats', seated(9))
    const met = received(
      mine,
      theirs((draft) => {
        draft.class.title = 'Theirs'
        draft.class.spares = 5
      }),
    )
    expect([met.current, met.theirs?.paths]).toEqual([mine.current, [['class', 'title']]])
    for (const [keep, title] of [
      ['mine', 'Mine'],
      ['theirs', 'Theirs'],
    ] as const) {
      const ended = settled(met, keep)
      // All else of both is kept in any case.
      expect([ended.current.class, ended.theirs]).toMatchObject([{ title, seats: 9, spares: 5 }, undefined])
    }
    // A step back after taking theirs does not put mine over it.
    expect('blocked' in undone(settled(met, 'theirs')) || shown(free(undone(settled(met, 'theirs'))))[0]).not.toBe(
      'Mine',
    )
  })

  it('can be chosen where one took away what the other changed, either way round', () => {
    const removed = (draft: ClassDocument) => void draft.cards.splice(0, 1)
    const renamed = (draft: ClassDocument) => void (draft.cards[0]!.title = 'Kept')
    const keys = ({ current }: Session<ClassDocument>) =>
      current.cards.map(({ key, title }) => `${key} ${title}`).sort()
    const metRemoval = received(edit(start, 'x', renamed), theirs(removed))
    expect([keys(settled(metRemoval, 'mine')), keys(settled(metRemoval, 'theirs'))]).toEqual([
      ['a Kept', 'b b'], ['b b'],
    ])
    const metChange = received(edit(start, 'x', removed), theirs(renamed))
    expect([keys(settled(metChange, 'mine')), keys(settled(metChange, 'theirs'))]).toEqual([['b b'], ['a Kept', 'b b']])
  })

  it('is nothing new where both did the same', () => {
    const merged = received(edit(start, 'title', titled('Both')), theirs(titled('Both')))
    expect([unsaved(merged), shown(merged)]).toEqual([[], ['Both', 12]])
    expect('blocked' in undone(merged)).toBe(true)
  })

  it('sends only what is left to send after a merge, and that fits what is there', () => {
    const fresh = theirs(draft => void draft.cards.unshift(card('theirs')))
    const merged = received(
      edit(start, 'x', draft => void draft.cards.push(card('mine'))),
      fresh,
    )
    expect(applied(fresh, unsaved(merged)).cards.map(({ key }) => key)).toEqual(['theirs', 'a', 'b', 'mine'])
  })
})
