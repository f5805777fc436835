import { bent, panel } from '../model/builder'
import { face, panelOf } from '../model/card'
import type { CreaseEntry } from '../model/builder'
import { defineFold } from '../model/fold'
import { length, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { matBorder } from './choices'

/** The card folds flat by sliding sideways: one riser swings from 0 to 90 degrees while the other comes from 180. */
const leading = (direction: CreaseEntry['direction']): CreaseEntry => bent(direction, opening => 90 * opening)
const trailing = (direction: CreaseEntry['direction']): CreaseEntry => bent(direction, opening => 180 - 90 * opening)

export const bridge = defineFold({
  id: 'bridge',
  number: 4,
  name: 'Bridge',
  summary: 'A scene strip spans two feet in front of a raised centre; the card folds flat by sliding sideways.',
  skill: 'nimble',
  stands: true,
  group: 'strip',
  bothWays: true,
  layered: true,
  parameters: {
    width: length('Finished width', '6 in', '150 mm'),
    height: length('Finished height', '4 in', '100 mm'),
    depth: length('Depth', '1 1/8 in', '28 mm', { follows: 'width', help: 'How far the scene stands in front of the centre' }),
    border: matBorder,
    scene: toggle('Scene strip in front', true),
    sceneHeight: length('Scene height', '1 1/2 in', '38 mm', { follows: 'height', when: 'scene' }),
    fence: toggle('Fence on foam before the scene', false, 'A lower silhouette in front of the scene strip'),
    fenceHeight: length('Fence height', '3/4 in', '20 mm', { follows: 'height', when: 'fence' }),
  },
  build({ width, height, depth, border, scene, sceneHeight, fence, fenceHeight }, card) {
    const base = card.strip('base', 'Base', 'base', height, [
      panel('left-foot', 'Left foot', depth),
      leading('mountain'),
      panel('left-riser', 'Left riser', depth),
      leading('valley'),
      panel('centre', 'Centre', width.minus(depth.times(2))),
      trailing('valley'),
      panel('right-riser', 'Right riser', depth),
      trailing('mountain'),
      panel('right-foot', 'Right foot', depth),
    ])
    card.step('Score all four creases and fold them sharply; burnish.')
    for (const { key, name } of base.panels) {
      card.mat(panelOf(base, key), border, { key: `mat-${key}`, name: `Mat on ${name.toLowerCase()}`, printTop: 'top' })
    }
    card.step('Glue the mats on centre, risers and feet.')
    // The front of the centre is matted and stands behind the scene; its back is free.
    card.message('the outside of the centre', width.minus(depth.times(2)), height)

    if (scene) {
      const [left, right] = [panelOf(base, 'left-foot'), panelOf(base, 'right-foot')]
      const strip = card.strip('scene', 'Scene strip', 'insert', sceneHeight, [panel('face', 'Scene', width)])
      card.joinAt(face(strip), left, 'inside', { x: left.x, glue: { width: depth } })
      card.joinAt(face(strip), right, 'inside', { x: depth.minus(width), glue: { x: width.minus(depth), width: depth } })
      card.step(
        'Glue the scene to the two outer feet only, with the card standing. Slide it flat once before the glue sets.',
        'No glue on risers or centre, or the card cannot slide flat.',
      )
      if (fence) {
        card.piece(
          face(strip),
          { width: width.minus(border.times(2)).downToMark(card.mark), height: fenceHeight },
          { key: 'fence', name: 'Fence strip', kind: 'figure', means: 'foam', y: Measure.zero, printTop: 'top' },
        )
        card.step(
          'Cut the silhouettes into the upper edges of scene and fence; set the fence on foam before the scene.',
          'Each layer is taller than the one in front of it.',
        )
        card.limit({
          subject: 'Fence height',
          parameter: 'fenceHeight',
          value: fenceHeight,
          atMost: sceneHeight.minus(rule('ease', card.units)),
          because: 'it would hide the scene behind it.',
        })
      }
      card.limit({
        subject: 'Scene height',
        parameter: 'sceneHeight',
        value: sceneHeight,
        atMost: height,
        because: 'it would stick out of the folded card.',
      })
    }
    card.limit({
      subject: 'Depth',
      parameter: 'depth',
      value: depth,
      atMost: width.half().minus(rule('clearance', card.units)).minus(rule('openingSide', card.units).half()),
      because: 'the card would not fold flat inside its outline.',
    })
    return { width, height, anchor: panelOf(base, 'centre') }
  },
})
