import { envelopePieceFindings } from '../dressing'
import { byKey } from '../lists'
import type { PostEntry, RateEntry, SupplyEntry } from '../document'
import type { Construction, Finding, Part, Stack, ThicknessMap } from '../folds'
import { areaOf, isWhole, thicknessAtEdges, thicknessMap } from '../folds'
import { stickingFor, stuckIn, valueOf } from './usage'
import { thingsFor } from './bought'
import type { Length, Units } from '../lengths'
import { MILLIMETRE, formatLength, formatSize, lengthFrom, nanometres, sum } from '../lengths'
import type { Paper } from '../paper'
import { thickness, thicknessOf } from '../paper'
import type { PreparedCard } from '../batch'

/** How a finished card goes into an envelope and through the post. */
export interface Posting {
  closed: { width: Length, height: Length, thickness: Length }
  /** The thickest place of the closed card. */
  stack: Stack
  map: ThicknessMap
  /** Grams: paper, what holds it together, and what is bought for it and has a weight. */
  weight: number
  /** The envelope it goes into; missing when none in the table fits. */
  envelope?: { key: string, name: string }
  /** The cheapest rate that takes it. */
  rate?: RateEntry
  findings: Finding[]
}

/** Room that an envelope leaves beside a card, and over its thickness. */
const ROOM = nanometres(3 * MILLIMETRE)
/** So far in from its edges a card has to be thin. */
const EDGE = nanometres(10 * MILLIMETRE)
/** Grams per square metre where no paper is chosen yet. */
export const USUAL_WEIGHT = 200
/** Above this a closed card is bulky: it wants a box envelope. */
const BULKY = nanometres(5 * MILLIMETRE)

/** A thickness as it is said, in whole tenths of a millimetre. */
const tenths = (thick: Length): number => Math.round((thick / MILLIMETRE) * 10)

const sides = ({ width, height }: { width: Length, height: Length }) =>
  [width, height].sort((a, b) => a - b) as [Length, Length]
const fits = (card: { width: Length, height: Length }, room: { width: Length, height: Length }, spare: number) =>
  sides(card)[0] + spare <= sides(room)[0] && sides(card)[1] + spare <= sides(room)[1]

/** The cheapest rate that takes something of this size, thickness and weight (grams). */
export const rateFor = (
  { rates }: Pick<PostEntry, 'rates'>, size: { width: Length, height: Length }, thick: number, weight: number,
): RateEntry | undefined => rates
  .filter(rate =>
    weight <= rate.weight
    && thick <= lengthFrom(rate.thickness)
    && fits(size, { width: lengthFrom(rate.width), height: lengthFrom(rate.height) }, 0))
  .sort((a, b) => a.price - b.price)[0]

/**
 * Thickness, weight, envelope and rate of a card.
 * @param card a prepared card
 * @param post the studio's envelopes, rates, foam and bulk
 * @param supplies what weighs beside the paper
 * @param units for the words of findings
 * @param wanted key of the envelope it shall go into; empty for the smallest that fits
 * @returns nothing for a card that cannot be folded
 */
export function postingOf(
  { construction, pieces, entry }: PreparedCard,
  post: PostEntry,
  supplies: SupplyEntry[],
  units: Units,
  wanted = entry.envelope,
): Posting | undefined {
  if (!construction) return undefined
  const papers = new Map(pieces.map(({ key, paper }) => [key, paper]))
  const weightOf = (part: Part) => (papers.get(part.key) as Paper | undefined)?.weight ?? USUAL_WEIGHT
  const map = thicknessMap(construction, thicknessIn(papers, post), lengthFrom(post.foam))
  if (!map) return undefined
  const { most: stack } = map
  const closed = {
    width: construction.finished.width.value,
    height: construction.finished.height.value,
    thickness: nanometres(Math.max(stack.thickness, construction.finished.depth?.value ?? 0)),
  }
  // Square nanometres to square metres.
  const weight = construction.parts
    .filter(part => isWhole(part) && part.outOf === undefined)
    .reduce(
      (grams, part) =>
        grams + (part.panels.reduce((area, panel) => area + areaOf(part, panel), 0) / 1e18) * weightOf(part),
      0,
    )
    + valueOf(
      [...thingsFor(construction.extras, supplies), ...stickingFor(stuckIn(construction), supplies, units).uses],
      supplies,
    ).weight

  // Thick in its middle only, a card still slides in where its edges are thin.
  const spare = Math.max(ROOM, construction.finished.depth?.value ?? thicknessAtEdges(map, EDGE))
  const table = post.envelopes
    .map(({ key, name, width, height }) => ({ key, name, width: lengthFrom(width), height: lengthFrom(height) }))
    .sort((a, b) => a.width * a.height - b.width * b.height)
  const smallest = table.find(envelope => fits(closed, envelope, spare))
  const chosen = wanted ? table.find(({ key }) => key === wanted) : smallest
  // Compared as it is said: what reads as 5.0 mm is not above 5.0 mm.
  const bulky = tenths(closed.thickness) > tenths(BULKY)
  const inside = chosen && !bulky && fits(closed, chosen, spare) ? chosen : undefined
  const posted = inside ?? {
    width: sum(closed.width, nanometres(spare)), height: sum(closed.height, nanometres(spare)),
  }
  const rate = rateFor(post, posted, closed.thickness, weight)
  const envelopeIs: EnvelopeIs = { closed, spare, bulky, wanted, smallest, chosen, isInside: Boolean(inside), posted }
  const findings: Finding[] = [
    ...envelopeFindings(envelopeIs, units),
    ...(inside ? envelopePieceFindings(entry, inside, units) : []),
    ...stopperFindings(construction, post, weightOf),
    ...(rate
      ? []
      : [{
          severity: 'warn' as const,
          subject: 'Posting',
          problem: `no rate in the table takes ${thick(closed.thickness)} and ${Math.ceil(weight)} g.`,
        }]),
  ]
  return { closed, stack, map, weight, envelope: inside, rate, findings }
}

interface Size {
  width: Length
  height: Length
}

/** What is known of the envelope of a card. */
interface EnvelopeIs {
  closed: Size & { thickness: Length }
  /** Nanometres that an envelope must be larger on each side. */
  spare: number
  /** Too thick for any envelope. */
  bulky: boolean
  /** Key of the one that was chosen; empty where none was. */
  wanted: string
  smallest?: Size & { name: string }
  chosen?: Size & { name: string }
  isInside: boolean
  /** What it is posted in after all. */
  posted: Size
}

/** Thickness is measured in millimetres by makers of either school. */
const thick = (length: Length) => `${(length / MILLIMETRE).toFixed(1)} mm`

function envelopeFindings(
  { closed, spare, bulky, wanted, smallest, chosen, isInside, posted }: EnvelopeIs, units: Units,
): Finding[] {
  const size = ({ width, height }: Size) => formatSize(width, height, units)
  const of = (subject: string, problem: string): Finding[] => [{ severity: 'warn', subject, problem }]
  if (bulky) {
    const box = { width: sum(closed.width, ROOM), height: sum(closed.height, ROOM) }
    return of(
      'Closed card',
      `is ${thick(closed.thickness)} thick; above ${thick(BULKY)} it is bulky and goes into a box envelope of `
      + `${size(box)} or from hand to hand.`,
    )
  }
  if (wanted && !chosen) {
    return of(
      'Envelope',
      `the one that was chosen (${wanted}) is not in the table any more; `
      + `${smallest ? `“${smallest.name}” fits` : 'none there fits'}.`,
    )
  }
  if (chosen && !isInside) {
    return of(
      'Envelope',
      `“${chosen.name}” of ${size(chosen)} is too small: the card is ${size(closed)} and wants `
      + `${formatLength(nanometres(spare), units, { unit: true })} more on each side. `
      + (smallest ? `“${smallest.name}” fits.` : 'None in the table fits.'),
    )
  }
  return chosen
    ? []
    : of(
        'Envelope',
        `none in the table takes ${size(closed)}: make one of ${size(posted)}, such as the envelope with side seams.`,
      )
}

/** How thick each part is, by its paper. */
const thicknessIn = (papers: ReadonlyMap<string, Paper | undefined>, { bulk }: PostEntry) =>
  ({ key }: Part): Length => {
    const paper = papers.get(key)
    return paper ? thicknessOf(paper, bulk) : thickness(USUAL_WEIGHT, bulk)
  }

/** Stoppers that what rests against them slips over. */
function stopperFindings(
  { stoppers, parts, joints }: Construction, post: PostEntry, weightOf: (part: Part) => number,
): Finding[] {
  const layer = (key: string) => thickness(weightOf(byKey(parts, key)), post.bulk)
  return stoppers.flatMap(({ part, against }): Finding[] => {
    const under = joints.find(joint => joint.part === part && joint.means === 'foam')
    const foam = under?.foam ?? lengthFrom(post.foam)
    const height = layer(part) + (under ? foam : 0)
    const rests = against.reduce((whole, key) => whole + layer(key), 0)
    if (height >= rests) return []
    return [{
      severity: 'warn',
      subject: byKey(parts, part).name,
      problem:
        `stands ${thick(nanometres(height))} high, but what rests against it is ${thick(nanometres(rests))} thick and `
        + `slips over it: put ${Math.ceil((rests - layer(part)) / foam)} layers of foam under it.`,
    }]
  })
}
