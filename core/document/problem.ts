/** What is wrong in something from outside: where, and what would be right. */
export interface Problem {
  /** Path inside the document, such as `cards[0].parameters.width`; empty for the whole. */
  path: string
  problem: string
}

export type Checked<T> = { ok: true, value: T } | { ok: false, problems: Problem[] }

/** More than this many are not listed: the first ones tell what kind of thing it is. */
export const MOST_PROBLEMS = 25
