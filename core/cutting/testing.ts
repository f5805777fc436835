import type { Turn } from '../document'
import { inches } from '../lengths'
import fc from 'fast-check'
import type { CutNode, Cutter, Demand, CuttingProblem, Supply } from './plan'

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

/** A node that is cut, and one that is a piece or waste; inches. */
export const cut = (side: 'width' | 'height', width: number, height: number, parts: CutNode[]): CutNode => ({
  kind: 'cut',
  side,
  width: inches(width),
  height: inches(height),
  parts,
})
export const leaf = (width: number, height: number, demand?: string): CutNode => ({
  width: inches(width),
  height: inches(height),
  ...(demand ? { kind: 'piece', demand, turned: false } : { kind: 'waste' }),
})

/** Some sizes in sixteenths of an inch, each so often at most, as demands of their own. */
export const anySizes = (least: number, most: number, sizes: number, often: number): fc.Arbitrary<Demand[]> => {
  const side = fc.integer({ min: least, max: most }).map(sixteenths => sixteenths / 16)
  const size = fc.record({ width: side, height: side, quantity: fc.integer({ min: 1, max: often }) })
  return fc.array(size, { minLength: 1, maxLength: sizes }).map(all => all.map(({ width, height, quantity }, at) => ({
    ...piece(width, height, quantity), key: `p${at}`, name: `p${at}`,
  })))
}
/** Inches that the blade takes away, and that come off the edges of a fresh sheet. */
export const anyKerf = fc.constantFrom(0, 1 / 16, 0.05)
export const anySquaring = fc.constantFrom(0, 0.125)
