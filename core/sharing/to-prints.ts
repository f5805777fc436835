import type { Entry, Handle, Layout, Solve } from '../cutting'
import { ProgrammeBuilder, lessKerf } from '../cutting'
import { itemAt, sumOf } from '../lists'
import type { PrintClass, RoleType } from './classes'
import { fairShares } from './deal'
import type { Print, SharingProblem } from './model'
import { A_MISSING_PIECE, SHEET, weightOfBuying } from './model'

/*
 * From classes of prints to the prints themselves: which sheets are of which print, and how many roles of each type are
 * of which.
 */

/** How the sheets of all classes are cut. */
export interface ClassCut {
  classes: PrintClass[]
  types: RoleType[]
  /** By class and pattern how many sheets are cut so. */
  amounts: number[][]
  /** By type and its classes how many roles are of one of its prints. */
  roles: number[][]
}

/** How the sheets of all prints are cut. */
export interface PrintCut {
  /** Pieces to share out, by `print demand`. */
  pieces: Map<string, number>
  /** For each type, by its key, how many roles are of which print. */
  dealt: Map<string, Map<string, number>>
  /** Fresh sheets. */
  sheets: number
  /** How they are cut, by print. */
  layouts: Map<string, Layout[]>
}

/**
 * Branches that the search for an even use of prints may take, and how near to the best use is good enough, as a share
 * of what the sheets weigh.
 */
const EVENLY = { nodes: 400, near: 0.001, brief: 'mostly' as const }

/**
 * Sheets given to prints in turn: those on hand first, each print about as often as the others. Then what is cut from
 * each print is dealt out to the types of roles.
 */
export function inTurn({ classes, types, amounts, roles }: ClassCut): PrintCut {
  const { cut: all, add } = counting(classes)
  classes.forEach(({ prints, patterns, stocks }, at) => {
    const left = stocks.map(of => of.map(({ onHand }) => onHand))
    const used = prints.map(() => 0)
    const order = patterns.columns.map((_, pattern) => pattern).sort(
      (a, b) =>
        sumOf(itemAt(patterns.columns, b).counts.values()) - sumOf(itemAt(patterns.columns, a).counts.values())
        || a - b,
    )
    for (const pattern of order) {
      const { supply, counts } = itemAt(patterns.columns, pattern)
      for (let sheet = itemAt(itemAt(amounts, at), pattern); sheet > 0; sheet--) {
        const own = itemAt(left, supply)
        // What lies there goes first; beyond that, the print of which fewest pieces are cut.
        const rank = (print: number) => (itemAt(own, print) > 0 ? 0 : 1_000_000) + itemAt(used, print)
        let best = 0
        for (let print = 1; print < prints.length; print++) if (rank(print) < rank(best)) best = print
        own[best] = itemAt(own, best) - 1
        used[best] = itemAt(used, best) + sumOf(counts.values())
        add(at, pattern, best, 1)
      }
    }
  })
  const { pieces, sheets, layouts } = all()
  const left = new Map(pieces)
  const dealt = new Map(types.map(({ key }) => [key, new Map<string, number>()]))
  types.forEach(({ key, classes: of, takes }, type) => of.forEach((at, option) => {
    const own = dealt.get(key)
    const { prints } = itemAt(classes, at)
    const need = [...itemAt(takes, option)]
    for (let role = itemAt(itemAt(roles, type), option); role > 0; role--) {
      // The print of which most roles could still be served.
      const serves = ({ key: print }: Print) =>
        Math.min(...need.map(([demand, count]) => Math.floor((left.get(`${print} ${demand}`) ?? 0) / count)))
      const best = prints.reduce((most, print) => (serves(print) > serves(most) ? print : most))
      if (serves(best) <= 0) break
      for (const [demand, count] of need)
        left.set(`${best.key} ${demand}`, (left.get(`${best.key} ${demand}`) ?? 0) - count)
      own?.set(best.key, (own.get(best.key) ?? 0) + 1)
    }
  }))
  return { pieces, dealt, sheets, layouts }
}

/**
 * Sheets given to prints so that each pool is used evenly, by a programme over the patterns that are cut anyway: it
 * says of which print a sheet is, and may cut one pattern more often and another less.
 * @param most fresh sheets
 * @returns nothing where none is found
 */
export function givenEvenly(
  { kinds, rules }: SharingProblem,
  known: ClassCut,
  most: number,
  solve: Solve): PrintCut | undefined {
  const { classes, types } = known
  const making = columnsFor(known, most)
  const { programme, cut, taken } = making
  classes.forEach((_, at) => addRowsOf(making, known, at, rules))
  const weight = rules.evenly.hold === 'wish' ? rules.evenly.weight : 1
  for (const { pool, print, least, most } of fairShares(kinds)) {
    const uses = types.flatMap(({ pool: own, classes: of }, type) => of.flatMap((at, option): Entry[] =>
      itemAt(classes, at).prints.flatMap(({ key }, index): Entry[] =>
        (own === pool && key === print ? [[takenAt(taken, type, option, index), 1]] : []))))
    programme.row({ most, of: [...uses, [programme.column(weight), -1]] })
    programme.row({ least, of: [...uses, [programme.column(weight), 1]] })
  }
  const solved = solve({ ...programme.programme, whole: { ...EVENLY, near: EVENLY.near * most * SHEET } })
  if (!solved) return undefined
  const amount = (at: Handle) => Math.round(itemAt(solved.columns, at))
  const { cut: all, add } = counting(classes)
  cut.forEach((patterns, at) =>
    patterns.forEach((of, pattern) => of.forEach((one, print) => add(at, pattern, print, amount(one)))),
  )
  const dealt = new Map(types.map(({ key, classes: of }, type) => [key, new Map(of.flatMap((at, option) =>
    itemAt(classes, at).prints.map(({ key: print }, index) =>
      [print, amount(takenAt(taken, type, option, index))] as const)))]))
  return { ...all(), dealt }
}

/** A programme that says of which print each sheet is. */
interface Making {
  programme: ProgrammeBuilder
  /** Sheets by class, pattern and print; nothing where a pattern is not cut. */
  cut: Handle[][][]
  /** Roles by type, class and print. */
  taken: Handle[][][]
}

const takenAt = (taken: Making['taken'], type: number, option: number, print: number): Handle =>
  itemAt(itemAt(itemAt(taken, type), option), print)

/** Its columns, with no more fresh sheets than there may be, and every role of some print. */
function columnsFor({ classes, types, amounts, roles }: ClassCut, most: number): Making {
  const programme = new ProgrammeBuilder()
  const fresh: Entry[] = []
  const cut = classes.map(({ prints, patterns }, at) => patterns.columns.map((pattern, index) => {
    if (itemAt(itemAt(amounts, at), index) === 0) return []
    const of = prints.map(() => programme.column(0))
    if (patterns.isFresh(pattern)) fresh.push(...of.map((one): Entry => [one, 1]))
    return of
  }))
  programme.row({ most, of: fresh })
  const taken = types.map(({ classes: of }) => of.map(at => itemAt(classes, at).prints.map(() => programme.column(0))))
  types.forEach((_, type) => {
    const count = sumOf(itemAt(roles, type))
    programme.row({ least: count, most: count, of: itemAt(taken, type).flat().map((at): Entry => [at, 1]) })
  })
  return { programme, cut, taken }
}

/** What roles take of each print of a class is cut from it, and no more sheets than there are or are bought. */
function addRowsOf(
  { programme, cut, taken }: Making, { classes, types }: ClassCut, at: number, rules: SharingProblem['rules'],
): void {
  const { prints, patterns, stocks, demands, wanted } = itemAt(classes, at)
  prints.forEach((_, print) => {
    const sheetsOf = (of: Entry[]) =>
      of.flatMap(([pattern, count]): Entry[] =>
        itemAt(itemAt(cut, at), pattern)
          .slice(print, print + 1)
          .map(one => [one, count]),
      )
    patterns.demandRows().forEach(({ of }, index) => {
      const { key } = itemAt(demands, index)
      const goes = types.flatMap(({ classes: own, takes }, type) => own.flatMap((other, option): Entry[] => {
        const count = other === at ? itemAt(takes, option).get(key) : undefined
        return count === undefined ? [] : [[takenAt(taken, type, option, print), -count]]
      }))
      const least = itemAt(wanted, index)
      // What is wanted by name and cannot be cut is said where its paper is planned.
      const lacks: Entry[] = least > 0 ? [[programme.column(A_MISSING_PIECE), 1]] : []
      programme.row({ least, of: [...sheetsOf(of), ...goes, ...lacks] })
    })
    stocks.forEach((of, supply) => {
      const { onHand, price } = itemAt(of, print)
      const bought: Entry[] = price === null ? [] : [[programme.column(weightOfBuying(rules, price)), -1]]
      programme.row({ most: onHand, of: [...sheetsOf(patterns.from(supply)), ...bought] })
    })
  })
}

/**
 * Counts sheets as they are given to prints, and what is cut from each less what is wanted of it whatever is shared
 * how.
 */
function counting(classes: PrintClass[]) {
  const pieces = new Map<string, number>()
  const layouts = new Map<string, Layout[]>()
  let sheets = 0
  const more = (key: string, count: number) => pieces.set(key, (pieces.get(key) ?? 0) + count)
  for (const { prints, wanted, demands } of classes)
    if (prints.length === 1)
      wanted.forEach((count, at) => more(`${itemAt(prints, 0).key} ${itemAt(demands, at).key}`, -count))
  const add = (at: number, pattern: number, print: number, repeats: number): void => {
    if (repeats <= 0) return
    const { prints, patterns, stocks } = itemAt(classes, at)
    const { key, problem } = itemAt(prints, print)
    const column = itemAt(patterns.columns, pattern)
    if (patterns.isFresh(column)) sheets += repeats
    for (const [demand, count] of column.counts) more(`${key} ${demand}`, count * repeats)
    layouts.set(key, [...layouts.get(key) ?? [],
      ...lessKerf([{ supply: itemAt(itemAt(stocks, column.supply), print).key, repeats, root: column.root }], problem)])
  }
  return { add, cut: () => ({ pieces, sheets, layouts }) }
}
