import type { PreparedCard, PreparedPiece } from '../batch'
import { scoresLeft } from '../batch'
import type { Part, Piece } from '../folds'
import { blanksOf, cutLines, scoreLines } from '../folds'
import type { Units } from '../lengths'
import type { PrintBlock, PrintSection } from './model'
import { patternDrawing } from './pattern'
import { stepList } from './steps'
import { typesetText } from './typeset'

/** Points: the largest drawing of a blank on a score card. */
const BOX = { width: 500, height: 250 }
const SMALL = { width: 250, height: 200 }

const hasWork = ({ scores, slits, windows, shaped }: Piece) =>
  scores.length > 0 || slits.length > 0 || windows.length > 0 || shaped

/** The score card of one card: every blank with what is done to it, then the order of assembly. */
export function scoreSection({ entry, construction, pieces, kits }: PreparedCard, units: Units): PrintSection[] {
  if (!construction) return []
  const blanks = blanksOf(construction).flatMap((part) => {
    const piece = pieces.find(({ key }) => key === part.key)
    return piece && hasWork(piece) ? [{ part, piece }] : []
  })
  const large = blanks.filter(({ piece }) => piece.scores.length > 2)
  const small = blanks.filter(({ piece }) => piece.scores.length <= 2)
  return [
    {
      heading: entry.title,
      blocks: [
        ...large.map(({ part, piece }): PrintBlock => ({
          kind: 'together', blocks: blankBlocks(part, piece, kits, units, BOX),
        })),
        ...(small.length > 0
          ? [
              {
                kind: 'side by side' as const,
                cells: small.map(({ part, piece }) => blankBlocks(part, piece, kits, units, SMALL)),
              },
            ]
          : []),
        { kind: 'heading', text: 'Order of assembly' },
        stepList(construction.steps),
      ],
    },
  ]
}

/** Of a blank that comes folded, from which papers it does, and that it is not scored there again. */
function foldedWords(piece: PreparedPiece): string[] {
  const { shares, scores } = piece
  const folded = shares.filter(({ paper }) => scoresLeft(paper, piece) < scores.length)
  if (folded.length === 0) return []
  const from = folded.length < shares.length ? ` of ${folded.map(({ paper }) => paper.name).join(', ')}` : ''
  return [`Comes folded${from}: the line in the middle is not scored again.`]
}

function blankBlocks(part: Part, piece: PreparedPiece, kits: number, units: Units, box: typeof BOX): PrintBlock[] {
  const lines = scoreLines(piece, units)
  const numbers = piece.scores.map((_, index) => lines.findIndex(({ scores }) => scores.includes(index)) + 1)
  const pattern = patternDrawing(part, numbers, units, box)
  const cuts = cutLines(piece, units)
  const side = piece.scores.length > 0 ? `, ${piece.drawn} up` : ''
  return [
    {
      kind: 'drawings',
      drawings: [{ ...pattern, title: `${pattern.title}: ${kits === 1 ? 'one piece' : `${kits} pieces`}${side}` }],
    },
    ...(lines.length > 0
      ? [{ kind: 'list' as const, mark: 'number' as const, items: lines.map(({ words }) => typesetText(words)) }]
      : []),
    ...foldedWords(piece).map((text): PrintBlock => ({ kind: 'text', strong: true, text })),
    ...(cuts.length > 0 ? [{ kind: 'list' as const, mark: 'dot' as const, items: cuts.map(typesetText) }] : []),
  ]
}
