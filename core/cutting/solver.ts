/** A linear programme: least cost under rows of bounds, every column zero or more. */
export interface Programme {
  costs: number[]
  rows: { least?: number, most?: number, of: [column: number, factor: number][] }[]
  /** Every column is a whole number. */
  whole?: {
    /** Branches after which the best found stands. */
    nodes: number
    /** Without the solver's own searches beside the branching, which take long where the relaxation is weak. */
    plain?: boolean
  }
}

export interface Solved {
  /** Whether the answer is the best there is, not only the best found within the limits. */
  optimal: boolean
  cost: number
  columns: number[]
  /** Worth of one more unit of each row; of no meaning for whole columns. */
  duals: number[]
}

/** Solves a programme, the same way on every machine; nothing when no answer was found. */
export type Solve = (programme: Programme) => Solved | undefined

/** What the solver library offers of itself. */
interface Library {
  solve: (
    text: string,
    options?: Record<string, unknown>,
  ) => { Status: string, ObjectiveValue: number, Columns: Record<string, { Primal?: number }>, Rows: { Dual?: number }[] }
}

/** No limit in time: what ends a search is counted, so that everybody comes to the same end. */
const SAME_EVERYWHERE = { output_flag: false, threads: 1, random_seed: 0 }
const PLAIN = {
  mip_allow_restart: false,
  mip_heuristic_effort: 0,
  mip_heuristic_run_rins: false,
  mip_heuristic_run_rens: false,
  mip_heuristic_run_root_reduced_cost: false,
}

/** Makes the solver of a loaded library. Loading differs between browser and Node, so it is left to them. */
export const solverOf
  = (library: unknown): Solve =>
    (programme) => {
      const { whole } = programme
      const { Status, ObjectiveValue, Columns, Rows } = (library as Library).solve(textOf(programme), {
        ...SAME_EVERYWHERE,
        ...(whole && { mip_rel_gap: 0, mip_abs_gap: 0.4, mip_max_nodes: whole.nodes, ...(whole.plain && PLAIN) }),
      })
      if (Status !== 'Optimal' && !whole) return undefined
      const columns = programme.costs.map((_, index) => Columns[`x${index}`]?.Primal ?? Number.NaN)
      // At its limits with nothing found it gives figures that do not fit their rows.
      const holds
        = columns.every(Number.isFinite)
          && programme.rows.every(({ least = -Infinity, most = Infinity, of }) => {
            const value = of.reduce((sum, [column, factor]) => sum + factor * (columns[column] ?? Number.NaN), 0)
            return value >= least - 1e-5 && value <= most + 1e-5
          })
      return holds ? { optimal: Status === 'Optimal', cost: ObjectiveValue, columns, duals: Rows.map(({ Dual }) => Dual ?? 0) } : undefined
    }

/** A programme in the LP format that solvers read; terms are broken into short lines. */
function textOf({ costs, rows, whole }: Programme): string {
  const term = ([column, factor]: [number, number], index: number) =>
    `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} x${column}${index % 8 === 7 ? '\n' : ''}`
  const terms = (of: [number, number][]) => of.map(term).join(' ')
  return [
    'Minimize',
    `cost: ${terms(costs.map((cost, column) => [column, cost]))}`,
    'Subject To',
    ...rows.map(({ least, most, of }, index) => `r${index}: ${terms(of)} ${least === undefined ? `<= ${most}` : `>= ${least}`}`),
    ...(whole ? ['General', ...costs.map((_, column) => `x${column}`)] : []),
    'End',
  ].join('\n')
}
