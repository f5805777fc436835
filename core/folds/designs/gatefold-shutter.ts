import { bent, mountain, panel, at, valley } from '../model/entries'
import type { WindowShape } from '../model/card'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure, nanometres } from '../../lengths'
import { WINDOWS, matBorder, shapeOf } from './choices'
import { bellyBand } from './belly-band'
import { riding } from './riding'

/**
 * Share of a window, in whole percent, that lies outside the diamond between open shutters.
 * @param half half the side or the radius of the window
 * @param wide half the width of the diamond
 * @param high half its height
 */
export function coveredShare(shape: WindowShape, half: number, wide: number, high: number): number {
  const STEPS = 200
  let [all, covered] = [0, 0]
  for (let i = 0; i < STEPS; i++) {
    for (let j = 0; j < STEPS; j++) {
      const [x, y] = [(i + 0.5) / STEPS, (j + 0.5) / STEPS]
      if (shape === 'circle' && x * x + y * y > 1) continue
      all++
      if ((x * half) / wide + (y * half) / high > 1) covered++
    }
  }
  return Math.round((100 * covered) / all)
}

/**
 * The largest rectangle between open shutters: within the diamond that their notches leave, and within the window. A
 * point of the diamond has x / wide + y / high = 1, so half of each is the most without a window.
 * @param wide half the width of the diamond, `high` half its height, `half` half the window
 * @returns half the sides of the rectangle, as all that is given in nanometres
 */
function clearBetween(wide: number, high: number, half: number, shape: WindowShape): { width: number, height: number } {
  if (wide <= 0 || high <= 0) return { width: 0, height: 0 }
  const most = shape === 'circle' ? half * Math.SQRT1_2 : half
  const width = Math.min(most, wide / 2)
  const height = Math.min(most, high * (1 - width / wide))
  return { width: Math.min(most, wide * (1 - height / high)), height }
}

export const gatefoldShutter = defineFold({
  id: 'gatefold-shutter',
  number: 8,
  name: 'Gatefold with shutter',
  summary: 'Opening the doors draws two shutters apart under a panel and uncovers a window with the message behind it.',
  skill: 'nimble',
  stands: false,
  group: 'slider',
  bothWays: true,
  layered: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    panelWidth: length('Panel width', '2 1/2 in', '62 mm', {
      follows: 'width',
      help: 'What the width leaves beside it is the travel of the shutters',
    }),
    tab: length('Tab', '1/2 in', '12 mm', { follows: ['width', 'height'] }),
    shutter: length('Shutter height', '3 in', '76 mm', { follows: 'height' }),
    windowShape: choice('Window', [...WINDOWS].reverse(), 'A square one leaves more room to write'),
    window: length('Window size', '1 1/2 in', '40 mm', { follows: ['width', 'height'] }),
    windowAt: length('Window centre above the foot', '2 3/4 in', '74 mm', { follows: 'height' }),
    border: matBorder,
    message: toggle('Message panel behind the window', true),
    band: toggle('Belly band', false, 'Wrapped by hand round the closed card, never scored'),
    bandHeight: length('Band height', '1 1/2 in', '40 mm', { follows: 'height', when: 'band' }),
    bandOverlap: length('Overlap of the band', '1/2 in', '12 mm', { when: 'band', zero: true }),
  },
  build(
    {
      width, height, panelWidth, tab, shutter, windowShape, window, windowAt, border, message, band, bandHeight,
      bandOverlap,
    },
    card,
  ) {
    const half = width.half()
    const base = card.strip('base', 'Base', 'base', height, [
      panel('left', 'Left door', half),
      valley(0),
      panel('middle', 'Middle', width),
      valley(0),
      panel('right', 'Right door', width.minus(half)),
    ])
    const middle = panelOf(base, 'middle')
    const [left, right] = [panelOf(base, 'left'), panelOf(base, 'right')]
    card.step('Score and fold both doors of the base.')
    card.whenScored('Fold both doors of the base.')

    const travel = width.minus(panelWidth).named('Travel')
    const reach = panelWidth.half().plus(travel)
    const fromHinge = width.minus(panelWidth).half()
    const foot = windowAt.minus(shutter.half())
    if (message) {
      const note = card.piece(
        middle,
        { width: panelWidth.downToMark(card.mark), height: height.minus(border.times(2)).downToMark(card.mark) },
        { key: 'message', name: 'Message panel', kind: 'message' },
      )
      const clear = clearBetween(travel.value, shutter.half().value, window.half().value, shapeOf(windowShape))
      card.message(
        'the middle, between the open shutters',
        Measure.of('Clear width', nanometres(Math.min(note.width.value, 2 * clear.width))),
        Measure.of('Clear height', nanometres(2 * clear.height)),
        face(note),
      )
      card.lay()
    }
    const swing = riding(fromHinge.value, reach.value, opening => 180 * (1 - opening))
    for (const [door, key, name] of [
      [left, 'left-shutter', 'Left shutter'],
      [right, 'right-shutter', 'Right shutter'],
    ] as const) {
      const mirrored = door === right
      const flap = panel('tab', 'Tab', tab)
      const blade = panel('blade', name, reach)
      const part = card.strip(
        key,
        name,
        'insert',
        shutter,
        mirrored ? [blade, bent('valley', swing), flap] : [flap, bent('valley', swing), blade],
      )
      const notched = (from: Measure) => {
        const corners = [
          at(from, Measure.zero),
          at(part.width, Measure.zero),
          at(part.width.minus(travel), shutter.half()),
          at(part.width, shutter),
          at(from, shutter),
        ]
        return mirrored ? corners.map(({ x, y }) => at(part.width.minus(x), y)).reverse() : corners
      }
      card.shape(part, notched(Measure.zero))
      card.shapePanel(panelOf(part, 'blade'), notched(tab))
      card.joinAt(panelOf(part, 'tab'), door, 'inside', {
        x: mirrored ? fromHinge : half.minus(fromHinge).minus(tab), y: foot,
      })
      card.travel(panelOf(part, 'blade'), travel)
    }
    const notch = `Cut a notch ${card.show(travel)} deep into the free edge of each shutter, its point at mid-height.`
    card.step(`Score each shutter beside its tab. ${notch}`, undefined, [])
    card.whenScored(notch)
    card.step(
      `Glue each tab to its door, its crease ${card.show(travel.half())} from the hinge.`,
      'No glue beyond the tab: the blade must swing.',
    )

    const cover = card.strip(
      'panel',
      'Panel',
      'insert',
      panelWidth,
      [
        panel('foot', 'Lower tab', tab), mountain(180), panel('front', 'Panel', height), mountain(180),
        panel('head', 'Upper tab', tab),
      ],
      'y',
    )
    const front = panelOf(cover, 'front')
    const shape = { shape: shapeOf(windowShape), width: window, height: window }
    card.window(front, 'window', 'Window drop-out', {
      ...shape, x: panelWidth.minus(window).half(), y: windowAt.minus(window.half()),
    })
    card.joinAt(panelOf(cover, 'foot'), middle, 'inside', {
      x: fromHinge, y: Measure.zero, faceDown: true, turned: 180,
    })
    card.joinAt(panelOf(cover, 'head'), middle, 'inside', {
      x: fromHinge, y: height.minus(tab), faceDown: true, turned: 180,
    })
    const mat = card.mat(front, border, { key: 'mat-panel', name: 'Mat on panel', printTop: 'top' })
    card.window(face(mat), 'mat-window', 'Mat window drop-out', {
      ...shape,
      x: mat.width.minus(window).half(),
      y: windowAt.minus(window.half()).minus(height.minus(mat.height).half()),
    })
    card.lay()
    card.step('Cut the window through the panel and what lies on it.', 'Heavy stock: cut one layer at a time.', [])
    card.step(
      'Fold the tabs behind and glue them above and below, so that the shutters pass underneath.',
      'Nothing raised where a shutter passes.',
    )
    for (const door of [left, right])
      card.mat(door, border, {
        key: `mat-${door.key}`, name: `Mat on ${door.name.toLowerCase()}`, face: 'outside', printTop: 'top',
      })
    card.lay('Close the card once before the glue sets.')

    // The diamond that open shutters leave, half as wide as the travel on each side, must hold the corners of the
    // window.
    const share = 1 / Math.max(1, travel.value) + 2 / Math.max(1, shutter.value)
    const clear
      = shapeOf(windowShape) === 'circle'
        ? (2 * travel.value * (shutter.value / 2)) / Math.hypot(travel.value, shutter.value / 2)
        : 2 / share
    card.limit({
      parameter: 'window',
      atMost: Measure.of('What the open shutters leave clear', Math.max(0, Math.floor(clear)) as typeof card.mark),
      severity: 'warn',
      because:
        `${coveredShare(shapeOf(windowShape), window.value / 2, travel.value, shutter.value / 2)} % of it stays covered `
        + `by the open shutters.`,
    })
    card.limit({ parameter: 'window', atMost: panelWidth.minus(border.times(4)), because: 'the panel must frame it.' })
    card.limit({ parameter: 'shutter', atLeast: window, because: 'the closed shutters must cover the window.' })
    card.limit({
      parameter: 'panelWidth',
      atMost: width.minus(rule('openingSide', card.units)),
      because: 'the shutters would hardly move.',
    })
    card.limit({ parameter: 'panelWidth', atLeast: half, because: 'the closed shutters would stick out of the card.' })
    card.limit({ parameter: 'tab', atMost: half.minus(fromHinge), because: 'it must stay on its door.' })
    card.limit({
      parameter: 'tab',
      atMost: windowAt.minus(shutter.half()),
      because: 'the shutters would run into the tabs of the panel.',
    })
    card.limit({
      subject: 'Window centre',
      parameter: 'windowAt',
      atMost: height.minus(tab).minus(shutter.half()),
      because: 'the shutters would leave the panel at its upper end.',
    })
    if (band) bellyBand(card, { width, height, border, bandHeight, bandOverlap })
    return { width, height, anchor: middle }
  },
})
