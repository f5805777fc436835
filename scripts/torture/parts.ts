import type { Loose } from './heavy'

/** What a part of the torture is given: each takes what it needs. */
export interface Options {
  /** Kills for each part that kills. */
  kills: number
  requests: number
  minutes: number
  /** Classes that are counted a second time. */
  classes: number
  /** Dressed cards that are looked at in space. */
  cards: number
  seed: number
  /** Numbers from 0 to 1, the same for the same seed. */
  random: () => number
}

/** A row of the table of what it takes. */
export interface Row {
  what: string
  done: string
  seen: string
  good: boolean
}

/** What is asked, as it goes over the wire. */
export interface Asked {
  method?: string
  body?: string | Buffer
  type?: string
  headers?: Record<string, string>
  /** Milliseconds that are waited for an answer. */
  patience?: number
}

export interface Answer {
  status: number
  text: string
  /** What was answered as JSON, unread. */
  data: Loose
}
