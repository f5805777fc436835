import type { Keyed } from './searches'

/** Where answers are kept that always come out the same: in this browser, and in the studio for every device. */
export interface Memory<Problem, Answer> {
  /** What is known of these problems, checked; by key. It answers nothing rather than late, and never fails. */
  find: (wanted: Keyed<Problem>[]) => Promise<Map<string, Answer>>
  /** Keeps an answer that nothing better is looked for. */
  keep: (key: string, answer: Answer) => void
}

/** A place where texts lie under identifiers. */
export interface Shelf {
  find: (ids: string[]) => Promise<Map<string, string>>
  keep: (texts: Map<string, string>) => Promise<void>
}
