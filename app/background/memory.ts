import type { Keyed } from './searches'

/** Where answers are kept that always come out the same: in this browser, and in the studio for every device. */
export interface Memory<Problem, Answer> {
  /** What is known of these problems, checked; by key. It answers nothing rather than late, and never fails. */
  find: (wanted: Keyed<Problem>[]) => Promise<Map<string, Answer>>
  /** Keeps an answer that nothing better is looked for. */
  keep: (key: string, answer: Answer) => void
  /**
   * Says that these problems are being worked on here: said again every few seconds, for it is soon forgotten. Answers
   * those that somebody else has begun before; it never fails.
   */
  begin?: (keys: string[]) => Promise<Set<string>>
}

/** A place where texts lie under identifiers. */
export interface Shelf {
  find: (ids: string[]) => Promise<Map<string, string>>
  keep: (texts: Map<string, string>) => Promise<void>
  /** Says that these are being worked on here, and answers those that somebody else has begun. */
  begin?: (ids: string[]) => Promise<string[]>
}
