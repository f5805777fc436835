import type { CardEntry, Turn } from '../document'
import type { Finding, Fold, Piece, WorkedOut } from '../folds'
import type { Paper } from '../paper'
import type { Share } from './pools'

/** A piece with its paper and how many are cut. */
export interface PreparedPiece extends Piece {
  /** Missing while no paper is chosen, or when the chosen one is gone; of a pool its first paper, which it is drawn in. */
  paper?: Paper
  /** The name of the pool that it is cut from, where it is one. */
  pool?: string
  /** How many are cut from which paper: from one, or from those of a pool. */
  shares: Share[]
  turn: Turn
  /** In the whole batch. */
  quantity: number
}

/** The paper that each part of a card is drawn in; of a pool its first one. */
export const drawnPapers = ({ pieces }: Pick<PreparedCard, 'pieces'>): Record<string, string> =>
  Object.fromEntries(pieces.flatMap(({ key, paper }) => (paper ? [[key, paper.key]] : [])))

/** What a piece is cut from, in words; nothing while that is not chosen. */
export const sourceOf = ({ paper, pool, shares }: PreparedPiece): string | undefined =>
  pool === undefined ? paper?.name : `${pool} (${shares.map(({ paper: { name } }) => name).join(', ')})`

export interface PreparedCard {
  entry: CardEntry
  kits: number
  /** Missing when the fold is unknown or a parameter cannot be read; the findings say which. */
  fold?: Fold
  construction?: Omit<WorkedOut, 'pieces'>
  pieces: PreparedPiece[]
  /** What is found in its parameters and papers, at once and with no fixes; `viewOf` has the rest. */
  findings: Finding[]
  /** The same with the fixes that help, which are tried when they are asked for first. */
  fixed: () => Finding[]
}
