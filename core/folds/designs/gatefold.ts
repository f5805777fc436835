import { panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { bellyBand } from './belly-band'
import { matBorder } from './choices'

export const gatefold = defineFold({
  id: 'gatefold',
  number: 7,
  name: 'Gatefold',
  summary: 'Two doors meet in the middle; a belly band wrapped round the closed card keeps them shut.',
  skill: 'first card',
  stands: false,
  group: 'strip',
  bothWays: true,
  layered: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    border: matBorder,
    insideMats: toggle('Mats inside the doors', true),
    message: toggle('Message panel in the middle', true),
    band: toggle('Belly band', true, 'Wrapped by hand round the closed card, never scored'),
    bandHeight: length('Band height', '1 1/2 in', '40 mm', { follows: 'height', when: 'band' }),
    bandOverlap: length('Overlap of the band', '1/2 in', '12 mm', { when: 'band', zero: true }),
  },
  build({ width, height, border, insideMats, message, band, bandHeight, bandOverlap }, card) {
    const half = width.half()
    const base = card.strip('base', 'Base', 'base', height, [
      panel('left', 'Left door', half),
      valley(50),
      panel('middle', 'Middle', width),
      valley(50),
      panel('right', 'Right door', width.minus(half)),
    ])
    const middle = panelOf(base, 'middle')
    card.step('Score and fold both doors; they meet in the middle without overlapping.')
    card.whenScored('Fold both doors; they meet in the middle without overlapping.')
    for (const key of ['left', 'right']) {
      const door = panelOf(base, key)
      card.mat(door, border, {
        key: `mat-${key}`, name: `Mat on ${door.name.toLowerCase()}`, face: 'outside', printTop: 'top',
      })
      if (insideMats)
        card.mat(door, border, {
          key: `mat-${key}-inside`, name: `Mat inside ${door.name.toLowerCase()}`, printTop: 'top',
        })
    }
    const inner = card.mat(middle, border, { key: 'mat-middle', name: 'Mat in the middle', printTop: 'top' })
    card.lay('Two faces that meet should not carry the same print.')
    if (message) {
      const note = card.mat(face(inner), border, { key: 'message', name: 'Message panel', kind: 'message' })
      card.message('the middle', note.width, note.height, face(note))
      card.lay()
    }
    if (band) bellyBand(card, { width, height, border, bandHeight, bandOverlap })
    return { width, height, anchor: middle }
  },
})
