import type { Cutter, Demand } from '../cutting'
import type { Construction, Finding, Fold, Piece } from '../folds'
import { foldById, inputProblems } from '../folds'
import type { Length } from '../lengths'
import { formatLength } from '../lengths'
import type { Paper, Turn } from '../paper'
import { ANY_SCRAP, STOCK_WEIGHTS, allowedTurn, alongGrain } from '../paper'
import type { Batch, CardEntry } from './document'
import { kitsOf } from './document'
import { demandsOf, paperProblems } from './problems'
import type { PaperProblem } from './problems'
import { readPaper, readTools } from './read'
import { SCRAP_PAPER } from './scrap'

/** A piece with its paper and how many are cut. */
export interface PreparedPiece extends Piece {
  /** Missing while no paper is chosen, or when the chosen one is gone. */
  paper?: Paper
  turn: Turn
  /** In one kit. */
  perKit: number
  /** In the whole batch. */
  quantity: number
}

export interface PreparedCard {
  entry: CardEntry
  kits: number
  /** Missing when the fold is unknown or a parameter cannot be read; the findings say which. */
  fold?: Fold
  construction?: Construction
  pieces: PreparedPiece[]
  findings: Finding[]
}

/** Everything that follows from a class without planning its cutting. */
export interface Preparation {
  cards: PreparedCard[]
  papers: PaperProblem[]
  /** Hidden parts that are cut from any scrap once the papers are planned. */
  scrap: Demand[]
  cutter: Cutter
}

/** From a class to pieces, findings and one cutting problem for each paper. The batch must have passed its door. */
export function prepare(batch: Batch): Preparation {
  const { units } = batch.class
  const cutter = readTools(batch.tools, units)
  const papers = new Map(batch.papers.map(entry => [entry.key, readPaper(entry)]))
  const cards = batch.cards.map(prepareCard)
  return { cards, papers: paperProblems(batch, cards, [...papers.values()], cutter), scrap: demandsOf(batch, cards, SCRAP_PAPER), cutter }

  function prepareCard(entry: CardEntry): PreparedCard {
    const kits = kitsOf(entry, batch.class)
    const fold = foldById(entry.fold)
    if (!fold) {
      return { entry, kits, pieces: [], findings: [{ severity: 'stop', subject: entry.title, problem: `uses the fold “${entry.fold}”, which this Wakaru does not know.` }] }
    }
    const wrong = inputProblems(fold.parameters, entry.parameters, units)
    if (wrong.length > 0) {
      return { entry, kits, pieces: [], findings: wrong.map(({ parameter, problem }) => ({ severity: 'stop', subject: entry.title, parameter, problem })) }
    }
    const { pieces: plain, findings, ...construction } = fold.construct(entry.parameters, units, cutter.mark)
    const pieces = plain.map((piece): PreparedPiece => {
      const chosen = entry.papers[piece.key] ?? ''
      const paper = chosen === ANY_SCRAP && piece.kind === 'hidden' ? SCRAP_PAPER : papers.get(chosen)
      return { ...piece, paper, turn: paper ? alongGrain(allowedTurn(paper, piece.printTop), paper.grain, mainCrease(piece)) : 'either', perKit: 1, quantity: kits }
    })
    return { entry, kits, fold, construction: { ...construction, findings }, pieces, findings: [...findings, ...pieces.flatMap(piece => paperFindings(piece, entry))] }
  }

  function paperFindings(piece: PreparedPiece, entry: CardEntry): Finding[] {
    const about = { subject: piece.name, part: piece.key }
    const { paper } = piece
    if (!paper) {
      const chosen = entry.papers[piece.key]
      return [{ ...about, severity: 'stop', problem: chosen === ANY_SCRAP ? 'shows on the card, so no scrap will do. Choose a paper.' : chosen ? `was to be cut from “${chosen}”, which is no longer on the shelf. Choose another paper.` : 'has no paper yet. Choose one.' }]
    }
    const findings: Finding[] = []
    const smallest = Math.min(piece.width.value, piece.height.value) as Length
    if (smallest < cutter.smallestPiece) {
      findings.push({ ...about, severity: 'warn', problem: `is only ${formatLength(smallest, units, { unit: true })} wide, too narrow to hold in the trimmer. Cut it last off a wider strip, or with knife and ruler.` })
    }
    if (piece.kind === 'base' && paper.weight < STOCK_WEIGHTS.light) {
      findings.push({ ...about, severity: 'warn', problem: `is of ${paper.weight} g/m² paper, too light to hold its shape; ${STOCK_WEIGHTS.light} g/m² or more stands.` })
    }
    const crease = mainCrease(piece)
    const against = piece.turn !== 'either' && crease !== undefined && paper.grain !== 'any' && (crease === paper.grain) !== (piece.turn === 'as drawn')
    if (piece.scores.length > 0 && paper.weight >= STOCK_WEIGHTS.heavy) {
      findings.push({ ...about, severity: 'note', problem: `is of heavy stock (${paper.weight} g/m²): score before folding and fold along the grain.` })
    }
    if (against) {
      findings.push({ ...about, severity: 'note', problem: `folds across the grain of “${paper.name}”, as its print direction wants: score it well.` })
    }
    return findings
  }
}

/** Which way the creases of a piece run for the most part. */
function mainCrease({ scores, width, height }: Piece): 'width' | 'height' | undefined {
  const run = (along: 'x' | 'y', length: number) => scores.filter(score => score.along === along).length * length
  const [upright, level] = [run('x', height.value), run('y', width.value)]
  return upright + level === 0 ? undefined : upright >= level ? 'height' : 'width'
}

/** Findings that must be settled before anything is cut. */
export const stopsIn = ({ cards }: Preparation): number =>
  cards.reduce((total, { findings }) => total + findings.filter(({ severity }) => severity === 'stop').length, 0)
