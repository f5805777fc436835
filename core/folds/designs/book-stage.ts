import { at, bent, box, panel, valley } from '../model/entries'
import type { Panel } from '../model/card'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { insertBorder, orUsual } from './choices'

/** How far the covers stay folded on display, in degrees. */
const OPEN = 80
const spine = (opening: number) => 180 + (OPEN - 180) * opening

const CHARMS = options({ bought: 'Bought', cut: 'Two mirrored pieces' })

const RIDGES = options({ two: 'Two', over: 'One over it', none: 'None' })

export const bookStage = defineFold({
  id: 'book-stage',
  number: 12,
  name: 'Book stage',
  summary: 'Two rails rise as a ridge over an open book of two pages when the covers part.',
  skill: 'nimble',
  stands: true,
  group: 'slit',
  layered: true,
  view: { turn: 42, tilt: 22 },
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    ...insertBorder,
    end: length('End panel', '1 1/4 in', '32 mm', { follows: 'width' }),
    riser: length('Riser of a page', '3/4 in', '20 mm', { follows: 'width' }),
    rail: length('Rail height', '3/4 in', '20 mm', { follows: 'height' }),
    railFoot: length('Foot of the ridge from the edge', '2 1/2 in', '64 mm', { follows: 'height' }),
    feet: toggle('Feet of the rails are fixed', true, 'Glued to the covers, from the end panels to the ridge'),
    mats: length('Border of the mats', '1/8 in', '3 mm', { zero: true }),
    ridge: choice('Mats on each ridge', RIDGES, 'One on each side, or one over both, scored at the ridge'),
    matched: toggle('Print runs across the gutter', true, 'Pages and rails are cut in matched pairs'),
    charm: toggle('A charm hangs from the ridge', false),
    charmKind: choice('The charm', CHARMS, undefined, 'charm'),
    charmWidth: length('Width of the charm', '3/4 in', '20 mm', {
      follows: 'height', when: ['charm', 'charmKind=cut'],
    }),
    charmLength: length('Length of the charm', '1 in', '25 mm', { follows: 'height', when: 'charm' }),
  },
  build(
    {
      width, height, border, borderHigh, end, riser, rail, railFoot, feet, mats, ridge, matched, charm, charmKind,
      charmWidth, charmLength,
    },
    card,
  ) {
    const zero = Measure.zero
    const borderAbove = orUsual(borderHigh, border)
    const base = card.strip('base', 'Base', 'base', height, [
      panel('left', 'Left cover', width),
      valley(OPEN),
      panel('right', 'Right cover', width),
    ])
    const long = width.minus(border).times(2).named('Inner sheet')
    const high = height.minus(borderAbove.times(2))
    const half = long.half()
    const sheet = card.sheet('inner', 'Inner sheet', 'insert', { width: long, height: high })
    const page = half.minus(end).minus(riser).named('Page')
    const link = half.minus(railFoot).named('Link of the ridge')
    const bandTop = high.minus(rail)
    const bandHeight = high.minus(rail.times(2)).named('Band height')

    // The end panels run on into the rails as far as the foot of the ridge.
    for (const side of ['left', 'right'] as const) {
      const x = (from: Measure) => (side === 'left' ? from : long.minus(from))
      const corners = [
        at(x(zero), zero),
        at(x(railFoot), zero),
        at(x(railFoot), rail),
        at(x(end), rail),
        at(x(end), bandTop),
        at(x(railFoot), bandTop),
        at(x(railFoot), high),
        at(x(zero), high),
      ]
      card.area(
        sheet,
        `${side}-end`,
        `${side === 'left' ? 'Left' : 'Right'} end`,
        box(side === 'left' ? zero : long.minus(railFoot), zero, railFoot, high),
        { outline: side === 'left' ? corners : corners.reverse() },
      )
    }
    const part = (key: string, name: string, x: Measure, y: Measure, w: Measure, h: Measure) =>
      card.area(sheet, key, name, box(x, y, w, h))
    for (const [row, y] of [
      ['lower', zero],
      ['upper', bandTop],
    ] as const) {
      part(`${row}-left`, `${row === 'lower' ? 'Lower' : 'Upper'} rail, left`, railFoot, y, link, rail)
      part(`${row}-right`, `${row === 'lower' ? 'Lower' : 'Upper'} rail, right`, half, y, link, rail)
      const up = (x: Measure) => [at(x, y), at(x, y.plus(rail))] as const
      card.crease(sheet, ['left-end', `${row}-left`], ...up(railFoot), bent('valley', spine))
      card.crease(sheet, [`${row}-left`, `${row}-right`], ...up(half), bent('mountain', spine))
      card.crease(sheet, [`${row}-right`, 'right-end'], ...up(long.minus(railFoot)), bent('valley', spine))
    }
    part('left-riser', 'Left riser', end, rail, riser, bandHeight)
    part('left-page', 'Left page', end.plus(riser), rail, page, bandHeight)
    part('right-page', 'Right page', half, rail, page, bandHeight)
    part('right-riser', 'Right riser', half.plus(page), rail, riser, bandHeight)
    const across = (x: Measure) => [at(x, rail), at(x, bandTop)] as const
    card.crease(sheet, ['left-end', 'left-riser'], ...across(end), bent('valley', spine))
    card.crease(sheet, ['left-riser', 'left-page'], ...across(end.plus(riser)), bent('mountain', spine))
    card.crease(sheet, ['left-page', 'right-page'], ...across(half), bent('valley', spine))
    card.crease(sheet, ['right-page', 'right-riser'], ...across(half.plus(page)), bent('mountain', spine))
    card.crease(sheet, ['right-riser', 'right-end'], ...across(long.minus(end)), bent('valley', spine))
    for (const y of [rail, bandTop]) card.slit(sheet, at(end, y), at(long.minus(end), y))
    card.step(
      'Cut the two long slits first, both the same length, then score.',
      'Rails and band share the middle score, folded in opposite directions.',
    )
    card.whenScored(
      'Cut the two long slits, both the same length.',
      'Rails and band share the middle score, folded in opposite directions.',
    )

    const pages: Panel[] = []
    for (const [side, name] of [
      ['left', 'left'],
      ['right', 'right'],
    ] as const) {
      const pair = (of: string) => (matched ? of : undefined)
      const onPage = card.mat(panelOf(sheet, `${side}-page`), mats, {
        key: `mat-${side}-page`,
        name: `Mat on ${name} page`,
        printTop: 'top',
        pair: pair('pages'),
      })
      pages.push(face(onPage))
      for (const row of ridge === 'two' ? (['lower', 'upper'] as const) : [])
        card.mat(panelOf(sheet, `${row}-${side}`), mats, {
          key: `mat-${row}-${side}`,
          name: `Mat on ${row} rail, ${name}`,
          printTop: 'top',
          pair: pair(row),
        })
    }
    for (const row of ridge === 'over' ? (['lower', 'upper'] as const) : []) {
      const [wide, high] = [link.minus(mats), rail.minus(mats.times(2))].map(side => side.downToMark(card.mark)) as [
        Measure, Measure,
      ]
      const over = card.strip(`mat-${row}`, `Mat over the ${row} ridge`, 'insert', high, [
        panel('left', 'Left of the ridge', wide),
        bent('mountain', spine),
        panel('right', 'Right of the ridge', wide),
      ])
      over.printTop = 'top'
      // Both sides begin at the ridge.
      card.joinAt(panelOf(over, 'left'), panelOf(sheet, `${row}-left`), 'inside', { x: link.minus(wide) })
      card.joinAt(panelOf(over, 'right'), panelOf(sheet, `${row}-right`), 'inside', { x: zero })
    }
    const runs = 'The pattern runs across the gutter: mats beside each other are cut from one piece of print.'
    card.lay(matched ? runs : undefined)
    if (ridge === 'over') {
      card.step('Score the mats of the ridge in their middle and fold them.', undefined, [])
      card.whenScored('Fold the mats of the ridge in their middle.')
      card.step('Glue the mats of the ridge over the two rails, mountain on mountain.')
    }
    const offset = { left: border, right: zero }
    for (const side of ['left', 'right'] as const) {
      card.joinAt(panelOf(sheet, `${side}-end`), panelOf(base, side), 'inside', {
        x: side === 'left' ? offset.left : width.minus(border).minus(railFoot),
        y: borderAbove,
        glue: side === 'left' ? { width: end } : { x: long.minus(end), width: end },
      })
      // The feet of both rails, from the end panel to where the ridge begins.
      for (const y of feet && railFoot.value > end.value ? [zero, bandTop] : []) {
        card.joinAt(panelOf(sheet, `${side}-end`), panelOf(base, side), 'inside', {
          x: side === 'left' ? offset.left : width.minus(border).minus(railFoot),
          y: borderAbove,
          glue: { x: side === 'left' ? end : long.minus(railFoot), y, width: railFoot.minus(end), height: rail },
        })
      }
    }
    card.step(
      feet
        ? 'Glue the end panels and the fixed feet of the rails, all outside the ridge, to the covers; the middle score on the spine.'
        : 'Glue the end panels to the covers, the middle score on the spine; the feet of the rails stay loose.',
      'No glue on risers, pages or links.',
    )
    if (charm) {
      if (charmKind === 'cut') {
        const half = card.loose('charm', 'Half of the charm', { width: charmWidth, height: charmLength }, 'figure')
        half.count = 2
        card.supply('thread for the charm')
        card.step(
          'Cut the second half of the charm as in a mirror; glue both back to back with the end of the thread between them.',
        )
      }
      else {
        card.supply('charm on a thread')
      }
      card.limit({
        parameter: 'charmLength',
        atMost: Measure.of(
          'Ridge above the pages',
          Math.max(
            0, Math.round((2 * link.value - 2 * riser.value) * Math.cos((OPEN / 360) * Math.PI)),
          ) as typeof card.mark,
        ),
        because: 'it would lie on the pages.',
      })
      card.step('Hang the charm from the middle of the upper rail.')
    }
    const room = width.minus(border)
    card.limit({
      subject: 'Foot of the ridge',
      parameter: 'railFoot',
      atLeast: end,
      because: 'the ridge must start beyond the end panel.',
    })
    card.limit({
      subject: 'Closed ridge',
      parameter: 'railFoot',
      value: link.times(2),
      atMost: room,
      right: half.minus(room.half()),
      round: 'up',
      because: 'it would stick out of the closed card.',
    })
    card.limit({
      subject: 'Foot of the ridge',
      parameter: 'railFoot',
      value: link,
      atLeast: rule('openingSide', card.units),
      right: half.minus(rule('openingSide', card.units)),
      round: 'down',
      because: 'the links would be too short to rise.',
    })
    card.limit({
      subject: 'Closed riser',
      parameter: 'riser',
      value: half.minus(end).plus(riser),
      atMost: room,
      right: room.minus(half).plus(end),
      round: 'down',
      because: 'it would stick out of the closed card.',
    })
    card.limit({
      subject: 'Page',
      parameter: 'riser',
      value: page,
      atLeast: rule('messageSide', card.units),
      right: half.minus(end).minus(rule('messageSide', card.units)),
      round: 'down',
      severity: 'warn',
      because: 'hardly anything fits on it.',
    })
    card.limit({
      parameter: 'rail',
      atMost: high.minus(rule('messageSide', card.units)).half(),
      because: 'nothing would be left of the pages.',
    })
    card.message('a page', page, bandHeight, pages[0] ?? panelOf(sheet, 'left-page'))
    return { width, height, anchor: panelOf(base, 'left') }
  },
})
