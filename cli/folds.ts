import type { DressingEntry, ParameterInputs } from '../core/document'
import { facesOf, lyingFindings, wholeCard } from '../core/dressing'
import { DEFAULT_TOOLS, NO_DRESSING } from '../core/document'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Fold, Parameter, WorkedOut } from '../core/folds'
import { FOLDS, blanksOf, foldById, inputProblem, inputProblems } from '../core/folds'
import { masksOf } from '../core/printed'
import type { Length, Units } from '../core/lengths'
import { formatLength, lengthFrom } from '../core/lengths'
import type { PatternFormat } from '../core/exports'
import { writePattern } from '../core/exports'
import { foldData } from './fold-data'
import type { Report } from './reports'
import { findingData, stepLines, table } from './reports'

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
  const read = readSets(fold, sets, units)
  if ('wrong' in read) return read
  const card = wholeCard(fold, { parameters: read.typed, ...dressing }, units, lengthFrom(DEFAULT_TOOLS[units].mark))
  const faces = facesOf(card).map(({ key }) => key)
  const strange = dressing.faces.find(({ key }) => !faces.includes(key))
  if (strange) return { wrong: `The card has no face “${strange.key}”; it has: ${faces.join(', ')}.` }
  const written = await writeDrawings(card, fold.id, units, folders)
  if ('wrong' in written) return written
  const findings = [...card.findings, ...lyingFindings(card, units)]
  const data = {
    fold: fold.id,
    ...foldData(card, units),
    files: written.files,
    findings: findings.map(finding => findingData(finding, units)),
  }
  const { displayed } = data
  const show = (length: Length) => formatLength(length, units)
  const text = [
    `${fold.name}: ${data.finished.width} × ${data.finished.height} closed; on display ${displayed.width} × `
    + `${displayed.height} × ${displayed.depth}`,
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
    ...stepLines(card.steps),
    ...written.files.map(file => `Written: ${file}`),
    ...findings.map(({ severity, subject, problem }) => `${severity.toUpperCase()}  ${subject} ${problem}`),
  ].join('\n')
  return { data, text, stops: card.findings.filter(({ severity }) => severity === 'stop').length }
}

/** The parameters that are set, as a maker typed them; or which of them cannot be read. */
function readSets(fold: Fold, sets: string[], units: Units): { typed: ParameterInputs } | { wrong: string } {
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
  return { typed }
}

/** Writes flat patterns and stamping masks into the folders that are given. */
async function writeDrawings(
  card: WorkedOut, name: string, units: Units, folders: Partial<Record<PatternFormat | 'masks', string>>,
): Promise<{ files: string[] } | { wrong: string }> {
  const files: string[] = []
  const write = async (folder: string, drawings: [file: string, text: () => string | Promise<string>][]) => {
    mkdirSync(folder, { recursive: true })
    for (const [own, text] of drawings) {
      const file = join(folder, `${name}-${own}`)
      files.push(file)
      writeFileSync(file, await text())
    }
  }
  for (const format of ['svg', 'dxf'] as const) {
    const folder = folders[format]
    if (folder === undefined) continue
    try {
      await write(folder, blanksOf(card).map(part => [`${part.key}.${format}`, () => writePattern(card, part, format)]))
    }
    catch (error) {
      return { wrong: `The patterns cannot be written to ${folder}: ${(error as Error).message}` }
    }
  }
  if (folders.masks !== undefined) {
    try {
      await write(folders.masks, masksOf(card, units).map(({ key, mask }) => [`${key}.svg`, () => mask.svg]))
    }
    catch (error) {
      return { wrong: `The masks cannot be written to ${folders.masks}: ${(error as Error).message}` }
    }
  }
  return { files }
}
