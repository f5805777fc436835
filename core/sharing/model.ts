import type { Layout, CuttingProblem } from '../cutting'
import type { FaceRule, RuleEntry, RuleName } from '../document'

/*
 * Sharing prints out among kits. Pieces that may be cut from several prints are roles; a combination gives every role
 * of a kit one of its prints, and takes pieces of those prints. How many pieces of which size are cut from which print
 * follows from the combinations, and which combinations are best depends on what the sheets give.
 */

/** A print that pieces are shared out among. */
export interface Print {
  key: string
  name: string
  /**
   * Its sheets and offcuts, and every size that is cut from it; the quantities are those wanted whatever is shared how.
   */
  problem: CuttingProblem
}

/** Pieces of a kit that are of one print whichever it is: one piece, or a matched pair. */
export interface Role {
  key: string
  name: string
  /** Keys of its parts. */
  parts: string[]
  /** Key of the pool that its prints come from. */
  pool: string
  /** Keys of the prints that it may be of. */
  options: string[]
  /** For each option what a kit takes of that print, by demand key. */
  takes: ReadonlyMap<string, number>[]
}

/** Two roles, by their places, that lie against each other on the closed card or side by side on the open one. */
export interface Apart {
  roles: readonly [number, number]
  rule: FaceRule
}

/** Kits of a card that are alike but for their prints. */
export interface Kind {
  key: string
  card: string
  /** Kits may be alike where this is the same: that of card and colourway. */
  alike: string
  /** For messages. */
  name: string
  kits: number
  roles: Role[]
  apart: Apart[]
}

export type Rules = Record<RuleName, RuleEntry>

export interface SharingProblem {
  prints: Print[]
  kinds: Kind[]
  rules: Rules
}

/** For each role of a kind the place of its print among its options. */
export type Combination = readonly number[]

/** How often the rules are not kept. */
export type Broken = Record<RuleName, number>

/** Prints shared out: for each kind one combination a kit. */
export interface Sharing {
  kits: Combination[][]
  broken: Broken
  /**
   * Fresh sheets of all prints that it takes, and how few any sharing takes that keeps what must be kept; once they are
   * known.
   */
  sheets?: number
  bound?: number
  /**
   * What sheets and broken wishes cost together, a sheet 100, and what no sharing costs less than; once they are known.
   */
  cost?: number
  least?: number
  /** Kits for which what can be had does not give the pieces. */
  missing: number
  /** How the sheets of each print are cut for it, by key, once that was looked for. */
  layouts?: ReadonlyMap<string, Layout[]>
}

/** What a sheet weighs beside wishes. */
export const SHEET = 100

/**
 * What a piece weighs that is wanted of a print by name and cannot be cut: more than kits and roles, for nothing else
 * will do.
 */
export const A_MISSING_PIECE = 2_000_000

/**
 * What a sheet weighs that is bought: prints that lie there are used a little unevenly rather than that others are
 * bought.
 */
const A_BOUGHT_SHEET = 20
/** What a cent weighs: of equal sharings the one is taken for which least is bought. */
export const A_CENT = 1e-3

/** What it weighs to buy a sheet of some price in cents. */
export const weightOfBuying = ({ evenly: { hold } }: Rules, price: number): number =>
  price * A_CENT + (hold === 'wish' ? A_BOUGHT_SHEET : 0)

/** Why some kits cannot be shared out at all. */
export interface Impossible {
  kind: string
  rule: 'pool' | FaceRule | 'different'
  /** Combinations that there are, where there are too few. */
  combinations?: number
}
