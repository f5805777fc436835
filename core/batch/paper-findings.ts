import type { Cutter } from '../cutting'
import { LEAST_PIECE } from '../cutting'
import type { CardEntry } from '../document'
import { ANY_SCRAP } from '../document'
import type { Finding, Joint } from '../folds'
import { mainCrease } from '../folds'
import type { Length, Units } from '../lengths'
import { formatLength } from '../lengths'
import { STOCK_WEIGHTS } from '../paper'
import { count } from '../lists'
import type { KitGroup } from './blanks'
import { paperIn } from './blanks'
import type { Share } from './pools'
import type { PreparedPiece } from './prepared'

/** What is found in the paper that a piece is cut from, or in those of its pool. */
export function paperFindings(
  piece: PreparedPiece, entry: CardEntry, cutter: Cutter, units: Units, joints: readonly Joint[] = [],
): Finding[] {
  const about = { subject: piece.name, part: piece.key }
  const { shares, pool } = piece
  if (pool !== undefined && shares.length === 0) {
    const problem = `is cut from the pool “${pool}”, which has no paper. Put one into it.`
    return [{ ...about, severity: 'stop', place: 'papers', problem }]
  }
  if (shares.length === 0) {
    const chosen = entry.papers[piece.key]
    const gone = chosen
      ? `was to be cut from “${chosen}”, which is no longer on the shelf. Choose another paper.`
      : 'has no paper yet. Choose one.'
    return [
      {
        ...about,
        severity: 'stop',
        place: 'papers',
        problem: chosen === ANY_SCRAP ? 'shows on the card, so no scrap will do. Choose a paper.' : gone,
      },
    ]
  }
  const findings: Finding[] = []
  const smallest = Math.min(piece.width.value, piece.height.value) as Length
  if (smallest < LEAST_PIECE) {
    findings.push({
      ...about,
      severity: 'stop',
      problem: `is only ${formatLength(smallest, units, { unit: true })} wide: nothing under 1 mm can be cut.`,
    })
  }
  else if (smallest < cutter.smallestPiece) {
    findings.push({
      ...about,
      severity: 'warn',
      problem:
        `is only ${formatLength(smallest, units, { unit: true })} wide, too narrow to hold in the trimmer. Cut it last `
        + `off a wider strip, or with knife and ruler.`,
    })
  }
  const told = new Set<string>()
  for (const share of shares) {
    for (const finding of onPaper(share)) if (!told.has(finding.problem)) findings.push(finding)
    findings.forEach(({ problem }) => told.add(problem))
  }
  return findings

  function onPaper({ paper, turn }: Share): Finding[] {
    const findings: Finding[] = []
    if (piece.kind === 'base' && paper.weight < STOCK_WEIGHTS.light) {
      findings.push({
        ...about,
        severity: 'warn',
        problem: `is of ${paper.weight} g/m² paper, too light to hold its shape; ${STOCK_WEIGHTS.light} g/m² or more stands.`,
      })
    }
    for (const [is, problem] of lightFor(piece, joints)) {
      if (is && paper.weight < STOCK_WEIGHTS.light) findings.push({
        ...about,
        severity: 'warn',
        problem: `is of ${paper.weight} g/m² paper, ${problem}; ${STOCK_WEIGHTS.light} g/m² or more will do.`,
      })
    }
    if (piece.heaviest !== undefined && paper.weight > piece.heaviest) {
      findings.push({
        ...about,
        severity: 'warn',
        problem: `is of ${paper.weight} g/m² paper: above ${piece.heaviest} g/m² it cracks where its creases meet.`,
      })
    }
    const crease = mainCrease(piece)
    const against
      = turn !== 'either'
        && crease !== undefined
        && paper.grain !== 'any'
        && (crease === paper.grain) !== (turn === 'as drawn')
    if (piece.scores.length > 0 && paper.weight >= STOCK_WEIGHTS.heavy) {
      findings.push({
        ...about,
        severity: 'note',
        problem: `is of heavy stock (${paper.weight} g/m²): score before folding and fold along the grain.`,
      })
    }
    if (against) {
      findings.push({
        ...about,
        severity: 'note',
        problem: `folds across the grain of “${paper.name}”, as its print direction wants: score it well.`,
      })
    }
    return findings
  }
}

/** What light paper is not up to, and whether that is asked of a piece. */
const lightFor = ({ key, kind, scores, made = [] }: PreparedPiece, joints: readonly Joint[]): [boolean, string][] => [
  [made.includes('stamped'), 'which wet ink bleeds through when it is stamped'],
  [(kind === 'insert' || kind === 'figure') && scores.length > 0, 'too light to stand up by itself'],
  [
    joints.some(({ part, means }) => part === key && means === 'glue'),
    'which wet glue may warp: hold it with tape, or take heavier paper',
  ],
]

/** Colourways in which a piece has no paper although it has one in others: its kits would be a piece short. */
export function colourwayFindings(
  { key, kind, name, shares }: PreparedPiece, { colourways }: CardEntry, groups: KitGroup[],
): Finding[] {
  if (shares.length === 0) return []
  const without = groups.filter(group =>
    group.prep.levels.get(key) !== 'brought' && paperIn(group, { key, kind }) === undefined)
  if (without.length === 0) return []
  const kits = without.reduce((sum, group) => sum + group.kits, 0)
  const names = [
    ...new Set(without.flatMap(({ colourway }) => colourways.find(one => one.key === colourway)?.name ?? [])),
  ]
  const where = names.length > 0 ? ` in ${names.map(one => `“${one}”`).join(' and ')}` : ''
  return [{
    severity: 'stop', subject: name, part: key, place: 'papers',
    problem: `has no paper${where}, so ${count(kits, 'kit')} would lack it. Choose one there, or one for the whole card.`,
  }]
}
