import { postingOf } from './posting'
import type { Posting } from './posting'
import type { PaperOutcome } from '../plans'
import type { Preparation, PreparedCard, ClassFinding } from '../batch'
import { SCRAP_PAPER, sharingFindings } from '../batch'
import { isCuttable, squared, wholeMinutes } from '../cutting'
import { count } from '../lists'
import type { Batch, PostEntry, SupplyEntry } from '../document'
import { faceToFace, lyingFindings, neverSeen } from '../dressing'
import type { Finding, Part } from '../folds'
import { passesThrough, isLayer, isWhole } from '../folds'
import type { Length, Units } from '../lengths'
import { formatLength, nanometres } from '../lengths'

const ORDER: Finding['severity'][] = ['stop', 'warn', 'note']
const bySeverity = (a: Finding, b: Finding) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity)
/** Of panels that pass through each other, so many pairs are named. */
const MOST_PASSES = 3

/** Everything that is found about one card beside how it is posted. */
export interface CardView {
  posting?: Posting
  findings: Finding[]
}

const views = new WeakMap<PreparedCard, { post: PostEntry, supplies: SupplyEntry[], view: CardView }>()

/** Whether a card can be folded on screen: nothing of it is broken. */
const isFoldable = ({ construction }: PreparedCard): boolean =>
  construction?.parts.every(part => isLayer(part.kind) || isWhole(part)) ?? false

/**
 * Everything that is found about a card: its parameters and papers, its motion at all
 * openings, and how it is posted; what has to be settled first. Worked out once for a prepared card.
 */
export function viewOf(
  card: PreparedCard, { post, supplies, class: { units } }: Pick<Batch, 'post' | 'supplies' | 'class'>,
): CardView {
  const known = views.get(card)
  if (known?.post === post && known.supplies === supplies) return known.view
  const posting = postingOf(card, post, supplies, units)
  const ofPosting = posting?.findings ?? []
  const all = [...card.fixed(), ...motionFindings(card, units), ...lying(card, units), ...facing(card), ...ofPosting]
  // What two checks find alike is said once, with its button where one of them has it.
  const told = new Map<string, Finding>()
  for (const finding of all) {
    const key = `${finding.subject} ${finding.problem}`
    if (!told.get(key)?.fix) told.set(key, finding)
  }
  const findings = [...told.values()].sort(bySeverity)
  const view = { posting, findings }
  views.set(card, { post, supplies, view })
  return view
}

/** How things lie on a card; what is cut from scrap although it shows. */
function lying(card: PreparedCard, units: Units): Finding[] {
  const { construction, pieces } = card
  if (!construction || !isFoldable(card)) return []
  const scrap = pieces.filter(({ kind, paper }) => paper === SCRAP_PAPER && kind !== 'hidden')
  const isScrap = (part?: string) => scrap.some(({ key }) => key === part)
  // That scrap would do is known where it is scrap.
  const found = lyingFindings(construction, units).filter(({ severity, part }) => severity !== 'note' || !isScrap(part))
  if (scrap.length === 0) return found
  const unseen = new Set(neverSeen(construction).map(({ key }) => key))
  return found.concat(scrap.filter(({ key }) => !unseen.has(key)).map(({ name, key }): Finding => ({
    severity: 'stop',
    subject: name,
    part: key,
    place: 'papers',
    problem: 'shows on the card, so no scrap will do. Choose a paper.',
  })))
}

/**
 * Pieces of one print that lie face to face: no fault, but of two prints the card is livelier. Prints of a pool are
 * dealt out so that they differ.
 */
function facing(card: PreparedCard): Finding[] {
  const { construction, pieces } = card
  if (!construction || !isFoldable(card)) return []
  const ofPrint = pieces.flatMap(({ key, paper, pool }) =>
    paper?.kind === 'print' && pool === undefined ? [[key, paper] as const] : [],
  )
  const prints = new Map(ofPrint)
  const alike = new Map<string, string[]>()
  const isSame = (one: Part, other: Part) => prints.has(one.key) && prints.get(one.key) === prints.get(other.key)
  for (const [one, other] of faceToFace(construction, isSame)) {
    const name = prints.get(one.key)?.name ?? ''
    alike.set(name, [...(alike.get(name) ?? []), `${one.name} and ${other.name}`])
  }
  return [...alike].map(([print, pairs]): Finding => ({
    severity: 'note',
    subject: print,
    problem: `faces itself where the closed card lies on itself: ${pairs.join('; ')}. Another print on one of them is livelier.`,
  }))
}

function motionFindings(card: PreparedCard, units: Units): Finding[] {
  if (!card.construction || !isFoldable(card)) return []
  return passesThrough(card.construction)
    .slice(0, MOST_PASSES)
    .map(({ panels: [a, b], depth, opening }) => ({
      severity: 'warn',
      subject: a,
      problem: `passes ${formatLength(nanometres(depth), units, { unit: true })} through ${b} when the card is `
        + `${Math.round(opening * 100)} % open.`,
    }))
}

/**
 * The one list of what is found about a class, on screen, in the list of classes, on the
 * command line and in print.
 * @param outcomes the cutting as far as it is planned; without it nothing is said of cutting
 */
export function findingsOf(preparation: Preparation, outcomes: PaperOutcome[] = []): ClassFinding[] {
  const { batch, cards, papers } = preparation
  const ofCards = cards.flatMap(card =>
    viewOf(card, batch).findings.map(finding => ({ ...finding, card: card.entry.key, title: card.entry.title })),
  )
  const dropped = papers.flatMap(({ paper, dropped }) => dropped.map(reason => onPaper(
    paper, 'warn', `has a layout that you kept and that is not used: ${reason}. The pieces have changed since.`,
  )))
  return [
    ...ofCards, ...sharingFindings(preparation), ...dropped, ...unplaced(outcomes), ...beyondLimits(outcomes),
    ...needlesslyBought(outcomes), ...leftOut(preparation),
  ].sort(bySeverity)
}

const onPaper = (
  { key, name }: { key: string, name: string }, severity: Finding['severity'], problem: string,
): ClassFinding => ({ severity, subject: name, problem, paper: key, title: name })

const unplaced = (outcomes: PaperOutcome[]): ClassFinding[] =>
  outcomes.flatMap(({ paper, plan, entry }) => plan.unplaced.map(({ demand, quantity, reason }) =>
    onPaper(paper, 'stop', `does not give ${quantity} × ${entry.names.get(demand) ?? demand}: ${reason}`)))

const beyondLimits = (outcomes: PaperOutcome[]): ClassFinding[] =>
  outcomes.filter(({ beyond, plan }) => beyond && plan.layouts.length > 0).map(({ paper }) => onPaper(
    paper, 'stop',
    'has no plan that keeps to all limits under “How you like to cut”; the one shown comes nearest. Raise a limit.',
  ))

/** Sheets that are bought because that is quicker, although enough lie there. */
const needlesslyBought = (outcomes: PaperOutcome[]): ClassFinding[] =>
  outcomes.flatMap(({ paper, minutes, unbought }) => (unbought
    ? [onPaper(
        paper, 'note',
        `buys sheets although enough lie there: without buying it takes ${count(unbought.plan.sheets, 'sheet')} and `
        + `${wholeMinutes(unbought.minutes)} minutes instead of ${wholeMinutes(minutes)}. Choose “Least money” for that.`,
      )]
    : []))

/** Sheets that the trimmer cannot cut. */
const leftOut = ({ batch, papers }: Preparation): ClassFinding[] =>
  papers.flatMap(({ paper, problem: { supplies, cutter } }) =>
    supplies.filter(supply => supply.kind === 'sheet' && !isCuttable(supply, cutter)).map((supply) => {
      const { width, height } = squared(supply, cutter)
      const show = (length: Length) => formatLength(length, batch.class.units, { unit: true })
      const why = Math.min(width, height) <= 0
        ? `nothing is left of them once ${show(cutter.squaring)} is trimmed off every edge.`
        : `the trimmer cuts no more than ${show(cutter.length)}.`
      const size = `${show(supply.width)} × ${show(supply.height)}`
      return onPaper(paper, 'note', `has sheets of ${size} that are left out: ${why}`)
    }),
  )

/** Those that are put right on the card itself; papers are chosen elsewhere, all at once. */
export const onCard = <F extends Finding>(findings: F[]): F[] => findings.filter(({ place }) => place !== 'papers')

/** How many findings must be settled before anything is cut. */
export const stopsIn = (findings: Finding[]): number => findings.filter(({ severity }) => severity === 'stop').length
