import type { Length, Units } from '../core/lengths'
import { lengthFrom, nanometres, writeLength } from '../core/lengths'
import { DEFAULT_POST, DEFAULT_SUPPLIES } from '../core/document'
import { facesOf, layersOn, windowsClear } from '../core/dressing'
import type { MessageArea, Part, Place, WorkedOut } from '../core/folds'
import { creaseAt, dropOutsOf, passesThrough, sizeAt, thicknessMap, usualPaper } from '../core/folds'
import { amountInWords, extraInWords, stickingFor, stuckIn } from '../core/kits'
import { byKey } from '../core/lists'
import { thickness } from '../core/paper'

/** Thickness where no paper is chosen yet: prints of 120 g/m², cardstock of 240. */
const usualThickness = ({ kind }: Part) => thickness(usualPaper(kind) === 'print' ? 120 : 240)

type Exact = (length: Length) => string

/** A card as JSON tells it: lengths with their unit, exact. */
export function foldData(card: WorkedOut, units: Units) {
  const exact: Exact = length => writeLength(length, units)
  return {
    ...sizesData(card, exact),
    ...piecesData(card, units, exact),
    ...linesData(card, exact),
    ...jointsData(card, exact),
    ...wordsData(card, units, exact),
  }
}

/** What a card measures, closed and open, how far parts travel, and what passes through what. */
function sizesData(card: WorkedOut, exact: Exact) {
  const box = (opening: number) => {
    const { width, height, depth } = sizeAt(card, opening)
    return { width: exact(width), height: exact(height), depth: exact(depth) }
  }
  const bulk = thicknessMap(card, usualThickness, lengthFrom(DEFAULT_POST.foam))
  return {
    parameters: card.inputs,
    finished: {
      width: exact(card.finished.width.value),
      height: exact(card.finished.height.value),
      depth: card.finished.depth && exact(card.finished.depth.value),
    },
    closed: box(0),
    displayed: box(1),
    thickness: bulk && {
      most: exact(bulk.most.thickness),
      at: { x: exact(bulk.most.x), y: exact(bulk.most.y) },
      layers: bulk.most.layers,
    },
    travel: card.travels.map(({ name, distance }) => ({ part: name, distance: exact(distance.value) })),
    collisions: passesThrough(card).map(({ opening, panels, depth }) => ({
      opening, panels, depth: exact(nanometres(depth)),
    })),
  }
}

function piecesData(card: WorkedOut, units: Units, exact: Exact) {
  return {
    pieces: card.pieces.map(({ key, name, kind, width, height, printTop, scores }) => ({
      key,
      name,
      kind,
      width: exact(width.value),
      height: exact(height.value),
      printTop,
      from: { width: width.explain(units), height: height.explain(units) },
      scores: scores.map(({ at, fromOtherEnd, along, direction, turnOver, reading }) => ({
        at: exact(at.value),
        fromOtherEnd: exact(fromOtherEnd.value),
        along,
        direction,
        turnOver,
        reading: { from: reading.from, at: exact(reading.at) },
      })),
    })),
  }
}

/** Creases, slits, windows and what falls out of them. */
function linesData(card: WorkedOut, exact: Exact) {
  const place = ({ x, y }: Place) => ({ x: exact(x.value), y: exact(y.value) })
  const clear = windowsClear(card).map(({ panel, key, open, closed }) => ({
    part: panel.part, key, shares: { open, closed },
  }))
  return {
    creases: card.parts.flatMap(part =>
      part.creases.map(crease => ({
        part: part.key,
        between: crease.between,
        along: crease.along,
        at: exact(creaseAt(crease).value),
        direction: crease.direction,
        face: crease.direction === 'valley' ? 'inside' : 'outside',
        from: place(crease.from),
        to: place(crease.to),
        degrees: { closed: crease.angle(0), displayed: crease.angle(1) },
      })),
    ),
    slits: card.parts.flatMap(part =>
      part.slits.map(({ from, to }) => ({ part: part.key, from: place(from), to: place(to) })),
    ),
    windows: card.parts.flatMap(part =>
      part.windows.map(({ key, name, shape, x, y, width, height }) => ({
        part: part.key,
        name,
        shape,
        at: { x: exact(x.value), y: exact(y.value) },
        width: exact(width.value),
        height: exact(height.value),
        clear: clear.find(one => one.part === part.key && one.key === key)?.shares ?? null,
      })),
    ),
    dropOuts: dropOutsOf(card).map(({ part, name, shape, width, height }) => ({
      part,
      name,
      shape,
      width: exact(width.value),
      height: exact(height.value),
    })),
  }
}

function jointsData(card: WorkedOut, exact: Exact) {
  return {
    joints: card.joints.map(({ part, onto, face, faceDown, turned, means, glue }) => ({
      part,
      onto: `${onto.part}/${onto.key}`,
      face,
      faceDown,
      turned,
      means,
      width: exact(glue.width.value),
      height: exact(glue.height.value),
    })),
    faces: facesOf(card).map(({ key, name, panel, side }) => ({
      key, name, layers: layersOn(card, panel, side).map(({ part }) => part),
    })),
  }
}

/** Where it is written on and stamped, what it takes beside paper, and its steps. */
function wordsData(card: WorkedOut, units: Units, exact: Exact) {
  const { uses } = stickingFor(stuckIn(card), DEFAULT_SUPPLIES, units)
  const area = (message: MessageArea) => ({
    where: message.where,
    width: exact(message.width.value),
    height: exact(message.height.value),
  })
  return {
    message: card.message && area(card.message),
    alsoMessages: (card.alsoMessages ?? []).map(area),
    setUp: card.setUp,
    stamping: card.stamping.map(area),
    supplies: {
      sticking: uses.map(({ supply, amount }) => {
        const { name, use } = byKey(DEFAULT_SUPPLIES, supply)
        return { supply, name, amount: amountInWords(use, amount, units) }
      }),
      others: card.extras.map(extra => extraInWords(extra, units)),
    },
    steps: card.steps,
  }
}
