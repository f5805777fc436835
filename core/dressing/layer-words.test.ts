import { describe, expect, it } from 'vitest'
import { cardOf, face, whole } from './dressed-testing'
import { addFreePiece } from '.'

const laid = (...layers: Parameters<typeof face>[1][]) =>
  whole(cardOf('gatefold', { faces: [face('base--middle--inside', ...layers)] })).steps
    .find(({ key }) => key === 'lay--base--middle--inside')!.text

describe('what is said of layers', () => {
  it('tells even borders from others, the middle from a corner, and what reaches beyond', () => {
    const uneven = { left: '1/8 in', right: '1/8 in', top: '1/16 in', bottom: '1/16 in' }
    const sized = { name: 'Sun', width: '2 in', height: '1 in' }
    expect([
      laid({ name: 'Sun' }), laid({ name: 'Sun', ...uneven }), laid(sized),
      laid({ ...sized, centred: false, left: '1/2 in', bottom: '1 1/4 in' }),
      laid({ ...sized, centred: false, left: '0 in', bottom: '1 in', hold: 'loose' }),
    ]).toEqual([
      'Tape “Sun” to the inside of the middle, with an even border of 1/8 in.',
      'Tape “Sun” to the inside of the middle, centred.',
      'Tape “Sun” to the inside of the middle, centred.',
      'Tape “Sun” to the inside of the middle, 1/2 in from the left and 1 1/4 in from the foot.',
      'Lay “Sun” on the inside of the middle without glue, flush with the left and 1 in from the foot.',
    ])
  })

  it('says the lowest first and names what each lies on, with the height of its foam', () => {
    expect(laid({ name: 'Sea' }, { name: 'Boat', hold: 'foam', foam: '1/8 in' })).toBe(
      'Tape “Sea” to the inside of the middle, with an even border of 1/8 in. '
      + 'Stick “Boat” to “Sea” on foam 1/8 in high, with an even border of 1/8 in.',
    )
    const card = cardOf('plain-card')
    addFreePiece(card, 'inch', { key: 'tag', name: 'Tag' })
    card.faces = [face('free--tag--face--inside', { name: 'Dot' }), face('base--back--outside', { name: 'Mark' })]
    const said = whole(card).steps.map(({ text }) => text)
    expect(said).toContain('Tape “Dot” to the front of “Tag”, with an even border of 1/8 in.')
    expect(said).toContain('Tape “Mark” to the outside of the back panel, with an even border of 1/8 in.')
  })

  it('says layers of a design that lie alike at once, each on its lower layer where it has one', () => {
    const said = whole(cardOf('crossing-flaps', { parameters: { layers: 'two', held: 'glue' } })).steps
      .flatMap(({ lays, text }) => (lays ? [text] : []))
    const both = 'Glue the mat on front leaf and the mat on back leaf each to its lower layer with wet glue, '
    expect(said[1]).toContain(both)
  })
})
