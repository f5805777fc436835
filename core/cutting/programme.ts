import type { Programme } from './solver'

/**
 * A column or a row of a programme, by its place: what a programme is put together with, and what its solution is read
 * by.
 */
export type Handle = number
/** A column in a row, and how often it counts there. */
export type Entry = [column: Handle, factor: number]
export type Row = Programme['rows'][number]

/** A linear programme while it is put together. */
export class ProgrammeBuilder {
  private readonly costs: number[] = []
  private readonly rows: Row[] = []

  /** Adds a column of some cost. */
  column(cost: number): Handle {
    return this.costs.push(cost) - 1
  }

  /** Adds a row: what its columns come to together is at least and at most so much. */
  row(row: Row): Handle {
    return this.rows.push(row) - 1
  }

  get programme(): Programme {
    return { costs: this.costs, rows: this.rows }
  }
}

/** Each column once. */
export const eachOnce = (columns: readonly Handle[]): Entry[] => columns.map(column => [column, 1])
