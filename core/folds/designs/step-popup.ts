import { at, bent, box, panel, valley } from '../model/entries'
import type { Place } from '../model/card'
import { panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { choice, length, size, toggle, options } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { stepParameter } from './score-list'
import type { StepPlan } from './further-steps'
import { checkFurther, furtherSteps } from './further-steps'
import { insertBorder, orUsual } from './choices'

/** Opened to a right angle: the back stands on the floor. */
const OPEN = 90
const hinge = (opening: number) => 180 + (OPEN - 180) * opening

const PRINTS = options({ none: 'None', cut: 'Cut through', whole: 'Whole' })

export const stepPopup = defineFold({
  id: 'step-popup',
  number: 11,
  name: 'Step pop-up',
  summary:
    'Pairs of slits across the fold of an inner sheet are pushed through: steps that carry figures stand up as the card opens.',
  skill: 'some care',
  stands: true,
  group: 'slit',
  view: { turn: -28, tilt: 28 },
  parameters: {
    width: size('Finished width', '5 1/2 in', '148 mm'),
    height: size('Finished height', '4 1/4 in', '105 mm'),
    ...insertBorder,
    middle: toggle('A step in the middle', true),
    depth: length('Depth of the middle step', '1 1/4 in', '32 mm', {
      when: 'middle',
      follows: 'height',
      help: 'How far it stands out from back and floor',
    }),
    stepWidth: length('Width of the middle step', '3/4 in', '20 mm', { follows: 'width', when: 'middle' }),
    figureWidth: length('Width of the middle figure', '0 in', '0 mm', {
      zero: true, when: 'middle', help: 'Nothing: as wide as its step',
    }),
    figure: length('Height of the middle figure', '2 1/4 in', '58 mm', { follows: 'height', when: 'middle' }),
    sides: toggle('A smaller step on each side of it', true, undefined, 'middle'),
    sideDepth: length('Depth of the side steps', '3/4 in', '18 mm', { follows: 'height', when: ['middle', 'sides'] }),
    sideWidth: length('Width of the side steps', '1/2 in', '12 mm', { follows: 'width', when: ['middle', 'sides'] }),
    sideFigureWidth: length('Width of the side figures', '0 in', '0 mm', {
      zero: true, when: ['middle', 'sides'], help: 'Nothing: as wide as theirs',
    }),
    sideFigure: length('Height of the side figures', '1 3/4 in', '45 mm', {
      follows: 'height', when: ['middle', 'sides'],
    }),
    more: stepParameter(
      'Further steps', 'Width × depth and where, from the left: “3/4 x 1 at 2, 1/2 x 3/4 at 4 figure 1 x 1 1/2”',
    ),
    gap: length('Gap between steps', '3/4 in', '20 mm', { follows: 'width', when: ['middle', 'sides'] }),
    print: choice(
      'Print on the inner sheet',
      PRINTS,
      'On its upper half, behind the steps: cut through with the slits, or left whole above them',
    ),
    mats: length('Border of the print', '1/8 in', '3 mm', { zero: true, when: 'print=cut' }),
    printBorder: length('Border of the whole print', '1/8 in', '3 mm', { zero: true, when: 'print=whole' }),
  },
  build(
    {
      width, height, border, depth, stepWidth, figure, figureWidth, sides, sideDepth, sideWidth, sideFigure,
      sideFigureWidth, gap, more: moreText, borderHigh, middle, print, mats, printBorder,
    },
    card,
  ) {
    const zero = Measure.zero
    const edgeBorder = orUsual(borderHigh, border)
    const base = card.strip(
      'base',
      'Base',
      'base',
      width,
      [panel('front', 'Floor panel', height), valley(OPEN), panel('back', 'Back panel', height)],
      'y',
    )
    const inner = {
      width: width.minus(border.times(2)), half: height.minus(edgeBorder).named('Half of the inner sheet'),
    }
    const sheet = card.sheet(
      'inner', 'Inner sheet', 'insert', { width: inner.width, height: inner.half.times(2) }, 'top',
    )
    const left = inner.width.minus(stepWidth).half()
    const beside = middle && sides
    const side = {
      width: sideWidth, depth: sideDepth, figure: { width: orUsual(sideFigureWidth, sideWidth), height: sideFigure },
    }
    const further = furtherSteps(moreText, card.units)
    const steps: StepPlan[] = [
      ...(beside ? [{ key: 'left', name: 'Left', x: left.minus(gap).minus(sideWidth), ...side }] : []),
      ...(middle
        ? [{
            key: 'middle',
            name: 'Middle',
            x: left,
            width: stepWidth,
            depth,
            figure: { width: orUsual(figureWidth, stepWidth), height: figure },
          }]
        : []),
      ...(beside ? [{ key: 'right', name: 'Right', x: left.plus(stepWidth).plus(gap), ...side }] : []),
      ...further,
    ].sort((a, b) => a.x.value - b.x.value)
    const fold = inner.half
    /** The edge of floor or back along the fold, round every step, from left to right. */
    const along = (side: 1 | -1): Place[] =>
      steps.flatMap(({ x, width, depth }) => {
        const far = fold.plus(depth.times(side))
        return [at(x, fold), at(x, far), at(x.plus(width), far), at(x.plus(width), fold)]
      })
    card.area(sheet, 'floor', 'Floor', box(zero, zero, inner.width, fold), {
      outline: [at(zero, zero), at(inner.width, zero), at(inner.width, fold), ...along(-1).reverse(), at(zero, fold)],
    })
    card.area(sheet, 'wall', 'Back', box(zero, fold, inner.width, fold), {
      outline: [
        at(zero, fold), ...along(1), at(inner.width, fold), at(inner.width, fold.times(2)), at(zero, fold.times(2)),
      ],
    })
    let from = zero
    for (const { x, width } of [...steps, { x: inner.width, width: zero }]) {
      card.crease(sheet, ['floor', 'wall'], at(from, fold), at(x, fold), bent('valley', hinge))
      from = x.plus(width)
    }
    for (const { key, name, x, width, depth } of steps) {
      card.area(sheet, `${key}-front`, `${name} step, front`, box(x, fold.minus(depth), width, depth))
      card.area(sheet, `${key}-top`, `${name} step, top`, box(x, fold, width, depth))
      const line = (y: Measure) => [at(x, y), at(x.plus(width), y)] as const
      card.crease(sheet, ['floor', `${key}-front`], ...line(fold.minus(depth)), bent('valley', hinge))
      card.crease(sheet, [`${key}-front`, `${key}-top`], ...line(fold), bent('mountain', hinge))
      card.crease(sheet, [`${key}-top`, 'wall'], ...line(fold.plus(depth)), bent('valley', hinge))
      for (const side of [x, x.plus(width)]) card.slit(sheet, at(side, fold.minus(depth)), at(side, fold.plus(depth)))
    }
    const deepest = steps.reduce((most, step) => (step.depth.value > most.value ? step.depth : most), zero)
    if (print === 'cut') printThrough()
    const slits
      = 'ut the slits, the same length to each side of the fold, with a knife or, folded, with scissors from the fold through '
        + 'both halves at once.'
    const equal
      = 'Both slits of a step must be equally long: a difference as large as a tenth of the step’s width leans it by six degrees.'
    card.step(`Score the base. Score the inner sheet at the fold, but not across the steps; c${slits}`, equal)
    card.whenScored(`C${slits}`, equal)
    card.step('Score both ends of each step, fold the sheet and push the steps through, their own fold the other way.')
    card.whenScored('Fold the sheet and push the steps through, their own fold the other way.')
    const [floor, wall] = [panelOf(sheet, 'floor'), panelOf(sheet, 'wall')]
    if (print === 'whole') {
      const high = inner.half.minus(deepest).minus(printBorder.times(2)).downToMark(card.mark)
      card.piece(wall, { width: inner.width.minus(printBorder.times(2)).downToMark(card.mark), height: high }, {
        key: 'print', name: 'Print above the steps', y: deepest.plus(printBorder), printTop: 'top',
      })
      card.limit({
        parameter: 'printBorder',
        atMost: inner.half.minus(deepest).minus(rule('openingSide', card.units)).half(),
        because: 'nothing would be left of it.',
      })
      card.lay('Glued over a step it keeps it from coming out.')
    }
    card.joinAt(floor, panelOf(base, 'front'), 'inside', { x: border, y: edgeBorder })
    card.joinAt(wall, panelOf(base, 'back'), 'inside', { x: border, y: zero })
    card.step(
      'Glue the inner sheet all over except behind the steps; fold the card onto it, one half at a time.',
      'Glue behind a step sticks it to the card.',
    )
    for (const step of steps) {
      const front = panelOf(sheet, `${step.key}-front`)
      if (step.figure) {
        card.piece(front, step.figure, {
          key: `figure-${step.key}`,
          name: `${step.name} figure`,
          kind: 'figure',
          y: zero,
          ...(step.figure.width.value > step.width.value && {
            glueX: step.figure.width.minus(step.width).half(), glueWidth: step.width,
          }),
          glueHeight: step.depth.value < step.figure.height.value ? step.depth : step.figure.height,
          printTop: 'top',
        })
      }
      const parameter
        = step.key === 'middle'
          ? (['depth', 'figure', 'stepWidth'] as const)
          : (['sideDepth', 'sideFigure', 'sideWidth'] as const)
      if (step.key === 'right') continue
      if (step.key.startsWith('step-')) {
        checkFurther(card, step, steps, inner)
        continue
      }
      const about = step.key === 'middle' ? 'the middle step' : 'the side steps'
      const room = inner.half.minus(rule('clearance', card.units))
      card.limit({
        subject: `Depth of ${about}`,
        parameter: parameter[0],
        value: step.depth,
        atMost: inner.half.half(),
        because: 'the step would stick out of the closed card.',
      })
      card.limit({
        subject: `Figure on ${about}`,
        parameter: parameter[1],
        value: step.depth.plus(step.figure?.height ?? zero),
        atMost: room,
        right: room.minus(step.depth),
        because: 'depth and figure together would stick out of the closed card.',
      })
      card.limit({
        subject: `Width of ${about}`,
        parameter: parameter[2],
        value: step.width,
        atLeast: rule('glueWidth', card.units),
        because: 'nothing can be glued to a narrower one.',
      })
    }
    card.step(
      'Glue each figure to the front of its step only, its foot at the floor line.',
      'Glued too high it tears or sticks out of the closed card.',
    )
    const least = rule('between', card.units)
    const edge = left.minus(beside ? gap.plus(sideWidth) : zero)
    if (middle) card.limit({
      subject: 'Paper beside the steps',
      parameter: 'stepWidth',
      value: edge,
      atLeast: least,
      right: stepWidth.minus(least.minus(edge).times(2)),
      round: 'down',
      because: 'a narrower edge tears.',
    })
    if (beside) {
      card.limit({ parameter: 'gap', atLeast: least, because: 'the paper between two slits tears.' })
      card.limit({
        parameter: 'sideDepth',
        atMost: depth.times(2),
        severity: 'warn',
        because: 'figures in front hide the middle one when they stand much farther out.',
      })
    }
    if (steps.length === 0)
      card.warn('Steps', 'There is none: write some into “Further steps”, or have one in the middle.')
    card.message('the floor in front of the steps', inner.width, inner.half.minus(deepest).minus(edgeBorder), floor)
    return { width, height, anchor: panelOf(base, 'back') }

    /** A print on the whole upper half, glued before the slits are cut: what lies on a step comes out with it. */
    function printThrough() {
      const [wide, high] = [inner.width, inner.half].map(side => side.minus(mats.times(2)).downToMark(card.mark)) as [
        Measure, Measure,
      ]
      const part = card.sheet('print', 'Print on the upper half', 'insert', { width: wide, height: high }, 'top')
      // Where it lies on a step: from its own lower edge, which leaves a border at the fold.
      const covered = steps.filter(({ x, width, depth }) =>
        depth.value > mats.value
        && depth.value < high.value
        && x.value > mats.value
        && x.value + width.value < mats.value + wide.value,
      )
        .map(step => ({ ...step, x: step.x.minus(mats), high: step.depth.minus(mats) }))
      const edge = covered.flatMap(({ x, width, high }) => [
        at(x, zero), at(x, high), at(x.plus(width), high), at(x.plus(width), zero),
      ])
      card.area(part, 'wall', 'Print behind the steps', box(zero, zero, wide, high), {
        outline: [at(zero, zero), ...edge, at(wide, zero), at(wide, high), at(zero, high)],
      })
      card.joinAt(panelOf(part, 'wall'), panelOf(sheet, 'wall'), 'inside', { x: mats, y: mats })
      for (const { key, name, x, width, high } of covered) {
        const top = card.area(part, `${key}-top`, `Print on ${name.toLowerCase()} step`, box(x, zero, width, high))
        card.crease(part, [`${key}-top`, 'wall'], at(x, high), at(x.plus(width), high), bent('valley', hinge))
        for (const side of [x, x.plus(width)]) card.slit(part, at(side, zero), at(side, high))
        card.joinAt(top, panelOf(sheet, `${key}-top`), 'inside', { x: zero, y: mats })
      }
      card.limit({
        parameter: 'mats',
        atMost: inner.half.minus(rule('openingSide', card.units)).half(),
        because: 'nothing would be left of it.',
      })
      card.step(
        'Glue the print to the upper half of the inner sheet before any slit is cut; slits and scores go through both.',
        undefined, ['print'],
      )
    }
  },
})
