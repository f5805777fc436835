/** A linear programme: least cost under rows of bounds, every column zero or more. */
export interface Programme {
  costs: number[]
  rows: { least?: number, most?: number, of: [column: number, factor: number][] }[]
  /** Whether every column is a whole number. */
  whole?: boolean
}

export interface Solved {
  /** Whether the answer is the best there is, not only the best found in time. */
  optimal: boolean
  cost: number
  columns: number[]
  /** Worth of one more unit of each row; of no meaning for whole columns. */
  duals: number[]
}

/** Solves a programme within some seconds; nothing when no answer was found. */
export type Solve = (programme: Programme, seconds?: number) => Solved | undefined

/** What the solver library offers of itself. */
interface Library {
  solve: (text: string, options?: Record<string, unknown>) => { Status: string, ObjectiveValue: number, Columns: Record<string, { Primal?: number }>, Rows: { Dual?: number }[] }
}

/** Makes the solver of a loaded library. Loading differs between browser and Node, so it is left to them. */
export const solverOf = (library: unknown): Solve => (programme, seconds = 10) => {
  const { Status, ObjectiveValue, Columns, Rows } = (library as Library).solve(textOf(programme), {
    time_limit: seconds, output_flag: false, ...programme.whole ? { mip_rel_gap: 0, mip_abs_gap: 0.4 } : {},
  })
  if (Status !== 'Optimal' && Status !== 'Time limit reached') return undefined
  const columns = programme.costs.map((_, index) => Columns[`x${index}`]?.Primal ?? Number.NaN)
  // Out of time with nothing found gives figures that do not fit their rows.
  const holds = columns.every(Number.isFinite) && programme.rows.every(({ least = -Infinity, most = Infinity, of }) => {
    const value = of.reduce((sum, [column, factor]) => sum + factor * columns[column]!, 0)
    return value >= least - 1e-5 && value <= most + 1e-5
  })
  return holds ? { optimal: Status === 'Optimal', cost: ObjectiveValue, columns, duals: Rows.map(({ Dual }) => Dual ?? 0) } : undefined
}

/** A programme in the LP format that solvers read; terms are broken into short lines. */
function textOf({ costs, rows, whole }: Programme): string {
  const terms = (of: [number, number][]) => of.map(([column, factor], index) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} x${column}${index % 8 === 7 ? '\n' : ''}`).join(' ')
  return [
    'Minimize', `cost: ${terms(costs.map((cost, column) => [column, cost]))}`,
    'Subject To',
    ...rows.map(({ least, most, of }, index) => `r${index}: ${terms(of)} ${least === undefined ? `<= ${most}` : `>= ${least}`}`),
    ...whole ? ['General', ...costs.map((_, column) => `x${column}`)] : [],
    'End',
  ].join('\n')
}
