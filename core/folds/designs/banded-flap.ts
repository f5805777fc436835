import { during, mountain, panel, valley } from '../model/entries'
import { face, panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { matBorder } from './choices'

const meeting = (over: number): string => (over === 0 ? 'meet' : over > 0 ? 'overlap' : 'leave a gap for a topper')

export const bandedFlap = defineFold({
  id: 'banded-flap',
  number: 6,
  name: 'Banded flap',
  summary: 'A flap folds over the card; a band glued behind closes over both with two tongues that meet in front.',
  skill: 'first card',
  stands: false,
  group: 'strip',
  bothWays: true,
  layered: true,
  parameters: {
    width: size('Finished width', '4 1/4 in', '105 mm'),
    height: size('Finished height', '5 1/2 in', '148 mm'),
    flap: length('Flap', '3 in', '75 mm', { follows: 'width' }),
    bandHeight: length('Band height', '1 1/2 in', '40 mm', { follows: 'height' }),
    ease: length('Ease of the band', '1/8 in', '3 mm', {
      zero: true, help: 'How much wider than the card the band is',
    }),
    overlap: length('Tongues overlap by', '0 in', '0 mm', { zero: true, help: 'Nothing where they meet edge to edge' }),
    gap: length('Gap between the tongues', '0 in', '0 mm', { zero: true, help: 'Bridged by a topper on one of them' }),
    border: matBorder,
    message: toggle('Message panel under the flap', true),
  },
  build({ width, height, flap, bandHeight, ease, overlap, gap, border, message }, card) {
    const printTop = 'top'
    const base = card.strip(
      'base',
      'Base',
      'base',
      width,
      [panel('back', 'Back panel', height), during(0.5, 1, valley(50)), panel('flap', 'Flap', flap)],
      'y',
    )
    const round = width.plus(ease).named('Card width and ease')
    // They meet, overlap or leave a gap: each gives or takes half of it.
    const tongue = round.half().plus(overlap.half()).minus(gap.half())
    const other = round.plus(overlap).minus(gap).minus(tongue)
    const band = card.strip('band', 'Band', 'insert', bandHeight, [
      panel('left-tongue', 'Left tongue', tongue),
      during(0, 0.5, mountain(40)),
      panel('middle', 'Band behind the card', round),
      during(0, 0.5, mountain(40)),
      panel('right-tongue', 'Right tongue', other),
    ])
    const back = panelOf(base, 'back')
    card.step('Score and fold the base; the flap closes from the top. Score and fold the band, its print outwards.')
    card.whenScored('Fold the base; the flap closes from the top. Fold the band, its print outwards.')

    const inner = card.mat(back, border, { key: 'mat-back', name: 'Mat on back panel', printTop })
    // Folded down, what was its head hangs below.
    card.mat(panelOf(base, 'flap'), border, {
      key: 'mat-flap', name: 'Mat on flap', face: 'outside', printTop: 'bottom',
    })
    card.lay('Fold the flap first: what looks upright flat may be upside down folded.')
    card.mat(panelOf(band, 'left-tongue'), border, { key: 'mat-left-tongue', name: 'Mat on left tongue', printTop })
    card.mat(panelOf(band, 'right-tongue'), border, { key: 'mat-right-tongue', name: 'Mat on right tongue', printTop })
    card.lay(`Width first: a tongue is ${card.show(tongue)} wide and ${card.show(bandHeight)} high.`)
    if (message) {
      const note = card.mat(face(inner), border, { key: 'message', name: 'Message panel', kind: 'message' })
      card.message('the back panel', note.width, note.height, face(note))
      card.lay('It lies under the flap.')
    }
    card.joinAt(panelOf(band, 'middle'), back, 'outside', {
      x: width.minus(round).half(),
      glue: { x: tongue.plus(round.minus(width).half()), width },
    })
    card.step(
      `Glue the middle of the band behind the back panel; the tongues ${meeting(overlap.minus(gap).value)} in front.`,
      'A topper that holds the tongues is glued to one tongue only.',
    )

    card.limit({
      parameter: 'gap', atMost: round.half(), because: 'with more the tongues are too short to hold the card shut.',
    })
    card.limit({
      subject: 'Overlap of the tongues',
      parameter: 'overlap',
      atMost: round.half(),
      because: 'a longer tongue reaches round the other side of the card.',
    })
    card.limit({
      parameter: 'flap', atMost: height.minus(border), because: 'it must leave the border of the back panel visible.',
    })
    card.limit({
      parameter: 'ease', atMost: rule('ease', card.units), severity: 'warn', because: 'a wider band slips off.',
    })
    card.limit({
      parameter: 'bandHeight', atMost: height.minus(border.times(2)), because: 'the card must show above and below it.',
    })
    return { width, height, anchor: back }
  },
})
