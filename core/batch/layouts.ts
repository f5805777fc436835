import type { CutNode, Cutter, Demand, Layout, CuttingProblem, Supply } from '../cutting'
import { isOffcut, verifyPlan } from '../cutting'
import type { LayoutEntry, PieceRef, SupplyKind, TreeEntry } from '../document'
import type { Length, Units } from '../lengths'
import { ZERO, writeLength, lengthFrom } from '../lengths'

/** The key of a demand: pieces of one size that may lie the same way are cut as one. */
export const demandKey = ({ width, height, turn }: Pick<Demand, 'width' | 'height' | 'turn'>): string =>
  `${width}x${height} ${turn}`

/** Drop-outs and pieces cut wrong have no row on the shelf. */
export const isLoose = (kind: SupplyKind): boolean => kind === 'drop-out' || kind === 'miscut'

/** The key of what has no row on the shelf: those of one size are one supply. */
export const looseKey = (kind: SupplyKind, { width, height }: { width: Length, height: Length }): string =>
  `${kind} ${width}x${height}`

export const pieceRef = (
  { width, height, turn }: Pick<Demand, 'width' | 'height' | 'turn'>, units: Units,
): PieceRef => ({
  width: writeLength(width, units),
  height: writeLength(height, units),
  turn,
})

export const keyOfRef = ({ width, height, turn }: PieceRef): string =>
  demandKey({ width: lengthFrom(width), height: lengthFrom(height), turn })

/**
 * A layout as it is kept with the class.
 * @param key what it is kept under
 * @throws RangeError where it is a layout of another problem
 */
export function writeLayout(
  { supply, repeats, root }: Layout,
  key: string,
  cut: number,
  { supplies, demands }: Pick<CuttingProblem, 'supplies' | 'demands'>,
  units: Units,
): LayoutEntry {
  const from = supplies.find(other => other.key === supply)
  if (!from) throw new RangeError(`The layout is cut from “${supply}”, which is not in its problem.`)
  const write = (node: CutNode): TreeEntry => {
    const size = { width: writeLength(node.width, units), height: writeLength(node.height, units) }
    if (node.kind === 'cut') return { ...size, side: node.side, parts: node.parts.map(write) }
    const demand = node.kind === 'piece' ? demands.find(({ key }) => key === node.demand) : undefined
    return node.kind === 'piece' && demand ? { ...size, piece: pieceRef(demand, units), turned: node.turned } : size
  }
  return {
    key, from: from.kind, supply: isLoose(from.kind) ? '' : from.key, repeats, cut, shelved: false, tree: write(root),
  }
}

/**
 * A kept layout read again.
 * @returns what is wrong with it where it does not fit the pieces of the class any more
 */
export function readLayout(
  entry: LayoutEntry, demands: Demand[], cutter: Cutter,
): Required<Layout> | { wrong: string } {
  const read = ({ width, height, side, parts, piece, turned = false }: TreeEntry): CutNode => {
    const size = { width: lengthFrom(width), height: lengthFrom(height) }
    if (parts && side) return { kind: 'cut', side, ...size, parts: parts.map(read) }
    if (piece) return { kind: 'piece', demand: keyOfRef(piece), turned, ...size }
    return { kind: isOffcut(size, cutter) ? 'offcut' : 'waste', ...size }
  }
  const root = read(entry.tree)
  const layout = {
    key: entry.key, supply: isLoose(entry.from) ? looseKey(entry.from, root) : entry.supply, repeats: entry.repeats,
    root,
  }
  const supply: Supply = {
    key: layout.supply,
    kind: entry.from,
    width: root.width,
    height: root.height,
    onHand: entry.repeats,
    price: null,
  }
  const unplaced = demands.map(({ key, quantity }) => ({ demand: key, quantity, reason: '' }))
  const stated = {
    layouts: [layout], unplaced, sheets: entry.from === 'sheet' ? entry.repeats : 0, bound: 0, spending: 0, yield: 0,
  }
  // What is cut already was squared as it was, or was not.
  const asCut = entry.cut > 0 ? { ...cutter, squaring: ZERO } : cutter
  const [wrong] = verifyPlan(stated, { demands, supplies: [supply], cutter: asCut, objective: 'sheets' })
  return wrong ? { wrong: wrong.replace(/^layout 1: /, '') } : layout
}
