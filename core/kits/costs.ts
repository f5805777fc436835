import { tally } from '../lists'
import { sheetOf } from '../paper'
import type { Batch, SupplyEntry } from '../document'
import type { KitCard, Kits, Money } from './kits'
import type { Usage } from './usage'
import { added, stickingFor, stuckIn } from './usage'
import { kitsFor, moneyOf } from './kits'
import { thingsFor, withThings } from './bought'
import type { PaperOutcome } from '../plans'
import type { Bag } from './packing'
import { packedBags } from './packing'
import type { Parcel } from './parcel'
import { parcelOf } from './parcel'
import { postingOf } from './posting'
import type { Preparation, PreparedCard } from '../batch'
import { padsAmong } from '../batch'
import { taskMinutes, tasksOf } from './tasks'

/** Supplies of a class, those that its cards name and that have no price yet among them. */
export const suppliesFor = ({ batch, cards }: Pick<Preparation, 'batch' | 'cards'>): SupplyEntry[] =>
  withThings(batch.supplies, cards.flatMap(({ construction }) => construction?.extras ?? []))

/** What goes with every bag: a bag and a label. */
const perBag = (supplies: SupplyEntry[]): Usage[] => (['bag', 'label'] as const).flatMap((wanted) => {
  const entry = supplies.find(({ use }) => use === wanted)
  return entry ? [{ supply: entry.key, amount: 1 }] : []
})

/** Folds of the catalogue that are envelopes and boxes themselves. */
const ENVELOPES = ['side-seam-envelope', 'diagonal-envelope', 'box-envelope']
const isEnvelope = ({ entry }: PreparedCard): boolean => ENVELOPES.includes(entry.fold)

/** Whether a class cuts an envelope for each of its other kits, so that none is bought. */
function cutsEnvelopes(cards: PreparedCard[]): boolean {
  const kits = (some: PreparedCard[]) => some.reduce((sum, card) => sum + card.kits, 0)
  const cut = kits(cards.filter(isEnvelope))
  return cut > 0 && cut >= kits(cards.filter(card => !isEnvelope(card)))
}

/**
 * What one kit of a card takes of supplies: what sticks, and things with the envelope it goes into where one is bought.
 */
function usesOf(
  card: PreparedCard, { batch, cards }: Pick<Preparation, 'batch' | 'cards'>, supplies: SupplyEntry[],
): Pick<KitCard, 'sticking' | 'things'> {
  const { construction } = card
  if (!construction) return { sticking: [], things: [] }
  const isBought = !isEnvelope(card) && !cutsEnvelopes(cards)
  const envelope = !isBought ? undefined : postingOf(card, batch.post, supplies, batch.class.units)?.envelope?.key
  const own = supplies.find(({ use, of }) => use === 'envelope' && of !== '' && of === envelope)
    ?? (envelope === undefined ? undefined : supplies.find(({ use, of }) => use === 'envelope' && of === ''))
  return {
    sticking: stickingFor(stuckIn(construction), supplies, batch.class.units).uses,
    things: [...thingsFor(construction.extras, supplies), ...own ? [{ supply: own.key, amount: 1 }] : []],
  }
}

const isSupplied = (profile: Bag['profile']): boolean => profile.adhesive !== 'brought'

/** The kits of a prepared and planned class. */
export function kitsOfBatch(batch: Batch, preparation: Preparation, outcomes: PaperOutcome[]): Kits {
  const { cards } = preparation
  const supplies = suppliesFor(preparation)
  const bags = packedBags(preparation)
  return kitsFor({
    supplies,
    pads: padsAmong(batch.papers),
    packs: batch.prices.packs,
    offcuts: batch.prices.offcuts,
    perBag: perBag(supplies),
    bags: bags.filter(({ kits }) => kits.length > 0).length,
    cards: cards.map((card): KitCard => ({
      key: card.entry.key,
      kits: card.kits,
      ...usesOf(card, preparation, supplies),
      stuck: card.dealt.filter(({ prep }) => isSupplied(prep.profile)).length,
      areas: areasOf(card),
    })),
    papers: outcomes.map(({ paper, sheets, leaves }) => ({
      paper,
      sheets: sheets.map(({ cut, ...sheet }) => ({ ...sheet, needed: sheet.needed + cut, onHand: sheet.onHand + cut })),
      left: leaves.reduce((sum, { width, height, count }) => sum + width * height * count, 0),
    })),
  })
}

/** Square nanometres that all kits of a card take of each paper. */
function areasOf({ pieces, strips }: PreparedCard): Map<string, number> {
  return tally([
    ...pieces.flatMap(({ width, height, shares }) =>
      shares.map(({ paper, quantity }) => ({ paper, area: width.value * height.value * quantity }))),
    ...strips.map(({ paper, width, height, quantity }) => ({ paper, area: width * height * quantity })),
  ], ({ paper }) => sheetOf(paper).key, ({ area }) => area)
}

/** Bags that are posted: all of a class by post, else those of who joins from afar. */
export const isPosted = ({ class: { delivery } }: Pick<Batch, 'class'>, { key, seat, kits }: Bag): boolean =>
  kits.length > 0 && !key.startsWith('spare') && (delivery === 'by post' || seat.online)

/** The bags that are posted. */
export const parcelsOf = (preparation: Preparation, bags: Bag[] = packedBags(preparation)): Parcel[] =>
  weighedBags(preparation, bags.filter(bag => isPosted(preparation.batch, bag)))

/** Bags that something is in, with their size and weight; what lies on the table or is brought is not in them. */
export function weighedBags(preparation: Preparation, bags: Bag[] = packedBags(preparation)): Parcel[] {
  const { batch } = preparation
  const supplies = suppliesFor(preparation)
  const ofCard = new Map(preparation.cards.map(card => [card, usesOf(card, preparation, supplies)]))
  return bags.filter(({ kits }) => kits.length > 0).map((bag) => {
    const uses = bag.kits.flatMap(({ card }) => {
      const { sticking, things } = ofCard.get(card) ?? { sticking: [], things: [] }
      const isIn = bag.profile.adhesive === 'in the bag' || bag.profile.adhesive === 'precut'
      return [{ uses: things, times: 1 }, { uses: sticking, times: isIn ? 1 : 0 }]
    })
    return parcelOf(bag, added(...uses, { uses: perBag(supplies), times: 1 }), batch.post, supplies)
  })
}

/** What a planned class costs and brings in. */
export function moneyOfClass(preparation: Preparation, outcomes: PaperOutcome[], kits: Kits): Money {
  const { batch } = preparation
  const bags = packedBags(preparation)
  const cutting = outcomes.reduce((sum, { minutes }) => sum + minutes, 0)
  return moneyOf({
    material: kits.totals.cost,
    minutes: cutting + taskMinutes(tasksOf(preparation, bags)) + batch.class.lasts,
    hour: batch.prices.hour,
    venue: batch.prices.venue,
    posting: parcelsOf(preparation, bags).reduce((sum, { rate }) => sum + (rate?.price ?? 0), 0),
    seats: batch.class.seats,
    seat: batch.prices.seat,
  })
}
