import type { CutNode, Cutter, Demand, Layout, Supply, SupplyKind } from '../cutting'
import { isOffcut, verifyPlan } from '../cutting'
import type { Length, Units } from '../lengths'
import { writeLength, lengthFrom } from '../lengths'
import type { LayoutEntry, PieceRef, TreeEntry } from './document'

/** The key of a demand: pieces of one size that may lie the same way are cut as one. */
export const demandKey = ({ width, height, turn }: Pick<Demand, 'width' | 'height' | 'turn'>): string => `${width}x${height} ${turn}`

/** The key of a supply within its paper. */
export const supplyKey = (kind: SupplyKind, { width, height }: { width: Length, height: Length }): string =>
  kind === 'sheet' ? `${width}x${height}` : `${kind} ${width}x${height}`

export const pieceRef = ({ width, height, turn }: Pick<Demand, 'width' | 'height' | 'turn'>, units: Units): PieceRef =>
  ({ width: writeLength(width, units), height: writeLength(height, units), turn })

export const keyOfRef = ({ width, height, turn }: PieceRef): string => demandKey({ width: lengthFrom(width), height: lengthFrom(height), turn })

/** A layout as it is kept with the class. */
export function writeLayout({ supply, repeats, root }: Layout, cut: number, supplies: Supply[], demands: Demand[], units: Units): LayoutEntry {
  const { kind } = supplies.find(({ key }) => key === supply)!
  const write = (node: CutNode): TreeEntry => {
    const size = { width: writeLength(node.width, units), height: writeLength(node.height, units) }
    if (node.kind === 'cut') return { ...size, side: node.side, parts: node.parts.map(write) }
    return node.kind === 'piece' ? { ...size, piece: pieceRef(demands.find(({ key }) => key === node.demand)!, units), turned: node.turned } : size
  }
  return { from: kind, repeats, cut, shelved: false, tree: write(root) }
}

/**
 * A kept layout read again.
 * @returns what is wrong with it where it does not fit the pieces of the class any more
 */
export function readLayout(entry: LayoutEntry, demands: Demand[], cutter: Cutter): Layout | { wrong: string } {
  const read = ({ width, height, side, parts, piece, turned = false }: TreeEntry): CutNode => {
    const size = { width: lengthFrom(width), height: lengthFrom(height) }
    if (parts && side) return { kind: 'cut', side, ...size, parts: parts.map(read) }
    if (piece) return { kind: 'piece', demand: keyOfRef(piece), turned, ...size }
    return { kind: isOffcut(size, cutter) ? 'offcut' : 'waste', ...size }
  }
  const root = read(entry.tree)
  const layout: Layout = { supply: supplyKey(entry.from, root), repeats: entry.repeats, root }
  const supply: Supply = { key: layout.supply, kind: entry.from, width: root.width, height: root.height, onHand: entry.repeats, price: null }
  const stated = { layouts: [layout], unplaced: demands.map(({ key, quantity }) => ({ demand: key, quantity, reason: '' })), sheets: entry.from === 'sheet' ? entry.repeats : 0, bound: 0, spending: 0, yield: 0 }
  const [wrong] = verifyPlan(stated, { demands, supplies: [supply], cutter, objective: 'sheets' })
  return wrong ? { wrong: wrong.replace(/^layout 1: /, '') } : layout
}
