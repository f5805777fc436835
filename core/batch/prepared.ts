import type { CardEntry, Turn } from '../document'
import type { Finding, Fold, Piece, WorkedOut } from '../folds'
import type { Paper } from '../paper'

/** A piece with its paper and how many are cut. */
export interface PreparedPiece extends Piece {
  /** Missing while no paper is chosen, or when the chosen one is gone. */
  paper?: Paper
  turn: Turn
  /** In the whole batch. */
  quantity: number
}

export interface PreparedCard {
  entry: CardEntry
  kits: number
  /** Missing when the fold is unknown or a parameter cannot be read; the findings say which. */
  fold?: Fold
  construction?: Omit<WorkedOut, 'pieces'>
  pieces: PreparedPiece[]
  /** What is found in its parameters and papers; `cardFindings` has the rest. */
  findings: Finding[]
}
