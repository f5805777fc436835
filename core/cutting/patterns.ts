import { itemAt } from '../lists'
import { Guillotine } from './guillotine'
import type { BestCut } from './guillotine'
import type { CutNode, Demand, Layout, CuttingProblem, Supply } from './plan'
import { area, countsOf, isFresh } from './plan'
import { restIn } from './rests'
import type { Handle, Row } from './programme'
import { isCuttable, squared, withMargins } from './squaring'

/** One way to cut one supply, as a column of a programme. */
export interface Column {
  supply: number
  counts: ReadonlyMap<string, number>
  root: CutNode
}

/** Sizes, and steps of merging on one supply, up to which all patterns are listed. */
const ALL = { sizes: 5, steps: 3_000_000 }

/** Patterns taken from one pricing. */
const MANY = 16

/** The ways to cut each supply of a problem that are known so far, as columns for programmes. */
export class Patterns {
  /** Supplies that can be had and cut at all. */
  readonly supplies: Supply[]
  readonly columns: Column[] = []
  private readonly known = new Map<string, number>()
  private readonly pricing: Guillotine[]

  constructor(
    readonly problem: CuttingProblem,
    readonly demands: Demand[],
  ) {
    const { cutter } = problem
    this.supplies = problem.supplies.filter(
      supply => (supply.price !== null || supply.onHand > 0) && isCuttable(supply, cutter),
    )
    this.pricing = this.supplies.map(supply => new Guillotine(squared(supply, cutter), cutter, demands))
  }

  /** Rectangles that are looked at to price the patterns of a supply. */
  steps(supply: number): number {
    return this.pricing[supply]?.steps ?? 0
  }

  /** What no pattern of a supply is worth more than, where the best one found is worth `top`. */
  atMost(supply: number, worth: ReadonlyMap<string, number>, top: number): number {
    return itemAt(this.pricing, supply).atMost(worth, top)
  }

  /** The pattern worth most on a supply. */
  best(supply: number, worth: ReadonlyMap<string, number>): BestCut | undefined {
    return itemAt(this.pricing, supply).best(worth)
  }

  /** The pattern worth most on a supply, and others of those worth most after another first cut. */
  bests(supply: number, worth: ReadonlyMap<string, number>): BestCut[] {
    return itemAt(this.pricing, supply).bests(worth, MANY)
  }

  /**
   * Adds every pattern that is worth a thought, where the sizes are few enough.
   * @returns whether all are there now
   */
  addAll(): boolean {
    if (this.demands.length > ALL.sizes) return false
    return this.supplies.every((_, index) => {
      const all = itemAt(this.pricing, index).all(this.demands, ALL.steps)
      for (const root of all ?? []) this.addInside(index, root)
      return all !== undefined
    })
  }

  /**
   * Adds a pattern of what lies inside the squaring cuts; answers whether it gives other pieces than all known ones.
   */
  addInside(supply: number, root: CutNode): boolean {
    return this.add(supply, withMargins(itemAt(this.supplies, supply), this.problem.cutter, root))
  }

  /**
   * Adds a pattern of a whole supply. Of two that give the same pieces, the one that wants fewer fence settings is
   * kept, or leaves more in one rectangle with as many.
   */
  add(supply: number, root: CutNode): boolean {
    if (supply < 0) return false
    const counts = countsOf(root)
    const key = keyFor(supply, counts)
    const known = this.known.get(key)
    if (known !== undefined) {
      const column = itemAt(this.columns, known)
      const [fences, before] = [fencesOf(root).size, fencesOf(column.root).size]
      if (fences < before || (fences === before && restIn(root) > restIn(column.root) + 1e-9)) column.root = root
      return false
    }
    this.known.set(key, this.columns.length)
    this.columns.push({ supply, counts, root })
    return true
  }

  /** Adds a pattern of a whole supply; answers the column that gives such pieces. */
  added(supply: number, root: CutNode): Column | undefined {
    this.add(supply, root)
    const at = this.known.get(keyFor(supply, countsOf(root)))
    return at === undefined ? undefined : this.columns[at]
  }

  addLayouts(layouts: Layout[]): void {
    for (const { supply, root } of layouts)
      this.add(
        this.supplies.findIndex(({ key }) => key === supply),
        root,
      )
  }

  /**
   * One row for each demand: at least as many pieces as wanted.
   * @param missing columns that count what is missing of each demand, where something may be
   */
  demandRows(columns = this.columns, missing: readonly Handle[] = []): Row[] {
    return this.demands.map(({ key, quantity }, demand) => ({
      least: quantity,
      of: [...columns.flatMap(({ counts }, index): [number, number][] => {
        const count = counts.get(key)
        return count === undefined ? [] : [[index, count]]
      }), ...missing.slice(demand, demand + 1).map((lacks): [number, number] => [lacks, 1])],
    }))
  }

  /**
   * One row for each supply: no more of it than there is and is bought; none is bought where it has no price.
   * @param bought columns that count what is bought of each supply
   */
  drawerRows(bought: readonly Handle[], columns = this.columns): Row[] {
    return this.supplies.map(({ onHand, price }, supply) => ({
      most: onHand,
      of: [...this.from(supply, columns), [itemAt(bought, supply), price === null ? 0 : -1] as [number, number]],
    }))
  }

  /** The columns of one supply, each counted once. */
  from(supply: number, columns = this.columns): Row['of'] {
    return columns.flatMap((column, index): Row['of'] => (column.supply === supply ? [[index, 1]] : []))
  }

  /** The columns of fresh sheets, each counted once. */
  fresh(columns = this.columns): Row['of'] {
    return columns.flatMap((column, index): Row['of'] => (this.isFresh(column) ? [[index, 1]] : []))
  }

  /** Spends no more than some cents. */
  budgetRow(bought: readonly Handle[], cents: number): Row {
    return {
      most: cents, of: this.supplies.map(({ price }, index): [number, number] => [itemAt(bought, index), price ?? 0]),
    }
  }

  isFresh({ supply }: Column): boolean {
    return isFresh(itemAt(this.supplies, supply))
  }

  /** Share of a supply that a column makes use of for what is wanted. */
  fullness({ counts, supply }: Column): number {
    return piecesIn({ counts }, this.demands) / area(itemAt(this.supplies, supply))
  }

  /** Layouts from how often each column is taken. */
  layoutsOf(amounts: number[], columns = this.columns): Layout[] {
    return columns.flatMap(({ supply, root }, index) => {
      const repeats = Math.round(amounts[index] ?? 0)
      return repeats > 0 ? [{ supply: itemAt(this.supplies, supply).key, repeats, root }] : []
    })
  }
}

/** Area of what a column gives of what is wanted. */
export const piecesIn = ({ counts }: Pick<Column, 'counts'>, demands: Demand[]): number =>
  demands.reduce((sum, demand) => sum + area(demand) * Math.min(demand.quantity, counts.get(demand.key) ?? 0), 0)

/** Patterns of one supply that give the same pieces are one column. */
const keyFor = (supply: number, counts: ReadonlyMap<string, number>): string =>
  `${supply} ${[...counts].sort().join(' ')}`

const fences = new WeakMap<CutNode, ReadonlySet<number>>()

/** The fence settings that a cut tree wants: the sizes that come off, leftovers aside. */
export function fencesOf(node: CutNode): ReadonlySet<number> {
  if (node.kind !== 'cut') return NO_FENCES
  const known = fences.get(node)
  if (known) return known
  const found = new Set<number>()
  const parts = node.parts.filter(part => part.kind === 'piece' || part.kind === 'cut')
  // With nothing left over the last part needs no cut of its own.
  const own = parts.length === node.parts.length ? parts.slice(0, -1) : parts
  for (const part of own) found.add(part[node.side])
  for (const part of parts) for (const fence of fencesOf(part)) found.add(fence)
  fences.set(node, found)
  return found
}
const NO_FENCES: ReadonlySet<number> = new Set()
