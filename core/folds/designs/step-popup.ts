import { itemAt } from '../../lists'
import { at, bent, box, panel, valley } from '../model/builder'
import type { Place } from '../model/card'
import { panelOf } from '../model/card'
import { defineFold } from '../model/fold'
import { length, toggle } from '../model/parameters'
import { rule } from '../model/rules'
import { Measure } from '../../lengths'
import { insertBorder } from './choices'

/** Opened to a right angle: the back stands on the floor. */
const OPEN = 90
const hinge = (opening: number) => 180 + (OPEN - 180) * opening

export const stepPopup = defineFold({
  id: 'step-popup',
  number: 11,
  name: 'Step pop-up',
  summary: 'Pairs of slits across the fold of an inner sheet are pushed through: steps that carry figures stand up as the card opens.',
  skill: 'some care',
  stands: true,
  group: 'slit',
  view: { turn: -28, tilt: 28 },
  parameters: {
    width: length('Finished width', '5 1/2 in', '148 mm'),
    height: length('Finished height', '4 1/4 in', '105 mm'),
    border: insertBorder,
    depth: length('Depth of the middle step', '1 1/4 in', '32 mm', { help: 'How far it stands out from back and floor' }),
    stepWidth: length('Width of the middle step', '3/4 in', '20 mm'),
    figure: length('Height of the middle figure', '2 1/4 in', '58 mm'),
    sides: toggle('A smaller step on each side', true),
    sideDepth: length('Depth of the side steps', '3/4 in', '18 mm', { when: 'sides' }),
    sideWidth: length('Width of the side steps', '1/2 in', '12 mm', { when: 'sides' }),
    sideFigure: length('Height of the side figures', '1 3/4 in', '45 mm', { when: 'sides' }),
    gap: length('Gap between steps', '3/4 in', '20 mm', { when: 'sides' }),
  },
  build({ width, height, border, depth, stepWidth, figure, sides, sideDepth, sideWidth, sideFigure, gap }, card) {
    const zero = Measure.zero
    const base = card.strip(
      'base',
      'Base',
      'base',
      width,
      [panel('front', 'Floor panel', height), valley(OPEN), panel('back', 'Back panel', height)],
      'y',
    )
    const inner = { width: width.minus(border.times(2)), half: height.minus(border).named('Half of the inner sheet') }
    const sheet = card.sheet('inner', 'Inner sheet', 'insert', { width: inner.width, height: inner.half.times(2) }, 'top')
    const left = inner.width.minus(stepWidth).half()
    const steps = [
      ...(sides
        ? [{ key: 'left', name: 'Left', x: left.minus(gap).minus(sideWidth), width: sideWidth, depth: sideDepth, figure: sideFigure }]
        : []),
      { key: 'middle', name: 'Middle', x: left, width: stepWidth, depth, figure },
      ...(sides
        ? [{ key: 'right', name: 'Right', x: left.plus(stepWidth).plus(gap), width: sideWidth, depth: sideDepth, figure: sideFigure }]
        : []),
    ]
    const fold = inner.half
    /** The edge of floor or back along the fold, round every step, from left to right. */
    const edge = (side: 1 | -1): Place[] =>
      steps.flatMap(({ x, width, depth }) => {
        const far = fold.plus(depth.times(side))
        return [at(x, fold), at(x, far), at(x.plus(width), far), at(x.plus(width), fold)]
      })
    card.area(sheet, 'floor', 'Floor', box(zero, zero, inner.width, fold), {
      outline: [at(zero, zero), at(inner.width, zero), at(inner.width, fold), ...edge(-1).reverse(), at(zero, fold)],
    })
    card.area(sheet, 'wall', 'Back', box(zero, fold, inner.width, fold), {
      outline: [at(zero, fold), ...edge(1), at(inner.width, fold), at(inner.width, fold.times(2)), at(zero, fold.times(2))],
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
    card.step(
      'Score the base. Score the inner sheet at the fold, but not across the steps; cut the slits, the same length to each side '
      + 'of the fold.',
      `Both slits of a step must be equally long: a difference as large as a tenth of the step’s width leans it by six degrees.`,
    )
    card.step('Score both ends of each step, fold the sheet and push the steps through, their own fold the other way.')
    const [floor, wall] = [panelOf(sheet, 'floor'), panelOf(sheet, 'wall')]
    card.joinAt(floor, panelOf(base, 'front'), 'inside', { x: border, y: border })
    card.joinAt(wall, panelOf(base, 'back'), 'inside', { x: border, y: zero })
    card.step(
      'Glue the inner sheet all over except behind the steps; fold the card onto it, one half at a time.',
      'Glue behind a step sticks it to the card.',
    )
    for (const step of steps) {
      const front = panelOf(sheet, `${step.key}-front`)
      card.piece(
        front,
        { width: step.width, height: step.figure },
        {
          key: `figure-${step.key}`,
          name: `${step.name} figure`,
          kind: 'figure',
          y: zero,
          glueHeight: step.depth.value < step.figure.value ? step.depth : step.figure,
          printTop: 'top',
        },
      )
      const parameter
        = step.key === 'middle' ? (['depth', 'figure', 'stepWidth'] as const) : (['sideDepth', 'sideFigure', 'sideWidth'] as const)
      if (step.key === 'right') continue
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
        value: step.depth.plus(step.figure),
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
    const beside = itemAt(steps, 0).x
    card.limit({
      subject: 'Paper beside the steps',
      parameter: 'stepWidth',
      value: beside,
      atLeast: least,
      right: stepWidth.minus(least.minus(beside).times(2)),
      round: 'down',
      because: 'a narrower edge tears.',
    })
    if (sides) {
      card.limit({
        subject: 'Gap between steps',
        parameter: 'gap',
        value: gap,
        atLeast: least,
        because: 'the paper between two slits tears.',
      })
      card.limit({
        subject: 'Depth of the side steps',
        parameter: 'sideDepth',
        value: sideDepth,
        atMost: depth.times(2),
        severity: 'warn',
        because: 'figures in front hide the middle one when they stand much farther out.',
      })
    }
    card.message('the floor in front of the steps', inner.width, inner.half.minus(depth).minus(border))
    return { width, height, anchor: panelOf(base, 'back') }
  },
})
