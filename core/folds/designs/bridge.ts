import { bent, panel } from '../model/entries'
import { face, panelOf } from '../model/card'
import type { CreaseEntry } from '../model/entries'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { RAISED, heldBy, matBorder, orUsual } from './choices'

const COUNTS = ['1', '2', '3'].map(value => ({ value, label: value }))

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
    width: size('Finished width', '6 in', '150 mm'),
    height: size('Finished height', '4 in', '100 mm'),
    depth: length('Depth', '1 1/8 in', '28 mm', {
      follows: 'width', help: 'How far the scene stands in front of the centre',
    }),
    border: matBorder,
    scene: toggle('Scene strip in front', true),
    sceneHeight: length('Scene height', '1 1/2 in', '38 mm', { follows: 'height', when: 'scene' }),
    figures: toggle('Figures on the scene', false, 'Glued to the scene strip, standing up above it', 'scene'),
    figureCount: choice('Number of figures', COUNTS, undefined, ['scene', 'figures']),
    figuresHeld: choice('Figures held', RAISED, undefined, ['scene', 'figures']),
    figureWidth: length('Figure width', '1 in', '25 mm', { follows: 'width', when: ['scene', 'figures'] }),
    figureHeight: length('Figure height', '2 1/2 in', '64 mm', { follows: 'height', when: ['scene', 'figures'] }),
    fence: toggle('Fence before the scene', false, 'A lower silhouette in front of the scene strip', 'scene'),
    fenceHeld: choice('Fence held', RAISED, undefined, ['scene', 'fence']),
    fenceWidth: length('Fence width', '0 in', '0 mm', {
      follows: 'width', when: ['scene', 'fence'], zero: true, help: 'Nothing: as wide as the scene less its border',
    }),
    fenceHeight: length('Fence height', '3/4 in', '20 mm', { follows: 'height', when: ['scene', 'fence'] }),
    edge: toggle('A third strip before the fence', false, 'The lowest of all', ['scene', 'fence']),
    edgeHeld: choice('Third strip held', RAISED, undefined, ['scene', 'fence', 'edge']),
    edgeHeight: length('Third strip height', '3/8 in', '10 mm', {
      follows: 'height', when: ['scene', 'fence', 'edge'],
    }),
  },
  build(
    {
      width, height, depth, border, scene, sceneHeight, figures, figureCount, figuresHeld, figureWidth, figureHeight,
      fence, fenceHeld, fenceWidth, fenceHeight, edge, edgeHeld, edgeHeight,
    },
    card,
  ) {
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
    card.whenScored('Fold all four creases sharply; burnish.')
    for (const { key, name } of base.panels) {
      card.mat(panelOf(base, key), border, { key: `mat-${key}`, name: `Mat on ${name.toLowerCase()}`, printTop: 'top' })
    }
    card.lay()
    // The front of the centre is matted and stands behind the scene; its back is free.
    card.message('the outside of the centre', width.minus(depth.times(2)), height, panelOf(base, 'centre'), 'outside')

    if (scene) {
      const [left, right] = [panelOf(base, 'left-foot'), panelOf(base, 'right-foot')]
      const strip = card.strip('scene', 'Scene strip', 'insert', sceneHeight, [panel('face', 'Scene', width)])
      card.joinAt(face(strip), left, 'inside', { x: left.x, glue: { width: depth } })
      card.joinAt(face(strip), right, 'inside', {
        x: depth.minus(width), glue: { x: width.minus(depth), width: depth },
      })
      card.step(
        'Glue the scene to the two outer feet only, with the card standing. Slide it flat once before the glue sets.',
        'No glue on risers or centre, or the card cannot slide flat.',
      )
      if (figures) {
        const count = Number(figureCount)
        // As much between two of them as beside the outer ones.
        const gap = width.minus(figureWidth.times(count)).times(1 / (count + 1)).downToMark(card.mark)
        for (let at = 0; at < count; at++) {
          card.piece(
            face(strip),
            { width: figureWidth, height: figureHeight },
            {
              key: count === 1 ? 'figure' : `figure-${at + 1}`,
              name: count === 1 ? 'Figure' : `Figure ${at + 1}`,
              kind: 'figure',
              means: heldBy(figuresHeld),
              x: gap.times(at + 1).plus(figureWidth.times(at)),
              y: Measure.zero,
              printTop: 'top',
              glueHeight: figureHeight.value < sceneHeight.value ? figureHeight : sceneHeight,
            },
          )
        }
        card.step(
          'Cut the figures out and set them on the scene strip, their feet at its foot.',
          'Glue on the strip only, not above it.',
        )
        card.limit({ parameter: 'figureHeight', atMost: height, because: 'it would stick out of the folded card.' })
        card.limit({
          parameter: 'figureWidth', atMost: width.times(1 / count), because: 'the figures would lie over each other.',
        })
      }
      if (fence) {
        if (fenceWidth.value > 0) {
          card.limit({ parameter: 'fenceWidth', atMost: width, because: 'it would stick out beside the scene.' })
        }
        const front = card.piece(
          face(strip),
          { width: orUsual(fenceWidth, width.minus(border.times(2)).downToMark(card.mark)), height: fenceHeight },
          {
            key: 'fence', name: 'Fence strip', kind: 'figure', means: heldBy(fenceHeld), y: Measure.zero,
            printTop: 'top',
          },
        )
        if (edge) {
          card.piece(
            face(front),
            { width: front.width, height: edgeHeight },
            {
              key: 'edge', name: 'Third strip', kind: 'figure', means: heldBy(edgeHeld), y: Measure.zero,
              printTop: 'top',
            },
          )
          card.limit({
            parameter: 'edgeHeight',
            atMost: fenceHeight.minus(rule('ease', card.units)),
            because: 'it would hide the fence behind it.',
          })
        }
        const strips = [
          ['scene', sceneHeight], ['fence', fenceHeight], ...(edge ? [['third strip', edgeHeight] as const] : []),
        ] as const
        card.step(
          `Stamp or cut the silhouettes along the upper edges, measured from the foot: ${strips
            .map(([name, high]) => `${name} up to ${card.show(high)}`)
            .join(', ')}. Set each strip before the one behind it.`,
          'Each layer is taller than the one in front of it.',
        )
        card.limit({
          parameter: 'fenceHeight',
          atMost: sceneHeight.minus(rule('ease', card.units)),
          because: 'it would hide the scene behind it.',
        })
      }
      card.limit({ parameter: 'sceneHeight', atMost: height, because: 'it would stick out of the folded card.' })
    }
    card.limit({
      parameter: 'depth',
      atMost: width.half().minus(rule('clearance', card.units)).minus(rule('openingSide', card.units).half()),
      because: 'the card would not fold flat inside its outline.',
    })
    return { width, height, anchor: panelOf(base, 'centre') }
  },
})
