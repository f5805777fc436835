import type { Turn } from '../document'
import { inches } from '../lengths'
import type { Cutter, Demand, CuttingProblem, Supply } from './plan'

/** Problems for tests, in whole inches unless said otherwise. */
export const cutter: Cutter = {
  length: inches(12),
  mark: inches(1 / 16),
  smallestPiece: inches(1 / 2),
  stack: 4,
  squaring: inches(0),
  kerf: inches(0),
  offcut: { short: inches(2), long: inches(4) },
}

export const piece = (width: number, height: number, quantity: number, turn: Turn = 'either'): Demand => ({
  key: `${width}x${height}${turn}`, name: `${width} × ${height}`, width: inches(width), height: inches(height),
  quantity, turn,
})

export const sheet = (width: number, height: number, onHand = 0, price: number | null = 50): Supply =>
  ({ key: `${width}x${height}`, kind: 'sheet', width: inches(width), height: inches(height), onHand, price })

export const problem = (demands: Demand[], supplies: Supply[], changes: Partial<Cutter> = {}): CuttingProblem =>
  ({ demands, supplies, cutter: { ...cutter, ...changes }, objective: 'money' })

export const offcut = (width: number, height: number, onHand = 1): Supply =>
  ({ ...sheet(width, height, onHand, null), key: `offcut ${width}x${height}`, kind: 'offcut' })
