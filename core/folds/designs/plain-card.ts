import { panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, toggle, options } from '../model/parameters'
import { BORDER, HEIGHT, STYLE, WIDTH } from './plain'

export const plainCard = defineFold({
  ...STYLE,
  id: 'plain-card',
  number: 22,
  name: 'Plain folded card',
  summary: 'One fold, at the side or at the top, with mats outside and inside.',
  stands: true,
  layered: true,
  handed: true,
  parameters: {
    width: WIDTH,
    height: HEIGHT,
    fold: choice('Fold', options({ side: 'At the side', top: 'At the top' })),
    border: BORDER,
    message: toggle('Message panel inside', true),
  },
  build({ width, height, fold, border, message }, card) {
    const side = fold === 'side'
    const base = side
      ? card.strip('base', 'Base', 'base', height, [
          panel('front', 'Front panel', width),
          valley(60),
          panel('back', 'Back panel', width),
        ])
      : card.strip(
          'base',
          'Base',
          'base',
          width,
          [panel('back', 'Back panel', height), valley(60), panel('front', 'Front panel', height)],
          'y',
        )
    const back = panelOf(base, 'back')
    card.step('Score and fold the base.')
    card.whenScored('Fold the base.')
    card.mat(panelOf(base, 'front'), border, {
      key: 'mat-front',
      name: 'Mat on the front',
      face: 'outside',
      printTop: side ? 'top' : 'bottom',
    })
    card.lay()
    if (message) {
      const note = card.mat(back, border, { key: 'message', name: 'Message panel', kind: 'message' })
      card.message('the inside', note.width, note.height, face(note))
      card.lay()
    }
    return { width, height, anchor: back }
  },
})
