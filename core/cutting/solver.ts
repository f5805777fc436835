/** A linear programme: least cost under rows of bounds, every column zero or more. */
export interface Programme {
  costs: number[]
  rows: { least?: number, most?: number, of: [column: number, factor: number][] }[]
  /** Every column is a whole number. */
  whole?: {
    /** Branches after which the best found stands. */
    nodes: number
    /**
     * Without the solver's own search beside the branching that takes longest, without all that take long, or without
     * any.
     */
    brief?: 'slightly' | 'mostly' | 'wholly'
    /** Ends once no answer can be cheaper by more than this share. */
    gap?: number
    /** Ends once no answer can be cheaper by more than this. */
    near?: number
    /** Whole columns that are known to fit the rows, to start from. */
    start?: number[]
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
  constants: { variableType: { integer: number }, modelStatus: { optimal: number } }
  createModel: () => {
    options: { set: (values: Record<string, string | number | boolean>) => unknown }
    passModel: (model: never) => unknown
    setSolution: (solution: { colValue: number[] }) => unknown
    run: () => { modelStatus: number }
    getSolution: () => { colValue: ArrayLike<number>, rowDual: ArrayLike<number> }
    getObjectiveValue: () => number
    dispose: () => void
  }
}

/** No limit in time: what ends a search is counted, so that everybody comes to the same end. */
const SAME_EVERYWHERE = { output_flag: false, random_seed: 0 }
/** Where whole answers cost whole numbers, nearer is the same. */
const NEAR = 0.4
const SLIGHTLY = { mip_heuristic_run_feasibility_jump: false }
const MOSTLY = { mip_allow_restart: false, mip_heuristic_run_rins: false, mip_heuristic_run_rens: false }
const BRIEF = {
  slightly: SLIGHTLY,
  mostly: MOSTLY,
  wholly: { ...SLIGHTLY, ...MOSTLY, mip_heuristic_effort: 0, mip_detect_symmetry: false },
}

/** Makes the solver of a loaded library. Loading differs between browser and Node, so it is left to them. */
export const solverOf
  = (library: unknown): Solve =>
    ({ costs, rows, whole }) => {
      const { constants: { variableType, modelStatus }, createModel } = library as Library
      const model = createModel()
      try {
        model.options.set(SAME_EVERYWHERE)
        if (whole) {
          const { near = NEAR, gap = 0, nodes } = whole
          model.options.set({ mip_abs_gap: near, mip_rel_gap: gap, mip_max_nodes: nodes })
        }
        if (whole?.brief) model.options.set(BRIEF[whole.brief])
        const starts = [0]
        for (const { of } of rows) starts.push((starts.at(-1) ?? 0) + of.length)
        const programme = {
          numCols: costs.length,
          numRows: rows.length,
          colCost: costs,
          colLower: costs.map(() => 0),
          colUpper: costs.map(() => Infinity),
          rowLower: rows.map(({ least = -Infinity }) => least),
          rowUpper: rows.map(({ most = Infinity }) => most),
          matrix: {
            format: 'csr',
            numRows: rows.length,
            numCols: costs.length,
            starts,
            indices: rows.flatMap(({ of }) => of.map(([column]) => column)),
            values: rows.flatMap(({ of }) => of.map(([, factor]) => factor)),
          },
          ...(whole && { integrality: costs.map(() => variableType.integer) }),
        }
        model.passModel(programme as never)
        if (whole?.start) model.setSolution({ colValue: whole.start })
        const optimal = model.run().modelStatus === modelStatus.optimal
        if (!optimal && !whole) return undefined
        const { colValue, rowDual } = model.getSolution()
        // Whole numbers come back a hair off.
        const exact = (value: number) =>
          (whole && Math.abs(value - Math.round(value)) < 1e-4 ? Math.round(value) : value)
        const columns = Array.from(colValue, exact)
        // At its limits with nothing found it gives figures that do not fit their rows.
        const holds
          = columns.length === costs.length
            && columns.every(value => Number.isFinite(value) && (!whole || Number.isInteger(value)))
            && rows.every(({ least = -Infinity, most = Infinity, of }) => {
              const value = of.reduce((sum, [column, factor]) => sum + factor * (columns[column] ?? Number.NaN), 0)
              return value >= least - 1e-5 && value <= most + 1e-5
            })
        return holds ? { optimal, cost: model.getObjectiveValue(), columns, duals: Array.from(rowDual) } : undefined
      }
      finally {
        model.dispose()
      }
    }
