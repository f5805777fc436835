import type { Entry, Handle, Programme, Solve } from '../cutting'
import { Patterns, ProgrammeBuilder, addWorthwhile, isFresh, plan, rounds, worthsBy } from '../cutting'
import { itemAt } from '../lists'
import type { PrintClass, RoleType } from './classes'
import { classesOf, typesOf } from './classes'
import type { SharingProblem } from './model'
import { A_CENT, A_MISSING_PIECE, SHEET } from './model'
import type { ClassCut, PrintCut } from './to-prints'
import { givenEvenly, inTurn } from './to-prints'

const MOST_ROUNDS = 60
const MOST_STEPS = 30_000_000
const NODES = 1500
/** The programme may end this near to the least cost, as a share of it. */
const CENTS_ASIDE = 0.0005
/** From so many sheets on that share is about a whole sheet: that the programme has ended proves nothing then. */
const MOST_PROVEN = 900
/** Branches of the search for a fairer mix of the same number of sheets, and how near to the fairest is good enough. */
const MIXING = { nodes: 400, gap: 0.004 }
/** So many sheets more are tried for a mix that keeps the rules which must be kept. */
const MOST_MORE = 2
/** Sizes of a print up to which the programme finds the fewest sheets by itself. */
const FEW_SIZES = 5
const WORTH_WHILE = 1e-7
/** What a role weighs that gets no print: more than all sheets. */
const A_MISSING_ROLE = 1_000_000
/** What a role weighs that gets a print which has its fair share of such roles already. */
const A_ROLE_TOO_MANY = 1

/** How all sheets are cut: so many pieces of each size of each print, and how many roles of each type are of which. */
export interface CutByClass extends PrintCut {
  /** No sharing takes fewer sheets. */
  bound: number
  /** Roles of each type that get no print. */
  missing: number
  /** Whether the programme found the fewest sheets there are. */
  isFewest: boolean
}

/**
 * How the sheets of all prints are cut for some roles, by a programme over classes of prints: first with the fewest
 * sheets and then, where there are rules, with one and two more for a mix that suits them better.
 * @returns for each number of sheets ways to cut them, one after the other
 */
export function* cutByClass(problem: SharingProblem, solve: Solve): Generator<Iterable<CutByClass>, void> {
  const classes = classesOf(problem)
  const types = typesOf(problem, classes)
  const known = boundByClass(classes, types, solve)
  if (!known) return
  const { bound, isShort } = known
  const asked = { sheets: bound, cents: A_CENT }
  // Of many sizes the planner alone may show at once that the bound is reached.
  const pooled = !isShort && bound > 0 && classes.some(({ demands }) => demands.length > FEW_SIZES)
    ? asOfOnePrint(classes, types, bound, solve)
    : undefined
  const search = { problem, types, asked, solve }
  if (pooled) yield ofPrints(search, pooled, { bound, missing: 0, fewest: pooled.sheets })
  const built = build(classes, types, asked)
  const whole = solve({ ...built.programme, whole: { nodes: NODES, gap: CENTS_ASIDE } })
  if (!whole) return
  const sum = (columns: number[], of: number[]) => of.reduce((all, at) => all + Math.round(itemAt(columns, at)), 0)
  const missing = sum(whole.columns, built.missing)
  const sheets = sum(whole.columns, built.fresh)
  const isFewest
    = missing === 0
      && (sheets === bound || (whole.optimal && sheets < MOST_PROVEN && classes.every(({ whole }) => whole)))
  const isWhole = missing === 0 && sum(whole.columns, built.short) === 0
  const proven = !isWhole ? 0 : isFewest ? sheets : Math.min(bound, sheets)
  const proof = { bound: proven, missing, fewest: isFewest ? sheets : 0 }
  for (let more = 0; more <= (hasRules(problem) ? MOST_MORE : 0); more++)
    yield ofPrints(search, { classes, columns: whole.columns, sheets: sheets + more }, proof)
}

/**
 * No sharing takes fewer sheets than this, by the duals of the relaxed programme; worthwhile patterns are added to the
 * classes on the way.
 * @returns with whether roles stay without a print; nothing where the relaxation cannot be solved
 */
function boundByClass(classes: PrintClass[], types: RoleType[], solve: Solve) {
  let bound = 0
  let spent = 0
  let isShort = false
  let isSolved = false
  // What is bought does not count here: the bound is one of sheets.
  const round = () => build(classes, types, { sheets: 0, cents: 0 })
  for (const { built, relaxed: { dual, amount } } of rounds(MOST_ROUNDS, solve, round)) {
    isSolved = true
    isShort = [...built.missing, ...built.short].some(at => amount(at) > WORTH_WHILE)
    let found = false
    let total = 0
    let mostWorth = 1
    const prices = classes.map(({ demands }, at) =>
      worthsBy(demands, demand => dual(built.demandRows[at]?.[demand]) / SHEET),
    )
    classes.forEach(({ patterns, demands, wanted }, at) => {
      const worths = itemAt(prices, at)
      const drawer = (supply: number) => dual(built.drawers[at]?.[supply]) / SHEET
      const priced = addWorthwhile(patterns, {
        worths, drawer, cost: supply => (isFresh(supply) ? 1 : 0), least: WORTH_WHILE,
      })
      spent += priced.steps
      found ||= priced.found
      wanted.forEach((count, index) => (total += count * (worths.get(itemAt(demands, index).key) ?? 0)))
      patterns.supplies.forEach((supply, index) => {
        const top = itemAt(priced.tops, index)
        if (isFresh(supply)) {
          mostWorth = Math.max(mostWorth, top + drawer(index))
          total += drawer(index) * supply.onHand
        }
        else { total -= supply.onHand * top }
      })
    })
    for (const { classes: of, takes, count } of types) {
      const costs = of.map((at, option) =>
        [...itemAt(takes, option)].reduce((sum, [key, pieces]) => sum + pieces * (itemAt(prices, at).get(key) ?? 0), 0),
      )
      total += count * Math.min(...costs)
    }
    bound = Math.max(bound, Math.ceil(total / mostWorth - 1e-6))
    if (!found || spent > MOST_STEPS) break
  }
  if (!isSolved) return undefined
  // Where roles stay without a print, their price says nothing of sheets.
  return { bound: isShort ? 0 : bound, isShort }
}

/** Sheets of all classes cut in few ways: the classes, and a solution of theirs. */
interface Pooled {
  classes: PrintClass[]
  columns: number[]
  sheets: number
}

/**
 * All pieces planned as if of one print, and the layouts of that plan parted among the classes: where prints differ
 * only in whom they serve, the programme over the patterns of many classes ends before it finds what the planner does.
 * @returns nothing where that takes more than so many sheets, or the classes differ in more than that
 */
function asOfOnePrint(classes: PrintClass[], types: RoleType[], sheets: number, solve: Solve): Pooled | undefined {
  const first = classes[0]
  const looks = ({ patterns: { supplies }, demands }: PrintClass) => [
    ...supplies.map(({ kind, width, height }) => `${kind} ${width} ${height}`), ...demands.map(({ key }) => key).sort(),
  ].join('\n')
  const isAlike = ([one, ...others]: RoleType['takes']) =>
    others.every(other => String([...other]) === String([...(one ?? [])]))
  if (!first || classes.length < 2 || classes.some(other => looks(other) !== looks(first))
    || !types.every(({ takes }) => isAlike(takes))) return
  const wanted = new Map<string, number>()
  const want = (key: string, pieces: number) => wanted.set(key, (wanted.get(key) ?? 0) + pieces)
  for (const { demands, wanted: own } of classes) demands.forEach(({ key }, at) => want(key, itemAt(own, at)))
  for (const { takes, count } of types) for (const [key, pieces] of itemAt(takes, 0)) want(key, pieces * count)
  const { layouts, unplaced, sheets: fewer } = plan({
    ...first.patterns.problem,
    demands: first.demands.map(demand => ({ ...demand, quantity: wanted.get(demand.key) ?? 0 })),
    supplies: first.patterns.supplies.map((supply, at) =>
      ({ ...supply, onHand: classes.reduce((sum, { patterns }) => sum + itemAt(patterns.supplies, at).onHand, 0) })),
  }, solve)
  if (unplaced.length > 0 || fewer > sheets) return undefined
  const few = classes.map((own): PrintClass => {
    const patterns = new Patterns(own.patterns.problem, own.patterns.demands)
    // One sheet may have another key on every print.
    const place = (supply: string) => first.patterns.supplies.findIndex(({ key }) => key === supply)
    patterns.addLayouts(
      layouts.map(layout => ({ ...layout, supply: itemAt(patterns.supplies, place(layout.supply)).key })),
    )
    return { ...own, patterns, whole: false }
  })
  const built = build(few, types, { sheets: 0, cents: A_CENT })
  const whole = solve({ ...built.programme, whole: { nodes: NODES, gap: CENTS_ASIDE } })
  if (!whole || [...built.missing, ...built.short].some(at => itemAt(whole.columns, at) > 0.5)) return undefined
  const opened = built.fresh.reduce((sum, at) => sum + Math.round(itemAt(whole.columns, at)), 0)
  return opened <= sheets ? { classes: few, columns: whole.columns, sheets: opened } : undefined
}

interface Search {
  problem: SharingProblem
  types: RoleType[]
  asked: { sheets: number, cents: number }
  solve: Solve
}

/** What is known of every sharing: the bound, roles that get no print, and the fewest sheets where they are found. */
interface Proof {
  bound: number
  missing: number
  fewest: number
}

const hasRules = ({ rules }: SharingProblem): boolean => Object.values(rules).some(({ hold }) => hold !== 'free')

/**
 * Says of which print each sheet of a solution is: as the solution has it where there are no rules, else by a fair mix
 * of classes; and where prints are to be used evenly, by a programme of its own, for the solution and for the mix.
 */
function* ofPrints(
  { problem, types, asked, solve }: Search, { classes, columns, sheets }: Pooled, { fewest, ...proof }: Proof,
): Generator<CutByClass, void> {
  const mixed = build(classes, types, asked, { columns, sheets })
  const cutBy = (columns: number[]): ClassCut => {
    const amountsOf = (lists: number[][]) => lists.map(list => list.map(at => Math.round(itemAt(columns, at))))
    return { classes, types, amounts: amountsOf(mixed.amounts), roles: amountsOf(mixed.roles) }
  }
  const known = (cut: PrintCut): CutByClass => ({ ...cut, ...proof, isFewest: cut.sheets === fewest })
  if (!hasRules(problem)) return void (yield known(inTurn(cutBy(columns))))
  const isEven = problem.rules.evenly.hold !== 'free'
  const even = (columns: number[]) => (isEven ? givenEvenly(problem, cutBy(columns), sheets, solve) : undefined)
  const first = even(columns)
  if (first) yield known(first)
  const mix = solve({
    ...mixed.programme, whole: { nodes: MIXING.nodes, gap: MIXING.gap, start: mixed.start, brief: 'mostly' as const },
  })?.columns
  yield known(inTurn(cutBy(mix ?? columns)))
  const second = mix && even(mix)
  if (second) yield known(second)
}

interface Spread {
  role: number
  fair: number
}

interface Built {
  programme: Programme
  /** A solution to start from. */
  start?: number[]
  /** By class and pattern. */
  amounts: number[][]
  fresh: number[]
  demandRows: number[][]
  drawers: number[][]
  /** By type and its classes. */
  roles: number[][]
  missing: number[]
  /** Pieces wanted by name that cannot be cut. */
  short: number[]
}

function build(
  classes: PrintClass[], types: RoleType[], { sheets, cents: aCent }: { sheets: number, cents: number },
  from?: { columns: number[], sheets: number },
): Built {
  const programme = new ProgrammeBuilder()
  const column = (cost: number): Handle => programme.column(cost)
  const fresh: number[] = []
  const amounts = classes.map(({ patterns }) => patterns.columns.map((pattern) => {
    const isSheet = patterns.isFresh(pattern)
    const at = column(isSheet ? SHEET : 0)
    if (isSheet) fresh.push(at)
    return at
  }))
  const roles = types.map(({ classes: of }) => of.map(() => column(0)))
  const missing = types.map(() => column(A_MISSING_ROLE))
  const short: number[] = []
  types.forEach(({ count }, type) =>
    programme.row({
      least: count, most: count, of: [...itemAt(roles, type), itemAt(missing, type)].map((at): Entry => [at, 1]),
    }),
  )
  const demandRows = classes.map(({ patterns, demands, wanted }, at) => patterns.demandRows().map(({ of }, index) => {
    const { key } = itemAt(demands, index)
    const taken = types.flatMap(({ classes: of, takes }, type) => of.flatMap((other, option): Entry[] => {
      const pieces = other === at ? itemAt(takes, option).get(key) : undefined
      return pieces === undefined ? [] : [[itemAt(itemAt(roles, type), option), -pieces]]
    }))
    const cut = of.map(([pattern, count]): Entry => [itemAt(itemAt(amounts, at), pattern), count])
    const least = itemAt(wanted, index)
    const lacks: Entry[] = least > 0 ? [[column(A_MISSING_PIECE), 1]] : []
    short.push(...lacks.map(([one]) => one))
    return programme.row({ least, of: [...cut, ...taken, ...lacks] })
  }))
  const drawers = classes.map(({ patterns, stocks }, at) => patterns.supplies.map(({ onHand, price }, supply) => {
    const of = patterns.from(supply).map(([pattern]): Entry => [itemAt(itemAt(amounts, at), pattern), 1])
    const cents = Math.min(...itemAt(stocks, supply).map(stock => stock.price ?? price ?? 0))
    if (price !== null) of.push([column(cents * aCent), -1])
    return programme.row({ most: onHand, of })
  }))
  if (sheets > 0) programme.row({ least: sheets, of: fresh.map((at): Entry => [at, 1]) })
  // Every type of roles is to be of all prints about equally: then the rules are easy to keep.
  const spread: Spread[] = []
  if (from) {
    programme.row({ most: from.sheets, of: fresh.map((at): Entry => [at, 1]) })
    types.forEach(({ classes: of, count }, type) => {
      const prints = of.reduce((sum, at) => sum + itemAt(classes, at).prints.length, 0)
      of.forEach((at, option) => {
        const fair = Math.ceil(count * itemAt(classes, at).prints.length / prints)
        const role = itemAt(itemAt(roles, type), option)
        const over = column(A_ROLE_TOO_MANY)
        programme.row({ most: fair, of: [[role, 1], [over, -1]] })
        spread.push({ role, fair })
      })
    })
  }
  const start = from && [
    ...from.columns, ...spread.map(({ role, fair }) => Math.max(0, Math.round(itemAt(from.columns, role)) - fair)),
  ]
  return { programme: programme.programme, start, amounts, fresh, demandRows, drawers, roles, missing, short }
}
