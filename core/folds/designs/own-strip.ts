import { itemAt } from '../../lists'
import { at, bent, box } from '../model/entries'
import type { Panel } from '../model/card'
import { face } from '../model/card'
import { defineFold } from '../model/fold'
import { length, size, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { boxOf, poseOf } from '../motion/pose'
import type { ParameterInputs } from '../../document'
import type { Length, Units } from '../../lengths'
import { Measure, lengthFrom, nanometres } from '../../lengths'
import type { NotedScore, ScoreRow } from './score-list'
import { flippedScores, pieceList, readPieces, readScores, scoreParameter } from './score-list'
import { matBorder } from './choices'

export const ownStrip = defineFold({
  id: 'own-strip',
  number: 10,
  name: 'Your own strip',
  summary: 'Type the scores from anybody’s notes: Wakaru folds the strip, shows where it ends up, and resizes it.',
  skill: 'some care',
  stands: false,
  group: 'strip',
  layered: true,
  handed: true,
  parameters: {
    length: size('Blank width', '11 in', '297 mm'),
    height: size('Blank height', '5 1/2 in', '148 mm'),
    scores: scoreParameter(
      'Scores',
      '2 3/4 mountain 60, 5 1/2 valley 60',
      '74 mm mountain 60, 148 mm valley 60',
      'From the left end: positions alone, or with mountain or valley, degrees on display, and rails or band where there are slits. '
      + 'A click on a crease folds it the other way',
      'length',
    ),
    slits: toggle('Two slits, for rails and a band', false),
    slitFrom: length('Slits from', '2 3/4 in', '74 mm', { follows: 'length', when: 'slits' }),
    slitTo: length('Slits to', '8 1/4 in', '223 mm', { follows: 'length', when: 'slits' }),
    rail: length('Rail height', '1 1/4 in', '32 mm', { follows: 'height', when: 'slits' }),
    mats: toggle('A mat on every panel', true),
    border: matBorder,
    pieces: pieceList(
      'Glued pieces', 'Size and panel, counted from the left: “3 x 1 1/2 on 2”; “8 x 1 1/2 on 1 to 4” is glued to both',
    ),
  },
  flip(inputs, { from, to }, units) {
    const scores = flippedScores(String(inputs.scores), from.x.value, units, ({ row }) =>
      row === 'all' || (row === 'band') === isInBand(inputs, (from.y.value + to.y.value) / 2, units))
    return scores === undefined ? undefined : { parameter: 'scores', input: scores }
  },
  build(
    { length: long, height, scores: scoreText, slits, slitFrom, slitTo, rail, mats, border, pieces: pieceText }, card,
  ) {
    const zero = Measure.zero
    const scores = noted(readScores(scoreText, card.units))
    const base = card.sheet('base', 'Base', 'base', { width: long, height }, 'top')
    const band = height.minus(rail.times(2))
    const within = (from: Measure, to: Measure) => slits && from.value >= slitFrom.value && to.value <= slitTo.value
    const rows = (split: boolean) =>
      split
        ? [
            { key: 'lower', name: ', lower rail', row: 'rails' as ScoreRow, y: zero, high: rail },
            { key: 'band', name: ', band', row: 'band' as ScoreRow, y: rail, high: band },
            { key: 'upper', name: ', upper rail', row: 'rails' as ScoreRow, y: rail.plus(band), high: rail },
          ]
        : [{ key: 'all', name: '', row: 'all' as ScoreRow, y: zero, high: height }]
    const runs = (score: NotedScore, row: ScoreRow) => score.row === 'all' || row === 'all' || score.row === row

    // A score ends every panel that it runs over; the end of a slit is always one.
    const places = [...new Set(scores.map(score => score.at as number))]
    const columns = [0, ...places, long.value]
      .map((start, index, all) => ({
        from: Measure.of('Score', nanometres(start)),
        to: Measure.of('Score', nanometres(all[index + 1] ?? start)),
      }))
      .slice(0, -1)
    const panels: Panel[] = []
    let before: { key: string, row: ScoreRow, y: Measure, high: Measure }[] = []
    for (const [index, { from, to }] of columns.entries()) {
      const number = index + 1
      const here = rows(within(from, to)).map((row) => {
        const key = row.key === 'all' ? `panel-${number}` : `panel-${number}-${row.key}`
        panels.push(card.area(base, key, `Panel ${number}${row.name}`, box(from, row.y, to.minus(from), row.high)))
        return { ...row, key }
      })
      for (const left of before) {
        for (const right of here) {
          const low = left.y.value > right.y.value ? left : right
          const high = left.y.value + left.high.value < right.y.value + right.high.value ? left : right
          if (low.y.value >= high.y.value + high.high.value) continue
          const row = left.row === 'all' ? right.row : left.row
          // Where no score of this row stands at a panel's edge the paper runs on flat.
          const score = scores.find(score => score.at === from.value && runs(score, row))
          card.crease(
            base,
            [left.key, right.key],
            at(from, low.y),
            at(from, high.y.plus(high.high)),
            score ? bent(score.direction, opening => 180 + (score.open - 180) * opening) : bent('valley', () => 0),
          )
        }
      }
      before = here
    }
    if (slits) for (const y of [rail, rail.plus(band)]) card.slit(base, at(slitFrom, y), at(slitTo, y))
    card.step('Score in the order of the list; turn the sheet over for mountains.')
    card.whenScored('Fold in the order of the list: valleys towards you, mountains away from you.')
    if (slits) card.step('Cut the two slits, both the same length.', 'Start and stop at the scores.')
    if (mats) {
      for (const panel of panels)
        card.mat(panel, border, {
          key: `mat-${panel.key}`, name: `Mat on ${panel.name.toLowerCase()}`, printTop: 'top',
        })
      card.lay('Fold the strip once before.')
    }
    for (const [index, { width, height: high, onto }] of noted(readPieces(pieceText, card.units)).entries()) {
      const targets = onto.map(number =>
        panels.find(({ key }) => key === `panel-${number}` || key === `panel-${number}-lower`),
      )
      const name = `Glued piece ${index + 1}`
      const size = { width: Measure.of(`${name} width`, width), height: Measure.of(`${name} height`, high) }
      const [first, second] = targets
      const part = card.loose(`piece-${index + 1}`, name, size, 'insert')
      if (first)
        card.joinAt(face(part), first, 'inside', {
          x: zero, glue: { width: first.width.value < width ? first.width : size.width },
        })
      if (targets.includes(undefined))
        card.missing(
          name, `is glued to panel ${onto[targets.indexOf(undefined)]}, but there are only ${columns.length} panels.`,
        )
      else
        card.step(
          second
            ? `Glue piece ${index + 1} to panel ${onto[0]}, close the strip and press its other end onto panel ${onto[1]}.`
            : `Glue piece ${index + 1} to panel ${onto[0]}.`,
        )
    }

    card.limit({
      subject: 'Last score',
      parameter: 'length',
      value: long,
      atLeast: Measure.of('Last score', nanometres((places.at(-1) ?? 0) + card.mark)),
      because: 'every score must lie on the blank.',
    })
    if (slits) {
      card.limit({
        parameter: 'rail',
        atMost: height.minus(rule('between', card.units)).half(),
        because: 'nothing would be left of the band.',
      })
      for (const [parameter, value] of [
        ['slitFrom', slitFrom],
        ['slitTo', slitTo],
      ] as const) {
        const nearest = [...places].sort((a, b) => Math.abs(a - value.value) - Math.abs(b - value.value))[0]
        if (nearest !== undefined && nearest !== value.value) {
          const right = Measure.of('Nearest score', nanometres(nearest))
          card.limit({
            subject: parameter === 'slitFrom' ? 'Start of the slits' : 'End of the slits',
            parameter,
            value,
            ...(nearest > value.value ? { atLeast: right } : { atMost: right }),
            because: 'slits start and stop at a score.',
          })
        }
      }
    }
    const anchor = itemAt(panels, -1)
    const finished = closedSize()
    card.note(
      'Closed strip',
      `is ${finished.width.explain(card.units).replace('Closed width ', '')} wide and `
      + `${finished.height.explain(card.units).replace('Closed height ', '')} high.`,
    )
    return { ...finished, anchor }

    /** Where the strip ends up: the box round it with every score folded flat. */
    function closedSize() {
      const draft = card.finish({ width: long, height }, anchor)
      const { least, most } = boxOf(draft, poseOf(draft, 0))
      return {
        width: Measure.of('Closed width', nanometres(Math.max(0, most[0] - least[0]))),
        height: Measure.of('Closed height', nanometres(Math.max(0, most[1] - least[1]))),
      }
    }
  },
})

/** Whether a height of the blank lies in the band between the slits. */
function isInBand(inputs: ParameterInputs, y: number, units: Units): boolean {
  const [rail, height] = [inputs.rail, inputs.height].map(input => lengthFrom(String(input), units)) as [Length, Length]
  return y > rail && y < height - rail
}

/** The entries of a list that has passed its check. */
const noted = <T>(list: { ok: true, entries: T[] } | { ok: false }): T[] => (list.ok ? list.entries : [])
