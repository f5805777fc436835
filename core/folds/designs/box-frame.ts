import { at, bent, box, panel } from '../model/entries'
import type { Panel, Place } from '../model/card'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { itemAt } from '../../lists'
import { Measure } from '../../lengths'
import { orUsual } from './choices'

/** The bars are rolled once and for all; on display only the back leaf moves. */
const square = () => 90

const LESS = 'Nothing: a little less than the frame'

export const boxFrame = defineFold({
  id: 'box-frame',
  number: 18,
  name: 'Box frame',
  summary: 'All four edges of a sheet are rolled inwards to square tubes: a deep frame round a picture.',
  skill: 'nimble',
  stands: true,
  group: 'box',
  parameters: {
    sheet: size('Sheet', '12 in', '300 mm', { help: 'Side of the square sheet; of an oblong one its width' }),
    oblong: toggle('Oblong', false),
    sheetHeight: size('Height of the sheet', '10 in', '250 mm', { when: 'oblong' }),
    face: length('Face of a bar', '3/4 in', '20 mm', { follows: 'sheet' }),
    depth: length('Depth', '1/2 in', '12 mm', { follows: 'sheet' }),
    fit: length('Fit allowance', '1/32 in', '0.8 mm', {
      zero: true,
      help: 'How much smaller than the opening the picture is cut; learnt for each paper',
    }),
    measured: length('Opening as measured', '0 in', '0 mm', {
      zero: true, help: 'On the rolled frame; nothing: as computed',
    }),
    panel: toggle('Print panel behind the frame', false, 'Between frame and stand'),
    panelWidth: length('Width of the print panel', '0 in', '0 mm', { zero: true, when: 'panel', help: LESS }),
    panelHeight: length('Height of the print panel', '0 in', '0 mm', { zero: true, when: 'panel', help: LESS }),
    stand: toggle('A folded card behind it as a stand', true),
    standWidth: length('Width of the stand', '0 in', '0 mm', {
      zero: true, when: 'stand', help: 'Nothing: as wide as what it carries allows',
    }),
    standHeight: length('Height of the stand', '0 in', '0 mm', {
      zero: true, when: 'stand', help: 'Nothing: as high as the frame',
    }),
    message: toggle('Message panel behind', true),
  },
  build(
    {
      sheet: wide, oblong, sheetHeight, face: bar, depth, fit, measured, panel: backing, panelWidth, panelHeight,
      stand, standWidth, standHeight, message,
    },
    card,
  ) {
    const high = oblong ? sheetHeight : wide
    const zero = Measure.zero
    const roll = bar.plus(depth).times(2).named('Rolled edge')
    const [outer, tall] = [wide, high].map(side => side.minus(roll.times(2)).named('Outer frame')) as [Measure, Measure]
    const [opening, clear] = [outer, tall].map(side => side.minus(bar.times(2)).named('Opening')) as [Measure, Measure]
    const sheet = card.sheet('sheet', 'Sheet', 'base', { width: wide, height: high })
    const centre = card.area(sheet, 'centre', 'Centre', box(roll, roll, outer, tall))
    // Distances from the edge inwards: lid on the centre, inner wall, face, outer wall.
    const strips = [
      { key: 'wall', name: 'outer wall', from: bar.plus(depth).plus(bar), size: depth },
      { key: 'face', name: 'face', from: bar.plus(depth), size: bar },
      { key: 'inner', name: 'inner wall', from: bar, size: depth },
      { key: 'foot', name: 'glued strip', from: zero, size: bar },
    ]
    const outline: Place[] = []
    for (const [arm, name] of [
      ['lower', 'Lower'],
      ['right', 'Right'],
      ['upper', 'Upper'],
      ['left', 'Left'],
    ] as const) {
      /** A place by its distance from the arm's edge and along the arm, counter-clockwise round the sheet. */
      const place = (along: Measure, inwards: Measure): Place =>
        ({
          lower: at(along, inwards),
          right: at(wide.minus(inwards), along),
          upper: at(wide.minus(along), high.minus(inwards)),
          left: at(inwards, high.minus(along)),
        })[arm]
      const narrowed = arm === 'left' || arm === 'right'
      const [start, end] = [roll, (narrowed ? high : wide).minus(roll)]
      let before = 'centre'
      // From the centre out along one side of the arm, across its edge, and back.
      const [out, back]: [Place[], Place[]] = [[], []]
      for (const { key, name: word, from, size } of strips) {
        const inner = from.plus(size)
        const inset = (key === 'inner' || key === 'foot') && narrowed ? bar : zero
        // The face is mitred from the width of the outer wall to that of the opening.
        const insetOuter = narrowed && key === 'face' ? bar : inset
        const near = [place(start.plus(insetOuter), from), place(end.minus(insetOuter), from)] as const
        const far = [place(end.minus(inset), inner), place(start.plus(inset), inner)] as const
        const corners = [...near, ...far]
        const [left, right] = span(corners.map(({ x }) => x))
        const [foot, head] = span(corners.map(({ y }) => y))
        card.area(sheet, `${arm}-${key}`, `${name} ${word}`, box(left, foot, right.minus(left), head.minus(foot)), {
          outline: corners,
        })
        card.crease(sheet, [before, `${arm}-${key}`], far[1], far[0], bent('valley', square))
        before = `${arm}-${key}`
        out.push(far[1], near[0])
        back.unshift(near[1], far[0])
      }
      outline.push(...out, ...back)
    }
    card.shape(sheet, outline)
    card.step(
      'Score four lines from every edge: face, depth, face, depth. Cut the four corners away.',
      'Score before you cut; heavy stock is folded along every line once before it is rolled.',
    )
    card.whenScored('Cut the four corners away.', 'Fold heavy stock along every line once before it is rolled.')
    card.step(
      'On the left and right arms narrow the two outer strips to the opening and mitre the third from there to its corner.',
    )
    card.step(
      'Roll every edge inwards to a square tube and glue its last strip to the centre.',
      'Hold each bar until the glue grips; the mitres meet over the straight arms.',
    )

    // What was measured on the rolled frame beats what was computed.
    const inside = (measured.value > 0 && measured.value <= outer.value ? measured : opening)
      .minus(fit)
      .downToMark(card.mark)
    // It is lower by as much as it is narrower than computed.
    const insideHigh = oblong ? clear.minus(opening.minus(inside)).downToMark(card.mark) : inside
    card.piece(
      centre,
      // Rounded to the nearest mark it might not go in.
      { width: inside, height: insideHigh },
      { key: 'picture', name: 'Inset picture', kind: 'mat', printTop: 'top' },
    )
    card.lay(
      'It is set into the opening. A hair too large and it buckles: note the fit allowance that suits your paper.',
    )
    card.supply('box envelope')
    const within = (side: Measure) => side.minus(rule('ease', card.units).times(2)).downToMark(card.mark)
    const behind = backing
      ? face(
          card.piece(
            centre,
            { width: orUsual(panelWidth, within(outer)), height: orUsual(panelHeight, within(tall)) },
            {
              key: 'backing', name: 'Print panel behind the frame', face: 'outside', printTop: 'top',
            }))
      : undefined
    // A print panel shows on both sides of it.
    const leafWidth = orUsual(standWidth, behind ? outer.minus(rule('overlap', card.units).times(2)) : outer)
    const leafHeight = orUsual(standHeight, tall)
    if (stand) {
      const leaf = card.strip(
        'stand',
        'Stand',
        'insert',
        leafWidth,
        [
          panel('leaf', 'Leaf', leafHeight), bent('mountain', opening => 180 - 30 * opening),
          panel('glued', 'Glued half', leafHeight),
        ],
        'y',
      )
      const onto = behind ?? centre
      card.joinAt(panelOf(leaf, 'glued'), onto, behind ? 'inside' : 'outside', {
        x: onto.width.minus(leafWidth).half(),
        // Its foot stands where that of the frame does.
        y: onto.height.minus(tall).half(),
        faceDown: true,
        turned: 180,
        glue: glued(leafHeight, tall, onto),
      })
      if (message) {
        const note = card.mat(panelOf(leaf, 'leaf'), rule('ease', card.units), {
          key: 'message', name: 'Message panel', kind: 'message',
        })
        card.message('the stand behind the frame', note.width, note.height, face(note))
      }
      card.step('Score the stand across its middle and fold it.', undefined, [])
      card.whenScored('Fold the stand across its middle.')
      card.step('Glue one half of the folded stand behind the frame; its fold is at the top.')
    }
    else if (message) {
      const note = card.mat(centre, rule('ease', card.units), {
        key: 'message', name: 'Message panel', kind: 'message', face: 'outside',
      })
      card.message('the back of the frame', note.width, note.height, face(note))
    }
    card.limit({
      subject: 'Opening',
      parameter: 'sheet',
      value: opening,
      atLeast: rule('openingSide', card.units),
      right: roll.times(2).plus(bar.times(2)).plus(rule('openingSide', card.units)),
      because: 'nothing would be seen in it.',
    })
    if (oblong) {
      card.limit({
        subject: 'Height of the opening',
        parameter: 'sheetHeight',
        value: clear,
        atLeast: rule('openingSide', card.units),
        right: roll.times(2).plus(bar.times(2)).plus(rule('openingSide', card.units)),
        because: 'nothing would be seen in it.',
      })
    }
    for (const [parameter, subject, said, most, used] of [
      ['panelWidth', 'Width of the print panel', panelWidth, outer, backing],
      ['panelHeight', 'Height of the print panel', panelHeight, tall, backing],
      ['standWidth', 'Width of the stand', standWidth, behind?.width ?? outer, stand],
      ['standHeight', 'Height of the stand', standHeight, tall, stand],
    ] as const) {
      if (!used || said.value === 0) continue
      card.limit({ subject, parameter, value: said, atMost: most, because: 'it would stick out behind the frame.' })
    }
    if (stand && standHeight.value > 0) {
      card.limit({
        parameter: 'standHeight', atLeast: tall.half(), severity: 'warn', because: 'the frame tips over a lower one.',
      })
    }
    card.limit({
      parameter: 'measured',
      atMost: opening.plus(bar),
      right: opening,
      because: 'a frame of this sheet has no opening so large.',
    })
    card.limit({
      parameter: 'fit', atMost: rule('ease', card.units), severity: 'warn', because: 'the picture would rattle.',
    })
    return { width: outer, height: tall, depth, anchor: centre }
  },
})

/**
 * Where the upper half of the stand touches what it is glued to: its foot may reach below a print panel, and its head
 * above one.
 */
function glued(leaf: Measure, tall: Measure, onto: Panel): { y: Measure, height: Measure } {
  const margin = tall.minus(onto.height).half()
  // From its fold, which is at its head, down.
  const above = leaf.value + margin.value > tall.value ? leaf.plus(margin).minus(tall) : Measure.zero
  return { y: leaf.plus(above), height: leaf.minus(above).minus(margin) }
}

/** The least and the most of some measures. */
function span(measures: Measure[]): [Measure, Measure] {
  const sorted = [...measures].sort((a, b) => a.value - b.value)
  return [itemAt(sorted, 0), itemAt(sorted, -1)]
}
