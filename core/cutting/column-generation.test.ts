import highs from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { addWorthwhile, rounds, worthsBy } from './column-generation'
import { Patterns } from './patterns'
import type { Demand, CuttingProblem } from './plan'
import { isFresh } from './plan'
import { ProgrammeBuilder, eachOnce } from './programme'
import type { Solve } from './solver'
import { solverOf } from './solver'
import { inches } from '../lengths'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const zero = inches(0)
const demand = (key: string, width: number, height: number, quantity: number): Demand =>
  ({ key, name: key, width: inches(width), height: inches(height), quantity, turn: 'either' })
const DEMANDS = [demand('card', 4, 5, 7), demand('mat', 3, 4, 5)]
const PROBLEM: CuttingProblem = {
  demands: DEMANDS,
  supplies: [{ key: 'sheet', kind: 'sheet', width: inches(8), height: inches(10), onHand: 40, price: null }],
  cutter: { length: inches(12), mark: inches(1 / 16), smallestPiece: inches(0.5), stack: 1, squaring: zero, kerf: zero,
    offcut: { short: inches(2), long: inches(4) } },
  objective: 'sheets',
}

describe('a programme that is put together', () => {
  it('is read by the handles of its columns and rows', () => {
    const programme = new ProgrammeBuilder()
    const [dear, cheap] = [programme.column(5), programme.column(2)]
    const both = programme.row({ least: 4, of: eachOnce([dear, cheap]) })
    const few = programme.row({ most: 3, of: [[cheap, 1]] })
    const { columns, duals, cost } = solve(programme.programme)!
    expect([columns[dear], columns[cheap], cost]).toEqual([1, 3, 11])
    // One more of both costs a dear one; one more cheap one saves what it is cheaper.
    expect([duals[both], duals[few]]).toEqual([5, -3])
  })
})

describe('column generation', () => {
  it('adds patterns until none is worth more than its sheet, which proves the relaxation', () => {
    const patterns = new Patterns(PROBLEM, DEMANDS)
    const whole = new Patterns(PROBLEM, DEMANDS)
    expect(whole.addAll()).toBe(true)
    const sheets = (of: Patterns) => {
      const programme = new ProgrammeBuilder()
      for (const column of of.columns) programme.column(of.isFresh(column) ? 1 : 0)
      const missing = DEMANDS.map(() => programme.column(100))
      const pieces = of.demandRows(undefined, missing).map(row => programme.row(row))
      return { programme: programme.programme, pieces }
    }
    const seen: number[] = []
    for (const { built, relaxed: { dual, columns } } of rounds(50, solve, () => sheets(patterns))) {
      seen.push(columns.reduce((sum, amount, at) => sum + amount * (at < patterns.columns.length ? 1 : 100), 0))
      const worths = worthsBy(DEMANDS, at => dual(built.pieces[at]))
      const { found, tops } = addWorthwhile(patterns, {
        worths, drawer: () => 0, cost: supply => (isFresh(supply) ? 1 : 0), least: 1e-7,
      })
      if (found) continue
      expect(tops[0]).toBeLessThanOrEqual(1 + 1e-6)
      break
    }
    // Never worse from round to round, and in the end as good as with every pattern there is.
    expect(seen.every((value, at) => at === 0 || value <= seen[at - 1]! + 1e-9)).toBe(true)
    expect(seen.at(-1)).toBeCloseTo(solve(sheets(whole).programme)!.cost, 6)
    expect(seen[0]).toBeGreaterThan(seen.at(-1)!)
  })

  it('ends where a programme has no solution, and after as many rounds as are allowed', () => {
    const impossible = () => {
      const programme = new ProgrammeBuilder()
      const column = programme.column(1)
      programme.row({ least: 2, most: 1, of: [[column, 1]] })
      return { programme: programme.programme }
    }
    expect([...rounds(5, solve, impossible)]).toEqual([])
    const simple = () => ({ programme: { costs: [1], rows: [{ least: 1, of: [[0, 1]] as [number, number][] }] } })
    expect([...rounds(3, solve, simple)].map(({ round, relaxed: { amount } }) => [round, amount(0)])).toEqual([
      [0, 1], [1, 1], [2, 1],
    ])
  })
})
