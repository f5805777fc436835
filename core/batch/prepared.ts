import type { CardEntry, Turn } from '../document'
import type { Finding, Fold, Piece, WorkedOut } from '../folds'
import type { Paper } from '../paper'
import type { Share } from './pools'
import type { DealtKit } from './bags'
import type { KitGroup } from './blanks'
import type { Strip } from './prep'

/** A piece with its paper and how many are cut. */
export interface PreparedPiece extends Piece {
  /**
   * Missing while no paper is chosen, or when the chosen one is gone; of a pool its first paper, which it is drawn in.
   */
  paper?: Paper
  /** The name of the pool that it is cut from, where it is one. */
  pool?: string
  /** How many are cut from which paper: from one, or from those of a pool. */
  shares: Share[]
  turn: Turn
  /** How many are cut to size in the whole batch. */
  quantity: number
  /** Every student brings it: it wants no paper. */
  brought?: true
}

/** Uncut paper that goes along, and in how many kits. */
export type PreparedStrip = Strip & { quantity: number }

/** The paper that each part of a card is drawn in; of a pool its first one. */
export const drawnPapers = ({ pieces }: Pick<PreparedCard, 'pieces'>): Record<string, string> =>
  Object.fromEntries(pieces.flatMap(({ key, paper }) => (paper ? [[key, paper.key]] : [])))

/** What a piece is cut from, in words; nothing while that is not chosen. */
export function sourceOf(
  { paper, pool, shares, outOf }: PreparedPiece, pieces: readonly PreparedPiece[] = [],
): string | undefined {
  if (outOf !== undefined) return outOfInWords(outOf, pieces)
  const names = shares.map(({ paper: { name } }) => name).join(', ')
  if (pool !== undefined) return `${pool} (${names})`
  return shares.length > 1 ? names : paper?.name
}

/** `cut out of Mat on A`. */
export const outOfInWords = (key: string, pieces: readonly Pick<Piece, 'key' | 'name'>[]): string =>
  `cut out of ${pieces.find(piece => piece.key === key)?.name ?? 'another piece'}`

/** A card worked out before anything is said of papers. */
interface Made {
  entry: CardEntry
  /** Missing when the fold is unknown or a parameter cannot be read; the findings say which. */
  fold?: Fold
  construction?: Omit<WorkedOut, 'pieces'>
  pieces: Piece[]
  findings: Finding[]
  fixed: () => Finding[]
}

export interface PreparedCard extends Omit<Made, 'pieces'> {
  made: Made
  kits: number
  /** Each kit: whose bag it goes into, its colourway, and what its parts are cut from. */
  dealt: DealtKit[]
  /** The same kits, those together that are cut and made ready alike. */
  groups: KitGroup[]
  pieces: PreparedPiece[]
  /** Strips for pieces that go along uncut, of the whole batch. */
  strips: PreparedStrip[]
  /** What is found in its parameters and papers, at once and with no fixes; `viewOf` has the rest. */
  findings: Finding[]
  /** The same with the fixes that help, which are tried when they are asked for first. */
  fixed: () => Finding[]
}
