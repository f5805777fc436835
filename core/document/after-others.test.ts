import { describe, expect, it } from 'vitest'
import { demoBatches } from '../../demo'
import type { Batch, Patch } from '.'
import { edited, afterOthers, patchesBetween, sessionOf } from '.'

const [, batch] = demoBatches(new Date(2030, 0, 1)) as [never, Batch]
const changed = (change: (draft: Batch) => void) => edited(sessionOf(batch), 'test', change, 0).current
const [first, second] = batch.papers

describe('what others have changed', () => {
  it('brings a class to where it is on the server, papers included', () => {
    const after = changed((draft) => {
      draft.class.seats += 3
      draft.papers[0]!.stocks[0]!.onHand = 7
      draft.cards.splice(0, 1)
      draft.papers.push({ ...draft.papers[1]!, key: 'another', name: 'Another' })
    })
    expect(afterOthers(batch, patchesBetween(batch, after))).toEqual(after)
    expect(afterOthers(batch, [])).toBe(batch)
  })

  it('passes over papers that this window does not have, and the order of all of them', () => {
    const patches: Patch[] = [
      { op: 'set', path: ['papers', 'elsewhere', 'name'], value: 'Elsewhere' },
      { op: 'remove', path: ['papers', 'elsewhere'] },
      { op: 'order', path: ['papers'], keys: [second!.key, first!.key] },
      { op: 'set', path: ['class', 'notes'], value: 'Bring a lamp' },
    ]
    expect(afterOthers(batch, patches)).toEqual({ ...batch, class: { ...batch.class, notes: 'Bring a lamp' } })
  })

  it('follows a paper that has come since', () => {
    const patches: Patch[] = [
      { op: 'add', path: ['papers'], entry: { ...first!, key: 'fresh' }, after: null },
      { op: 'set', path: ['papers', 'fresh', 'name'], value: 'Fresh' },
    ]
    expect(afterOthers(batch, patches)?.papers.find(({ key }) => key === 'fresh')?.name).toBe('Fresh')
  })

  it('is not followed where it does not fit, or a paper is missing: the class is read anew', () => {
    expect(afterOthers(batch, [{ op: 'set', path: ['cards', 'gone', 'title'], value: 'Gone' }])).toBeUndefined()
    const papers = ['cards', batch.cards[0]!.key, 'papers']
    expect(afterOthers(batch, [{ op: 'set', path: papers, value: { base: 'elsewhere' } }])).toBeUndefined()
  })
})
