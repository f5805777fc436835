import type { Solve } from '../cutting'
import { before } from '../cutting'
import { itemAt } from '../lists'
import { sizeOf } from './combinations'
import { cutByClass } from './by-class'
import { brokenBy, dealtOut } from './deal'
import { handedOut } from './handing'
import type { Kind, Rules, Sharing, SharingProblem } from './model'
import { SHEET } from './model'
import { SharingProgramme } from './programme'

/** Share of the way that is done once sheets are known, though not every wish is met that could be. */
export const SHEETS_FOUND = 0.3
/** Branches of the integer programme: few where it has many columns. */
const NODES = { few: 4000, many: 300, columns: 1500 }
/** Share of its cost within which the search for the best sharing may end. */
const GAP = 0.005
/** Less than this of a piece or of a kit is nothing. */
export const WORTH_WHILE = 1e-6

/** How far a sharing has come. */
export interface SharingStep {
  /** The best one found. */
  best: Sharing
  /**
   * What is to be shown meanwhile: what was dealt out at first stays beside a better one that breaks wishes worth a
   * sheet more.
   */
  shown: Sharing
  /** Share of the way that is done. */
  share: number
}

/**
 * Shares prints out among kits, together with the cutting: the first answer at once, then the best that is found within
 * a counted effort, with a bound that holds for every sharing that keeps what must be kept.
 */
export function* shareOut(problem: SharingProblem, solve: Solve): Generator<SharingStep, Sharing> {
  const first = dealtOut(problem)
  if (problem.kinds.every(({ kits }) => kits === 0)) return { ...first, sheets: 0, bound: 0, cost: 0, least: 0 }
  yield { best: first, shown: first, share: 0 }
  const worse = ({ broken }: Sharing) => mustBroken(problem.rules, broken) > mustBroken(problem.rules, first.broken)
    || costOf(problem.rules, broken, 0) > costOf(problem.rules, first.broken, 1)
  let best: Sharing | undefined
  const soFar = (): SharingStep =>
    ({ best: best ?? first, shown: !best || worse(best) ? first : best, share: best ? SHEETS_FOUND : 0.1 })
  for (const ways of cutByClass(problem, solve)) {
    for (const cut of ways) {
      const { kits, missing } = yield* waitingFor(handedOut(problem, cut), soFar)
      const broken = brokenBy(problem, kits)
      const cost = costOf(problem.rules, broken, cut.sheets)
      const least = missing > 0 ? undefined : cut.bound * SHEET
      const next: Sharing = {
        kits, broken, missing, sheets: cut.sheets, bound: cut.bound, cost, least, layouts: cut.layouts,
      }
      if (!best || isBetter(problem.rules, next, best)) best = next
      yield soFar()
      if (
        cut.isFewest
        && missing === 0
        && mustBroken(problem.rules, broken) === 0
        && cost * (1 - GAP) <= cut.bound * SHEET
      )
        return best
    }
    // More sheets help with rules that must be kept, not with kits that cannot be made.
    if (best && (best.missing > 0 || mustBroken(problem.rules, best.broken) === 0)) break
  }
  best ??= first
  if (isLarge(problem)) return best
  const programme = new SharingProgramme(problem)
  if (!programme.isWhole || programme.columns > EXACT.columns) return best
  const whole = exactly(problem, programme, first, solve)
  return whole && isBetter(problem.rules, whole, best) ? whole : withBound(best, whole)
}

/** What another search comes to; as often as that pauses, what is known meanwhile. */
function* waitingFor<T>(search: Generator<undefined, T>, meanwhile: () => SharingStep): Generator<SharingStep, T> {
  for (;;) {
    const { done, value } = search.next()
    if (done) return value
    yield meanwhile()
  }
}

/**
 * The sharing of a problem that is looked for to the end.
 * @param until share of the way after which the best so far will do
 */
export function sharedToTheEnd(problem: SharingProblem, solve: Solve, until = 1): Sharing {
  const search = shareOut(problem, solve)
  for (;;) {
    const { done, value } = search.next()
    if (done) return value
    if (value.share >= until) return value.best
  }
}

/** Columns, combinations and sizes of a print up to which everything is put into one programme. */
const EXACT = { columns: 2500, combinations: 6000, sizes: 5 }

const isLarge = ({ kinds, prints }: SharingProblem): boolean =>
  kinds.reduce((sum, kind) => sum + sizeOf(kind), 0) > EXACT.combinations
  || prints.some(({ problem }) => problem.demands.length > EXACT.sizes)

/** Cutting and sharing in one programme of every pattern and every combination. */
function exactly(
  problem: SharingProblem, programme: SharingProgramme, first: Sharing, solve: Solve,
): Sharing | undefined {
  const relaxed = (wishes: boolean, sheets: number) => {
    const built = programme.build({ wishes, sheets })
    const solved = solve(built.programme)
    return (
      solved && {
        cost: solved.cost,
        missing: [...built.missing, ...built.short].some(at => (solved.columns[at] ?? 0) > WORTH_WHILE),
      }
    )
  }
  // How few sheets will do, whatever is wished for.
  const sheets = relaxed(false, 0)
  if (!sheets) return undefined
  const bound = sheets.missing ? 0 : Math.max(0, Math.ceil(sheets.cost / SHEET - 1e-6))
  const least = relaxed(true, bound)
  const built = programme.build({ sheets: bound, buying: true })
  const whole = solve({
    ...built.programme, whole: { nodes: programme.columns > NODES.columns ? NODES.many : NODES.few, gap: GAP },
  })
  if (!whole) return undefined
  const kits = programme.kitsIn(built, whole.columns)
  const missing = built.missing.reduce((sum, at) => sum + Math.round(whole.columns[at] ?? 0), 0)
  const opened = built.fresh.reduce((sum, at) => sum + Math.round(whole.columns[at] ?? 0), 0)
  const all = filled(problem.kinds, kits, first)
  const broken = brokenBy(problem, all)
  const cost = costOf(problem.rules, broken, opened)
  // Sheets and wishes without what is bought, which only decides between equal ones; the search ended a little short of
  // the best.
  const isShort = built.short.some(at => Math.round(whole.columns[at] ?? 0) > 0)
  const proven
    = whole.optimal && missing === 0 && !isShort
      ? Math.min(cost, whole.cost) * (1 - GAP) - Math.max(0, whole.cost - cost)
      : 0
  const relaxedLeast = missing > 0 || !least || least.missing ? undefined : Math.max(bound * SHEET, least.cost, proven)
  return {
    kits: all,
    broken,
    missing,
    layouts: programme.layoutsIn(built, whole.columns),
    sheets: opened,
    bound: noWishes(problem.rules) ? Math.max(bound, Math.ceil(proven / SHEET - 1e-6)) : bound,
    cost,
    least: relaxedLeast === undefined ? undefined : Math.min(cost, relaxedLeast),
  }
}

/** How often rules are broken that must be kept. */
const mustBroken = (rules: Rules, broken: Sharing['broken']): number =>
  (Object.keys(broken) as (keyof Rules)[]).reduce(
    (sum, rule) => sum + (rules[rule].hold === 'must' ? broken[rule] : 0), 0,
  )

/** Whether one sharing is better than another: more kits, then what must be kept, then what it costs. */
function isBetter(rules: Rules, one: Sharing, other: Sharing): boolean {
  const rank = ({ missing, broken, cost = Infinity }: Sharing) => [missing, mustBroken(rules, broken), cost]
  return before(rank(one), rank(other)) ?? false
}

/** A sharing with what another search has proven besides. */
const withBound = (best: Sharing, other?: Sharing): Sharing => ({
  ...best,
  bound: best.bound === undefined ? other?.bound : Math.max(best.bound, other?.bound ?? 0),
  least:
    best.least === undefined ? undefined : Math.min(best.cost ?? Infinity, Math.max(best.least, other?.least ?? 0)),
})

const noWishes = (rules: Rules) => Object.values(rules).every(({ hold }) => hold !== 'wish')

/** What a sharing costs: its sheets, and what the wishes weigh that it does not meet. */
const costOf = (rules: Rules, broken: Sharing['broken'], sheets: number): number =>
  (Object.keys(broken) as (keyof Rules)[]).reduce(
    (sum, rule) => sum + (rules[rule].hold === 'wish' ? rules[rule].weight * broken[rule] : 0),
    sheets * SHEET,
  )

/** Kits that are not made get what they were dealt at first, so that everybody is said to have something. */
const filled = (kinds: Kind[], kits: Sharing['kits'], first: Sharing): Sharing['kits'] =>
  kinds.map((kind, at) =>
    [...itemAt(kits, at), ...itemAt(first.kits, at).slice(itemAt(kits, at).length)].slice(0, kind.kits),
  )
