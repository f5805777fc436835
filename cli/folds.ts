import type { DressingEntry, ParameterInputs } from '../core/document'
import { facesOf, layersOn, lyingFindings, wholeCard, windowsClear } from '../core/dressing'
import { DEFAULT_POST, DEFAULT_SUPPLIES, DEFAULT_TOOLS, NO_DRESSING } from '../core/document'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Fold, MessageArea, Parameter, Part, Place } from '../core/folds'
import {
  FOLDS, blanksOf, creaseAt, dropOutsOf, foldById, inputProblem, inputProblems, passesThrough, sizeAt, thicknessMap,
  usualPaper,
} from '../core/folds'
import { masksOf } from '../core/printed'
import { byKey } from '../core/lists'
import { amountInWords, extraInWords, stickingFor, stuckIn } from '../core/kits'
import type { Length, Units } from '../core/lengths'
import { formatLength, lengthFrom, nanometres, writeLength } from '../core/lengths'
import { thickness } from '../core/paper'
import type { PatternFormat } from '../core/exports'
import { writePattern } from '../core/exports'
import type { Report } from './reports'
import { findingData, table } from './reports'

/** Thickness where no paper is chosen yet: prints of 120 g/m², cardstock of 240. */
const usualThickness = ({ kind }: Part) => thickness(usualPaper(kind) === 'print' ? 120 : 240)

const range = (parameter: Parameter): string => {
  if (parameter.kind === 'toggle') return 'true, false'
  if (parameter.kind === 'choice') return parameter.options.map(({ value }) => value).join(', ')
  if (parameter.kind === 'text') return parameter.help ?? ''
  return parameter.zero ? 'zero or more, up to 5 m' : 'more than zero, up to 5 m'
}
const natural = (parameter: Parameter, units: Units): string =>
  'defaults' in parameter ? parameter.defaults[units] : String(parameter.initial)

const parameterRows = ({ parameters }: Fold, units?: Units) =>
  Object.entries(parameters).map(([name, parameter]) => ({
    name,
    label: parameter.label,
    kind: parameter.kind,
    range: range(parameter),
    usual: units
      ? natural(parameter, units)
      : [...new Set([natural(parameter, 'inch'), natural(parameter, 'metric')])].join(' / '),
  }))

/** The catalogue with every parameter, its natural value and its range. */
export function foldsReport(units?: Units): Report {
  const data = FOLDS.map(fold => ({
    number: fold.number,
    id: fold.id,
    name: fold.name,
    summary: fold.summary,
    parameters: parameterRows(fold, units),
  }))
  const text = data
    .map(
      ({ number, id, name, summary, parameters }) =>
        `${number}. ${name} (${id})\n${summary}\n${table(
          ['Parameter', 'Meaning', 'Usual', 'Range'],
          parameters.map(({ name, label, usual, range }) => [name, label, usual, range]),
        )}`,
    )
    .join('\n\n')
  return { data, text, stops: 0 }
}

/**
 * One fold with some parameters set, worked out as the application does it.
 * @param sets `name=value` each
 * @param dressing what lies on it otherwise than the catalogue has it
 * @param folders where to write the flat patterns, by format, and the stamping masks
 */
export async function foldReport(
  id: string | undefined,
  sets: string[],
  units: Units,
  folders: Partial<Record<PatternFormat | 'masks', string>> = {},
  dressing: DressingEntry = NO_DRESSING,
): Promise<Report | { wrong: string }> {
  const fold = id === undefined ? undefined : foldById(id)
  if (!fold)
    return {
      wrong: `${id === undefined ? 'fold takes the identifier of a fold' : `There is no fold “${id}”`}; there are: `
        + `${FOLDS.map(({ id }) => id).join(', ')}.`,
    }
  const typed: ParameterInputs = {}
  for (const set of sets) {
    const [name = '', ...rest] = set.split('=')
    const value = rest.join('=')
    const parameter = Object.hasOwn(fold.parameters, name) ? fold.parameters[name] : undefined
    if (!parameter || rest.length === 0) {
      return {
        wrong: parameter
          ? `--set ${name} needs a value: ${name}=${natural(parameter, units)}.`
          : inputProblems(fold.parameters, { [name]: value }, units)
              .map(({ problem }) => `“${name}” ${problem}`)
              .join(),
      }
    }
    const input = parameter.kind === 'toggle' ? ({ true: true, false: false }[value] ?? value) : value
    const problem = inputProblem(parameter, input, units)
    if (problem) return { wrong: `${name}: ${problem} Range: ${range(parameter)}.` }
    typed[name] = input
  }

  const card = wholeCard(fold, { parameters: typed, ...dressing }, units, lengthFrom(DEFAULT_TOOLS[units].mark))
  const strange = dressing.faces.find(({ key }) => !facesOf(card).some(face => face.key === key))
  if (strange)
    return {
      wrong: `The card has no face “${strange.key}”; it has: ${facesOf(card)
        .map(({ key }) => key)
        .join(', ')}.`,
    }
  const files: string[] = []
  for (const format of ['svg', 'dxf'] as const) {
    const folder = folders[format]
    if (folder === undefined) continue
    try {
      mkdirSync(folder, { recursive: true })
      for (const part of blanksOf(card)) {
        const file = join(folder, `${fold.id}-${part.key}.${format}`)
        files.push(file)
        writeFileSync(file, await writePattern(card, part, format))
      }
    }
    catch (error) {
      return { wrong: `The patterns cannot be written to ${folder}: ${(error as Error).message}` }
    }
  }
  if (folders.masks !== undefined) {
    try {
      mkdirSync(folders.masks, { recursive: true })
      for (const { key, mask } of masksOf(card, units)) {
        const file = join(folders.masks, `${fold.id}-${key}.svg`)
        files.push(file)
        writeFileSync(file, mask.svg)
      }
    }
    catch (error) {
      return { wrong: `The masks cannot be written to ${folders.masks}: ${(error as Error).message}` }
    }
  }
  const exact = (length: Length) => writeLength(length, units)
  const box = (opening: number) => {
    const { width, height, depth } = sizeAt(card, opening)
    return { width: exact(width), height: exact(height), depth: exact(depth) }
  }
  const { uses } = stickingFor(stuckIn(card), DEFAULT_SUPPLIES, units)
  const place = ({ x, y }: Place) => ({ x: exact(x.value), y: exact(y.value) })
  const area = (message: MessageArea) => ({
    where: message.where,
    width: exact(message.width.value),
    height: exact(message.height.value),
  })
  const bulk = thicknessMap(card, usualThickness, lengthFrom(DEFAULT_POST.foam))
  const clear = windowsClear(card).map(({ panel, key, open, closed }) => ({
    part: panel.part, key, shares: { open, closed },
  }))
  const findings = [...card.findings, ...lyingFindings(card, units)]
  const data = {
    fold: fold.id,
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
    files,
    findings: findings.map(finding => findingData(finding, units)),
  }
  const show = (length: Length) => formatLength(length, units)
  const text = [
    `${fold.name}: ${data.finished.width} × ${data.finished.height} closed; on display ${data.displayed.width} × `
    + `${data.displayed.height} × ${data.displayed.depth}`,
    table(
      ['Piece', 'Width × height', 'Scores', 'Where from'],
      card.pieces.map(({ name, width, height, scores }) => [
        name,
        `${show(width.value)} × ${show(height.value)}`,
        scores.map(({ at, direction }) => `${show(at.value)} ${direction}`).join(', '),
        width.explain(units),
      ]),
    ),
    ...card.travels.map(({ name, distance }) => `${name} travels ${show(distance.value)}.`),
    ...card.steps.map(({ text, warning }, index) => `${index + 1}. ${text}${warning ? ` — ${warning}` : ''}`),
    ...files.map(file => `Written: ${file}`),
    ...findings.map(({ severity, subject, problem }) => `${severity.toUpperCase()}  ${subject} ${problem}`),
  ].join('\n')
  return { data, text, stops: card.findings.filter(({ severity }) => severity === 'stop').length }
}
