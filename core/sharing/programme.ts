import type { Entry, Handle, Layout, Programme } from '../cutting'
import { ProgrammeBuilder, lessKerf } from '../cutting'
import { itemAt } from '../lists'
import type { KitColumn } from './columns'
import { KitColumns } from './columns'
import { likeness } from './combinations'
import { fairShares } from './deal'
import type { Print, SharingProblem } from './model'
import { A_MISSING_PIECE, SHEET, weightOfBuying } from './model'
import type { Sheets } from './sheets'
import { mostTaken, sheetsOf } from './sheets'

/** What a kit weighs that is not made, beside a sheet: more than any sharing. */
const A_MISSING_KIT = 100_000

/** A programme on its way: its columns of kits, and of the patterns of every print. */
interface Making {
  programme: ProgrammeBuilder
  taken: Handle[]
  amounts: Handle[][]
}

/** The sheets of one print. */
interface PrintSheets extends Sheets {
  print: Print
}

/**
 * One integer programme for cutting and sharing: cutting patterns of every print beside combinations of prints for
 * kits. What kits take of a print must be cut from it.
 */
export class SharingProgramme {
  readonly prints: PrintSheets[]
  readonly kits: KitColumns

  constructor(readonly problem: SharingProblem) {
    const most = mostTaken(problem.kinds)
    this.prints = problem.prints.map(print => ({ print, ...sheetsOf(print.key, print.problem, most) }))
    this.kits = new KitColumns(problem.kinds, problem.rules)
  }

  /** Whether every pattern and every combination is there, so that nothing has to be priced. */
  get isWhole(): boolean {
    return this.kits.isWhole && this.prints.every(({ whole }) => whole)
  }

  /** Columns of patterns and kits. */
  get columns(): number {
    return this.kits.columns.length + this.prints.reduce((sum, { patterns }) => sum + patterns.columns.length, 0)
  }

  /**
   * The programme over what is known.
   * @param sheets fresh sheets that it takes at least
   * @param buying whether it counts what is bought; a bound has none of it
   * @param wishes whether wishes count, or only what must be kept
   * @param isMost as many sets of one kit of each card as what is on hand gives, instead of fewest sheets for the kits
   *   wanted
   */
  build({ sheets = 0, wishes = true, buying = false, isMost = false }: Asked): Built {
    const programme = new ProgrammeBuilder()
    const taken = this.kits.columns.map(({ cost }) => programme.column(wishes ? cost : 0))
    const fresh: Handle[] = []
    const amounts = this.prints.map(({ patterns }) => patterns.columns.map((pattern) => {
      const isSheet = patterns.isFresh(pattern)
      const at = programme.column(isSheet && !isMost ? SHEET : 0)
      if (isSheet) fresh.push(at)
      return at
    }))
    const made: Making = { programme, taken, amounts }
    const { demandRows, short } = this.addPieces(made)
    const drawers = this.addSupplies(made, { buying, isMost })
    const { missing, sets } = isMost ? this.addSets(made) : this.addKits(made)
    if (wishes || this.problem.rules.different.hold === 'must') this.addDifferent(made, isMost)
    if (!isMost && (wishes || this.problem.rules.evenly.hold === 'must')) this.addEvenly(made)
    if (sheets > 0) programme.row({ least: sheets, of: fresh.map((at): Entry => [at, 1]) })
    return { programme: programme.programme, taken, amounts, fresh, demandRows, drawers, missing, short, sets }
  }

  /** What kits take of a print is cut from it, or missing. */
  private addPieces({ programme, taken, amounts }: Making): Pick<Built, 'demandRows' | 'short'> {
    const short: Handle[] = []
    const demandRows = this.prints.map(({ print, patterns, demands, wanted }, at) => demands.map(({ key }, index) => {
      const of: Entry[] = itemAt(patterns.demandRows(), index).of.map(([pattern, count]) => [
        itemAt(itemAt(amounts, at), pattern), count,
      ])
      this.kits.columns.forEach(({ takes }, kit) => {
        const count = takes.get(`${print.key} ${key}`)
        if (count !== undefined) of.push([itemAt(taken, kit), -count])
      })
      const least = itemAt(wanted, index)
      if (least > 0) {
        const lacks = programme.column(A_MISSING_PIECE)
        short.push(lacks)
        of.push([lacks, 1])
      }
      return programme.row({ least, of })
    }))
    return { demandRows, short }
  }

  /** No more sheets than are on hand or bought. */
  private addSupplies({ programme, amounts }: Making, { buying, isMost }: Required<Pick<Asked, 'buying' | 'isMost'>>) {
    return this.prints.map(({ patterns }, at) => patterns.supplies.map(({ onHand, price }, supply) => {
      const of: Entry[] = patterns.from(supply).map(([pattern, one]) => [itemAt(itemAt(amounts, at), pattern), one])
      const weight = () => buying && price !== null ? weightOfBuying(this.problem.rules, price) : 0
      if (price !== null && !isMost) of.push([programme.column(weight()), -1])
      return programme.row({ most: onHand, of })
    }))
  }

  private ofKind({ taken }: Making, kind: number): Entry[] {
    return this.kits.columns.flatMap((kit, at): Entry[] => (kit.kind === kind ? [[itemAt(taken, at), 1]] : []))
  }

  /** As many kits of each kind as are wanted, or they are missing. */
  private addKits(made: Making): Pick<Built, 'missing' | 'sets'> {
    const missing = this.problem.kinds.map(({ kits }, kind) => {
      const at = made.programme.column(A_MISSING_KIT)
      made.programme.row({ least: kits, most: kits, of: [...this.ofKind(made, kind), [at, 1]] })
      return at
    })
    return { missing, sets: undefined }
  }

  /** As many sets of one kit of each card as there can be. */
  private addSets(made: Making): Pick<Built, 'missing' | 'sets'> {
    const { kinds } = this.problem
    const sets = made.programme.column(-1)
    for (const card of new Set(kinds.map(({ card }) => card))) {
      const kits = kinds.flatMap(({ card: of }, kind) => (of === card ? this.ofKind(made, kind) : []))
      made.programme.row({ least: 0, of: [...kits, [sets, -1]] })
    }
    return { missing: [], sets }
  }

  /** No two kits alike, or each that is costs its weight. */
  private addDifferent({ programme, taken }: Making, isMost: boolean): void {
    const { kinds, rules: { different } } = this.problem
    if (different.hold === 'free') return
    for (const { columns, kits: most } of this.alikes()) {
      const wanted = columns.reduce((sum, at) => sum + itemAt(kinds, itemAt(this.kits.columns, at).kind).kits, 0)
      if (!isMost && most >= wanted) continue
      const of = columns.map((at): Entry => [itemAt(taken, at), 1])
      if (different.hold === 'wish') of.push([programme.column(different.weight), -1])
      programme.row({ most, of })
    }
  }

  /** Each print of a pool as often as the others, or what it is used more or less often costs its weight. */
  private addEvenly({ programme, taken }: Making): void {
    const { kinds, rules: { evenly } } = this.problem
    if (evenly.hold === 'free') return
    const slack = (factor: number): Entry[] =>
      evenly.hold === 'wish' ? [[programme.column(evenly.weight), factor]] : []
    for (const { pool, print, least, most } of fairShares(kinds)) {
      const key = `${pool} ${print}`
      const uses = this.kits.columns.flatMap(({ uses }, at): Entry[] => {
        const count = uses.get(key)
        return count === undefined ? [] : [[itemAt(taken, at), count]]
      })
      programme.row({ most, of: [...uses, ...slack(-1)] })
      programme.row({ least, of: [...uses, ...slack(1)] })
    }
  }

  /**
   * Columns whose kits may be alike, with how many different ones they come to: what is given by hand is also in a
   * column of others.
   */
  private alikes(): { columns: number[], kits: number }[] {
    const { problem: { kinds }, kits } = this
    const groups: { columns: number[], kits: number }[] = []
    const home = new Map<string, number>()
    const order = kits.columns.map((_, at) => at).sort(
      (a, b) => itemAt(kits.columns, b).members.length - itemAt(kits.columns, a).members.length)
    for (const at of order) {
      const { kind, members } = itemAt(kits.columns, at)
      const of = itemAt(kinds, kind)
      const names = members.map(member => `${of.alike}: ${likeness(of, member)}`)
      const known = home.get(itemAt(names, 0))
      if (known !== undefined && names.every(name => home.get(name) === known)) {
        groups[known]?.columns.push(at)
        continue
      }
      for (const name of names) if (!home.has(name)) home.set(name, groups.length)
      groups.push({ columns: [at], kits: members.length })
    }
    return groups
  }

  /** How a solution cuts the sheets of each print. */
  layoutsIn({ amounts }: Built, columns: number[]): Map<string, Layout[]> {
    return new Map(this.prints.map(({ print: { key, problem }, patterns }, at) =>
      [key, lessKerf(patterns.layoutsOf(itemAt(amounts, at).map(column => itemAt(columns, column))), problem)]))
  }

  /**
   * Takes kits as a solution has them: of each column as many different members as there are, and then again from the
   * first.
   */
  kitsIn({ taken }: Built, columns: number[]): KitColumn['members'][] {
    const kits: KitColumn['members'][] = this.problem.kinds.map(() => [])
    const used = new Map<string, number>()
    this.kits.columns.forEach(({ kind, members }, at) => {
      const count = Math.round(columns[itemAt(taken, at)] ?? 0)
      for (let one = 0; one < count; one++) {
        // Kinds of one card may share combinations: those used least go first.
        const of = itemAt(this.problem.kinds, kind)
        const nameOf = (member: number) => `${of.alike}: ${likeness(of, itemAt(members, member))}`
        let best = 0
        for (let member = 1; member < members.length; member++)
          if ((used.get(nameOf(member)) ?? 0) < (used.get(nameOf(best)) ?? 0)) best = member
        used.set(nameOf(best), (used.get(nameOf(best)) ?? 0) + 1)
        itemAt(kits, kind).push(itemAt(members, best))
      }
    })
    return kits
  }
}

interface Asked {
  sheets?: number
  wishes?: boolean
  buying?: boolean
  isMost?: boolean
}

/** A programme with the places of its columns and rows. */
export interface Built {
  programme: Programme
  taken: number[]
  /** By print and pattern. */
  amounts: number[][]
  fresh: number[]
  /** By print and demand. */
  demandRows: number[][]
  /** By print and supply. */
  drawers: number[][]
  missing: number[]
  /** Pieces wanted by name that cannot be cut. */
  short: number[]
  sets?: number
}
