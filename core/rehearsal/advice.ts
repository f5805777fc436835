import { produce } from 'immer'
import type { PreparedCard, Preparation } from '../batch'
import { isCutReady, prepare } from '../batch'
import type { Batch, PrepLevel } from '../document'
import { BOUNDS } from '../document'
import type { PartWork } from '../folds'
import { isLayer } from '../folds'
import { packedBags, stepsLeft, taskMinutes, tasksOf } from '../kits'
import { capitalised, inARow, uncapitalised } from '../lists'
import { techniqueOf } from '../making'
import type { Rehearsal } from './model'
import { isFitting } from './model'
import { rehearsalOf } from './problem'
import { rehearse } from './rehearse'

/* What makes a class fit that does not, and what that costs whoever prepares it. */

/** A piece that is made ready further: its place in a profile, `card part`, and the kind whose level it has else. */
interface Further {
  path: string
  kind: string
  level: PrepLevel
}

/** What is done about it: pieces made ready further, or one more of something that is shared. */
export interface Remedy {
  key: string
  /** As advice: `Score the pieces of Two tides beforehand`. */
  words: string
  further: Further[]
  tool?: 'machines' | 'heatTools'
}

export interface WeighedRemedy extends Remedy {
  /** Minutes that the last one is done sooner, on all but one evening of ten. */
  gains: number
  /** Minutes more of preparation. */
  costs: number
}

export interface Advice {
  rehearsal: Rehearsal
  /** Those that help by themselves, most minutes for each of preparation first. */
  remedies: WeighedRemedy[]
  /**
   * The cheapest of them together that make the class fit, or all of them where even that is not enough; nothing while
   * it fits already or nothing helps.
   */
  together?: { remedies: WeighedRemedy[], costs: number, rehearsal: Rehearsal }
}

/** Evenings that a remedy is tried on; they are the same ones for all. */
const TRIED = 60
/** Remedies that are tried with each other: two to the power of it sets. */
const MOST_TRIED = 8
/** What helps less is no help. Minutes. */
const LEAST_GAIN = 0.5
/** What it is taken to cost to fetch one more tool and bring it along, to be weighed against preparation. Minutes. */
export const TOOL_COST = 20

const RANK: PrepLevel[] = ['cut', 'scored', 'die cut', 'stamped', 'assembled']
const isBelow = (level: PrepLevel, other: PrepLevel): boolean =>
  isCutReady(level) && RANK.indexOf(level) < RANK.indexOf(other)

/**
 * Takes remedies: what is made ready further stays so, and nothing is made ready less; beyond what a class may hold
 * nothing is taken. Changes the class that it is given.
 * @param used keys of the profiles that its bags are made ready by
 */
export function takeRemedies(
  batch: Pick<Batch, 'prep' | 'evening'>, remedies: Pick<Remedy, 'further' | 'tool'>[], used: ReadonlySet<string>,
): void {
  for (const { further, tool } of remedies) {
    if (tool) batch.evening[tool] = Math.min(BOUNDS.tools, batch.evening[tool] + 1)
    for (const { key, levels } of batch.prep.profiles) {
      if (!used.has(key)) continue
      for (const { path, kind, level } of further) {
        const before = levels[path] ?? levels[kind] ?? 'cut'
        const isRoom = path in levels || Object.keys(levels).length < BOUNDS.names
        if (isRoom && isBelow(before, level)) levels[path] = level
      }
    }
  }
}

/** Keys of the profiles that bags are made ready by. */
export const usedProfiles = (preparation: Preparation): ReadonlySet<string> =>
  new Set(packedBags(preparation).map(({ profile }) => profile.key))

/** What could be done beforehand instead of in the class, and what could be brought along. */
export function remediesFor({ cards }: Pick<Preparation, 'cards'>): Remedy[] {
  const one = (key: string, words: string, further: Further[]): Remedy[] =>
    (further.length > 0 ? [{ key, words, further }] : [])
  return [
    ...cards.flatMap((card) => {
      const { entry: { key, title } } = card
      const to = (level: PrepLevel, pieces: typeof card.pieces) =>
        pieces.map(({ key: piece, kind }): Further => ({ path: `${key} ${piece}`, kind, level }))
      const scored = to('scored', piecesBelow('scored', card).filter(({ scores }) => scores.length > 0))
      const layers = piecesBelow('assembled', card)
        .filter(({ kind, works = [] }) => isLayer(kind) && works.every(({ by }) => by !== 'student'))
      const worked = piecesBelow('stamped', card).flatMap((piece) => {
        const works = (piece.works ?? []).filter(({ by, technique }) =>
          by === 'either' && techniqueOf(technique).when === 'flat')
        return one(
          `work ${key} ${piece.key}`, `${workedWords(works, `the ${uncapitalised(piece.name)} of ${title}`)} beforehand`,
          works.length > 0 ? to('stamped', [piece]) : [])
      })
      const besides = scored.length > 0 ? ', its pieces scored' : ''
      return [
        ...one(`score ${key}`, `Score the pieces of ${title} beforehand`, scored),
        ...one(`put ${key}`, `Put the layers of ${title} on beforehand${besides}`,
          layers.length > 0 ? [...scored, ...to('assembled', layers)] : []),
        ...worked,
      ]
    }),
    { key: 'machine', words: 'Bring one more machine for dies and folders', further: [], tool: 'machines' },
    { key: 'heat tool', words: 'Bring one more heat tool', further: [], tool: 'heatTools' },
  ]
}

/** `Emboss the mat in its folder`, `Stamp and colour in the mat`. */
function workedWords(works: Pick<PartWork, 'technique'>[], piece: string): string {
  const techniques = [...new Set(works.map(({ technique }) => technique))].map(techniqueOf)
  const [first] = techniques
  if (first && techniques.length === 1) return first.piece(piece)
  return `${capitalised(inARow(techniques.map(({ name }) => name.toLowerCase())))} ${piece}`
}

/** Pieces of a card that are cut by whoever prepares it and made ready less than that, in some bag at least. */
const piecesBelow = (level: PrepLevel, { pieces, dealt }: PreparedCard) =>
  pieces.filter(({ key }) => dealt.some(({ prep }) => isBelow(prep.levels.get(key) ?? 'cut', level)))

/** Whether what is done before the class waits for something that is left to it: then it cannot be done before. */
function isOutOfOrder(preparation: Preparation): boolean {
  const { units } = preparation.batch.class
  return packedBags(preparation).some(({ kits }) => kits.some((kit) => {
    const left = stepsLeft(kit, units)
    const still = new Set(left.flatMap(({ step }) => (step?.work ? [step.key] : [])))
    const there = new Set(left.flatMap(({ step }) => (step ? [step.key] : [])))
    return kit.card.construction?.steps.some(({ key, needs }) =>
      !there.has(key) && needs.some(need => still.has(need))) ?? false
  }))
}

/**
 * Rehearses a class, weighs what would make it quicker, and looks for the cheapest that makes it fit: all sets of those
 * remedies that help most, the cheapest first.
 * @returns step by step what is known so far
 */
export function* advise(batch: Batch): Generator<{ best: Advice, share: number }, Advice> {
  const preparation = prepare(batch)
  const asItIs = rehearsalOf(preparation)
  const rehearsal = rehearse(asItIs)
  let best: Advice = { rehearsal, remedies: [] }
  if (rehearsal.students === 0 || rehearsal.stages.length === 0) return best
  yield { best, share: 0.1 }
  const used = usedProfiles(preparation)
  const prepared = taskMinutes(tasksOf(preparation))
  const before = rehearse(asItIs, { runs: TRIED })

  /** What comes of some remedies together; nothing where they contradict what is left to students. */
  const tried = (some: Remedy[]) => {
    const changed = prepare(produce(batch, draft => takeRemedies(draft, some, used)), preparation)
    if (isOutOfOrder(changed)) return undefined
    const costs = taskMinutes(tasksOf(changed)) - prepared + TOOL_COST * some.filter(({ tool }) => tool).length
    return { costs, problem: rehearsalOf(changed) }
  }
  const offered = remediesFor(preparation)
  for (const [at, remedy] of offered.entries()) {
    const found = tried([remedy])
    const gains = found ? before.ends.high - rehearse(found.problem, { runs: TRIED }).ends.high : 0
    if (found && gains >= LEAST_GAIN)
      best = { ...best, remedies: ranked([...best.remedies, { ...remedy, gains, costs: found.costs }]) }
    yield { best, share: 0.1 + (0.4 * (at + 1)) / offered.length }
  }
  if (isFitting(rehearsal) || best.remedies.length === 0) return best
  const some = [...best.remedies].sort((a, b) => b.gains - a.gains).slice(0, MOST_TRIED)
  const sets = []
  for (let set = 1; set < 2 ** some.length; set++) {
    const remedies = some.filter((_, at) => (set >> at) % 2 === 1)
    const found = tried(remedies)
    if (found) sets.push({ remedies, ...found })
    yield { best, share: 0.5 + (0.2 * set) / 2 ** some.length }
  }
  sets.sort((a, b) => a.costs - b.costs)
  for (const [at, { remedies, costs, problem }] of sets.entries()) {
    if (isFitting(rehearse(problem, { runs: TRIED }))) {
      const whole = rehearse(problem)
      if (isFitting(whole)) return { ...best, together: { remedies, costs, rehearsal: whole } }
    }
    yield { best, share: 0.7 + (0.3 * at) / sets.length }
  }
  const most = sets.reduce((a, b) => (b.remedies.length > a.remedies.length ? b : a))
  const { remedies, costs, problem } = most
  return { ...best, together: { remedies, costs, rehearsal: rehearse(problem) } }
}

/** Most minutes of the class for each minute of preparation first; what costs nothing before all others. */
const ranked = (remedies: WeighedRemedy[]): WeighedRemedy[] => {
  const worth = ({ gains, costs }: WeighedRemedy) => gains / Math.max(costs, 0.1)
  return [...remedies].sort((a, b) => worth(b) - worth(a))
}
