import type { Cutter, Demand, Problem } from '../cutting'
import type { Construction, Finding, Fold, Piece } from '../folds'
import { foldById, inputProblems } from '../folds'
import type { Length } from '../lengths'
import { formatLength } from '../lengths'
import type { Paper, Turn } from '../paper'
import { STOCK_WEIGHTS, allowedTurn } from '../paper'
import type { Batch, CardEntry } from './document'
import { kitsOf } from './document'
import { readPaper, readTools } from './read'

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

/** The cutting problem of one paper, with the words for it. */
export interface PaperProblem {
  paper: Paper
  problem: Problem
  /** Piece names by demand key. */
  names: Map<string, string>
}

/** Everything that follows from a class without planning its cutting. */
export interface Preparation {
  cards: PreparedCard[]
  papers: PaperProblem[]
  cutter: Cutter
}

/** From a class to pieces, findings and one cutting problem for each paper. The batch must have passed its door. */
export function prepare(batch: Batch): Preparation {
  const { units } = batch.class
  const cutter = readTools(batch.tools, units)
  const papers = new Map(batch.papers.map(entry => [entry.key, readPaper(entry)]))
  const cards = batch.cards.map(prepareCard)
  return { cards, papers: [...papers.values()].flatMap(paperProblem), cutter }

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
      const paper = papers.get(entry.papers[piece.key] ?? '')
      return { ...piece, paper, turn: paper ? allowedTurn(paper, piece.printTop) : 'either', perKit: 1, quantity: kits }
    })
    return { entry, kits, fold, construction: { ...construction, findings }, pieces, findings: [...findings, ...pieces.flatMap(piece => paperFindings(piece, entry))] }
  }

  function paperFindings(piece: PreparedPiece, entry: CardEntry): Finding[] {
    const about = { subject: piece.name, part: piece.key }
    const { paper } = piece
    if (!paper) {
      const chosen = entry.papers[piece.key]
      return [{ ...about, severity: 'stop', problem: chosen ? `was to be cut from “${chosen}”, which is no longer on the shelf. Choose another paper.` : 'has no paper yet. Choose one.' }]
    }
    const findings: Finding[] = []
    const smallest = Math.min(piece.width.value, piece.height.value) as Length
    if (smallest < cutter.smallestPiece) {
      findings.push({ ...about, severity: 'warn', problem: `is only ${formatLength(smallest, units, { unit: true })} wide, too narrow to hold in the trimmer. Cut it last off a wider strip, or with knife and ruler.` })
    }
    if (piece.kind === 'base' && paper.weight < STOCK_WEIGHTS.light) {
      findings.push({ ...about, severity: 'warn', problem: `is of ${paper.weight} g/m² paper, too light to hold its shape; ${STOCK_WEIGHTS.light} g/m² or more stands.` })
    }
    if (piece.scores.length > 0 && paper.weight >= STOCK_WEIGHTS.heavy) {
      findings.push({ ...about, severity: 'note', problem: `is of heavy stock (${paper.weight} g/m²): score before folding and fold along the grain.` })
    }
    return findings
  }

  function paperProblem(paper: Paper): PaperProblem[] {
    const demands = new Map<string, Demand>()
    for (const card of cards) {
      for (const blank of blanksToCut(card.pieces.filter(piece => piece.paper === paper && piece.quantity > 0))) {
        const { width, height, turn, quantity } = blank
        const key = `${width}x${height} ${turn}`
        const name = batch.cards.length > 1 ? `${blank.name} (${card.entry.title})` : blank.name
        const same = demands.get(key)
        if (!same) {
          demands.set(key, { key, name, width, height, turn, quantity })
        }
        else {
          same.quantity += quantity
          if (!same.name.split(', ').includes(name)) same.name += `, ${name}`
        }
      }
    }
    if (demands.size === 0) return []
    const supplies = paper.stocks.map(({ width, height, onHand, price }) => ({ key: `${width}x${height}`, width, height, onHand, price }))
    const names = new Map([...demands.values()].map(({ key, name }) => [key, name]))
    return [{ paper, names, problem: { demands: [...demands.values()], supplies, cutter, priority: batch.wishes.priority } }]
  }
}

/** What is cut: every piece by itself, a matched pair side by side from one blank. */
function blanksToCut(pieces: PreparedPiece[]): { name: string, width: Length, height: Length, turn: Turn, quantity: number }[] {
  return pieces.flatMap((piece) => {
    const { name, width: { value: width }, height: { value: height }, turn, quantity, pair } = piece
    const partner = pair === undefined ? undefined : pieces.find(other => other !== piece && other.pair === pair && other.height.value === height && other.turn === turn)
    if (!partner) return [{ name, width, height, turn, quantity }]
    // The pair is listed once, by its first piece.
    return pieces.indexOf(partner) < pieces.indexOf(piece) ? [] : [{ name: `${name} and ${partner.name}, matched`, width: (width + partner.width.value) as Length, height, turn, quantity }]
  })
}

/** Findings that must be settled before anything is cut. */
export const stopsIn = ({ cards }: Preparation): number =>
  cards.reduce((total, { findings }) => total + findings.filter(({ severity }) => severity === 'stop').length, 0)
