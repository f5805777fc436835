import { mountain, panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { matBorder } from './choices'

export const backGateStand = defineFold({
  id: 'back-gate-stand',
  number: 5,
  name: 'Back-gate stand',
  summary:
    'Two gates meet behind a raised centre and turn outwards again: a frame from the front, two gates from behind.',
  skill: 'some care',
  stands: true,
  group: 'strip',
  bothWays: true,
  layered: true,
  parameters: {
    outer: size('Outer panel', '2 1/8 in', '52 mm'),
    gate: length('Gate', '1 1/4 in', '30 mm', { follows: 'outer', help: 'The centre is two gates wide' }),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    border: matBorder,
    message: toggle('Message panel behind the centre', true),
  },
  build({ outer, gate, height, border, message }, card) {
    const centre = gate.times(2)
    const base = card.strip('base', 'Base', 'base', height, [
      panel('left', 'Left panel', outer), valley(90),
      panel('left-gate', 'Left gate', gate), mountain(90),
      panel('centre', 'Centre', centre), mountain(90),
      panel('right-gate', 'Right gate', gate), valley(90),
      panel('right', 'Right panel', outer),
    ])
    card.step('Score the two valleys; turn the sheet over and score the two mountains.')
    card.whenScored('Fold the two valleys; turn the sheet over and fold the two mountains.')
    const middle = panelOf(base, 'centre')
    card.mat(panelOf(base, 'left'), border, { key: 'mat-left', name: 'Mat on left panel', printTop: 'top' })
    card.mat(middle, border, { key: 'mat-centre', name: 'Mat on centre', printTop: 'top' })
    card.mat(panelOf(base, 'right'), border, { key: 'mat-right', name: 'Mat on right panel', printTop: 'top' })
    card.lay()
    if (message) {
      const note = card.mat(middle, border, { key: 'message', name: 'Message panel', kind: 'message', face: 'outside' })
      card.message('the back of the centre', note.width, note.height, face(note))
      card.lay('Keep it clear of the creases, or the gates do not close.')
    }
    card.limit({
      parameter: 'outer', atLeast: gate, because: 'narrower ones leave the raised centre wider than the card.',
    })
    return { width: outer.times(2), height, anchor: middle }
  },
})
