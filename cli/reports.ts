import type { Batch } from '../core/document'
import Table from 'cli-table3'
import type { ClassFinding, Preparation } from '../core/batch'
import type { Leftover, PaperOutcome } from '../core/plans'
import { sourceOf } from '../core/batch'
import { kitProblems, offcutsIn } from '../core/plans'
import { findingsOf, stopsIn, viewOf } from '../core/kits'
import type { BenchStep, Solve } from '../core/cutting'
import { countsOf, heldInWords, mostKits, pileInWords, takenInWords, wholeMinutes } from '../core/cutting'
import type { Finding, Step } from '../core/folds'
import { scoreList } from '../core/folds'
import type { Length, Units } from '../core/lengths'
import { formatLength, formatSize, writeLength } from '../core/lengths'
import { doneInWords } from '../core/making'
import { sheetName } from '../core/paper'

/** What a command answers: the same as data and as text. */
export interface Report {
  data: unknown
  text: string
  /** Findings that must be settled before cutting. */
  stops: number
}

export const table = (head: string[], rows: (string | number)[][]): string => {
  const drawn = new Table({ head, style: { head: [], border: [], compact: true } })
  drawn.push(...rows)
  return drawn.toString()
}

const sizeText = (batch: Batch, width: Length, height: Length) =>
  formatSize(width, height, batch.class.units)

export const sheetText = (batch: Batch, width: Length, height: Length) =>
  sheetName(width, height) ?? sizeText(batch, width, height)

export const heading = ({ class: { title, date, seats, spares } }: Batch) =>
  `${title}, ${date}: ${seats} seats and ${spares} spares`

/** A finding as data, its right value written with unit. */
export const findingData = ({ severity, subject, problem, parameter, fix }: Finding, units: Units) => ({
  severity,
  subject,
  problem,
  parameter,
  fix: fix && {
    parameter: fix.parameter,
    value: writeLength(fix.value, units),
    ...(fix.also && {
      also: fix.also.map(({ parameter, value }) => ({ parameter, value: value && writeLength(value, units) })),
    }),
  },
})

export const findingLines = (findings: ClassFinding[]): string[] =>
  findings.map(
    ({ severity, title, subject, problem }) =>
      `${severity.toUpperCase()}  ${title}: ${subject === title ? '' : `${subject} `}${problem}`,
  )

/** The steps of a card, a line each, with what to mind. */
export const stepLines = (steps: readonly Pick<Step, 'text' | 'warning'>[]): string[] =>
  steps.map(({ text, warning }, at) => `${at + 1}. ${text}${warning ? ` — ${warning}` : ''}`)

export function piecesReport(batch: Batch, preparation: Preparation): Report {
  const findings = findingsOf(preparation)
  const { units } = batch.class
  const exact = (length: Length) => writeLength(length, units)
  const data = {
    class: batch.class,
    cards: preparation.cards.map(card => ({
      card: card.entry.key,
      title: card.entry.title,
      kits: card.kits,
      pieces: card.pieces.map(piece => ({
        key: piece.key,
        name: piece.name,
        width: exact(piece.width.value),
        height: exact(piece.height.value),
        perKit: piece.perKit,
        quantity: piece.quantity,
        paper: card.entry.papers[piece.key] ?? null,
        papers: piece.shares.map(({ paper, quantity }) => ({ paper: paper.key, quantity })),
        made: doneInWords(piece.works),
        printTop: piece.printTop,
        from: { width: piece.width.explain(units), height: piece.height.explain(units) },
        scores: piece.scores.map(score => ({
          at: exact(score.at.value),
          fromOtherEnd: exact(score.fromOtherEnd.value),
          direction: score.direction,
          turnOver: score.turnOver,
        })),
      })),
      findings: viewOf(card, batch).findings.map(finding => findingData(finding, units)),
    })),
  }
  const sections = preparation.cards.map(
    ({ entry, kits, pieces }) =>
      `\n${entry.title}: ${kits} kits\n${table(
        ['Piece', 'Width × height', 'Kit', 'In all', 'Paper', 'Scores', 'Where from'],
        pieces.map(piece => [
          piece.name,
          sizeText(batch, piece.width.value, piece.height.value),
          piece.perKit,
          piece.quantity,
          sourceOf(piece, pieces) ?? '–',
          scoreList(piece, units),
          piece.width.explain(units),
        ]),
      )}`,
  )
  return {
    data, text: [heading(batch), ...sections, '', ...findingLines(findings)].join('\n').trimEnd(),
    stops: stopsIn(findings),
  }
}

export const moneyIn
  = ({ prices: { currency } }: Batch) =>
    (cents: number) =>
      new Intl.NumberFormat('en', { style: 'currency', currency }).format(cents / 100)

export function planReport(batch: Batch, preparation: Preparation, outcomes: PaperOutcome[]): Report {
  const findings = findingsOf(preparation, outcomes)
  const details = outcomes.map(outcome => planInWords(batch, outcome))
  return {
    data: outcomes.map(outcome => planData(batch, outcome)),
    text: [heading(batch), planOverview(outcomes), ...details, '', ...findingLines(findings)].join('\n').trimEnd(),
    stops: stopsIn(findings),
  }
}

/** The plan of a paper as JSON tells it. */
function planData(batch: Batch, outcome: PaperOutcome) {
  const exact = (length: Length) => writeLength(length, batch.class.units)
  const leftoverData = ({ width, height, count }: Leftover) => ({ width: exact(width), height: exact(height), count })
  const {
    paper, entry, plan, sheets, settings, effort, minutes, loose, worth, cost, steps, choices, usedUp, leaves, over,
    beyond,
  } = outcome
  return {
    paper: paper.key,
    problem: entry.problem,
    plan,
    sheets: plan.sheets,
    bound: plan.bound,
    moneyBound: plan.moneyBound,
    beyond,
    yield: plan.yield,
    settings,
    effort,
    minutes,
    loose,
    worth,
    cost,
    choices: choices.map(choice => ({
      sheets: choice.plan.sheets,
      layouts: choice.plan.layouts.length,
      spending: choice.plan.spending,
      settings: choice.settings,
      minutes: choice.minutes,
      loose: choice.loose,
      worth: choice.worth,
      cost: choice.cost,
    })),
    usedUp: offcutsIn(usedUp).map(leftoverData),
    leaves: leaves.map(leftoverData),
    spares: over.map(({ demand, count }) => ({ piece: entry.names.get(demand), count })),
    formats: sheets.map(sheet => ({ ...sheet, width: exact(sheet.width), height: exact(sheet.height) })),
    unplaced: plan.unplaced.map(({ demand, quantity, reason }) => ({
      piece: entry.names.get(demand), quantity, reason,
    })),
    steps,
  }
}

/** All papers, a line each. */
const planOverview = (outcomes: PaperOutcome[]): string =>
  table(
    ['Paper', 'Sheets', 'At least', 'Yield', 'Layouts', 'Settings', 'Strokes', 'Minutes', 'On hand', 'To buy'],
    outcomes.map(({ paper, plan, settings, effort, minutes, sheets }) => [
      paper.name,
      plan.sheets,
      plan.bound,
      `${Math.round(plan.yield * 100)} %`,
      plan.layouts.length,
      settings,
      effort.strokes,
      wholeMinutes(minutes),
      sheets.reduce((sum, { onHand }) => sum + onHand, 0),
      sheets.reduce((sum, { needed, onHand }) => sum + Math.max(0, needed - onHand), 0),
    ]),
  )

/** A cut as it is said at the trimmer. */
export function stepInWords(batch: Batch, step: BenchStep): string {
  const { units } = batch.class
  const from = step.reading.from === 'far' ? ` (set ${formatLength(step.reading.at, units)} from the other edge)` : ''
  const rest = step.rest ? `, ${pileInWords(step.rest)} remains` : ''
  const taken = takenInWords(step)
  const held = `${heldInWords(step)}${taken && ` ${taken}`}, ${sizeText(batch, step.size.width, step.size.height)}`
  return `${step.turn ? 'turn; ' : ''}${held}: fence `
    + `${formatLength(step.fence, units, { unit: true })}${from} along the ${step.side}, ${step.cuts} `
    + `${step.cuts === 1 ? 'cut' : 'cuts'}: `
    + `${pileInWords(step.keep)}${rest}${step.byKnife ? ' — longer than the trimmer: knife and steel ruler' : ''}`
}

/** Layouts of a paper, the order of its cuts, and what they leave. */
function planInWords(batch: Batch, outcome: PaperOutcome): string {
  const { paper, entry, plan, steps, choices, usedUp, leaves, over } = outcome
  const money = moneyIn(batch)
  const { names, problem, paperOf } = entry
  const layouts = plan.layouts.map(({ supply, repeats, root }, at) => {
    const sheet = problem.supplies.find(({ key }) => key === supply)
    const counts = [...countsOf(root)].map(([key, count]) => `${count} × ${names.get(key)}`).join(', ')
    const isWhole = !sheet || sheet.kind === 'sheet'
    const kind = isWhole ? '' : `${[paperOf?.get(supply)?.name, sheet.kind].filter(Boolean).join(' ')} `
    const size = sheet ? sheetText(batch, sheet.width, sheet.height) : supply
    return `  sheet ${at + 1}: ${repeats} × ${kind}${size}: ${counts}`
  })
  const leftovers = (word: string, list: Leftover[]) =>
    list.length === 0
      ? []
      : [
          `  ${word} ${list.map(({ count, width, height }) => `${count} × ${sizeText(batch, width, height)}`).join(', ')}`,
        ]
  const inWords = ({ plan: { sheets, spending }, minutes, settings }: PaperOutcome['choices'][number]) =>
    `${sheets} sheets in ${wholeMinutes(minutes)} min with ${settings} settings${spending > 0 ? `, ${money(spending)} to buy` : ''}`
  const others = choices.length < 2 ? [] : [`  choices: ${choices.map(inWords).join('; ')}`]
  const missing = plan.unplaced.map(
    ({ demand, quantity, reason }) => `  MISSING  ${quantity} × ${names.get(demand)}: ${reason}`,
  )
  return [
    `\n${paper.name}`,
    ...layouts,
    ...steps.map((step, n) => `    ${n + 1}. ${stepInWords(batch, step)}`),
    ...leftovers('uses up', offcutsIn(usedUp)),
    ...leftovers('leaves', leaves),
    ...(over.length > 0
      ? [`  spares ${over.map(({ demand, count }) => `${count} × ${names.get(demand)}`).join(', ')}`]
      : []),
    ...others,
    ...missing,
  ].join('\n')
}

export function drawerReport(batch: Batch, preparation: Preparation, solve: Solve): Report {
  const findings = findingsOf(preparation)
  const data = kitProblems(batch, preparation).map(({ paper, ...drawer }) => ({
    paper: paper.key,
    name: paper.name,
    ...mostKits(drawer, solve),
  }))
  const kits = data.length > 0 ? Math.min(...data.map(entry => entry.kits)) : 0
  const first = data
    .filter(entry => entry.kits === kits)
    .map(({ name }) => name)
    .join(', ')
  return {
    data: { kits, papers: data },
    text: [
      heading(batch),
      table(
        ['Paper', 'Kits', 'At most'],
        data.map(({ name, kits, most }) => [name, kits, most]),
      ),
      data.length > 0
        ? `${kits} ${kits === 1 ? 'kit' : 'kits'} from what is on hand; first to run out: ${first}.`
        : 'No piece has a paper yet.',
      '',
      ...findingLines(findings),
    ]
      .join('\n')
      .trimEnd(),
    stops: stopsIn(findings),
  }
}
