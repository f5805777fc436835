import { itemAt } from '../lists'
import type { BoughtEntry } from '../document'
import type { Extra, Joint } from '../folds'
import type { Length, Units } from '../lengths'
import { product, sum, ZERO } from '../lengths'
import { boughtFor } from './bought'
import type { Fastenings } from './fastenings'
import { fasteningsFor } from './fastenings'

/** One card of the class as the kits see it. */
export interface KitCard {
  key: string
  title: string
  kits: number
  joints: Joint[]
  /** What one kit holds besides paper, tape and foam. */
  extras: Extra[]
  pieces: KitPiece[]
}

export interface KitPiece {
  name: string
  width: Length
  height: Length
  /** Keys of the papers that it is cut from, each with its share of such pieces. */
  papers: { key: string, share: number }[]
}

/** What the plan of one paper opens and costs. */
export interface PaperUse {
  paper: { key: string, name: string }
  sheets: { width: Length, height: Length, needed: number, onHand: number, price: number | null }[]
}

export interface SupplyPrices {
  /** Cents for one metre of tape, and of the strong one. */
  tapePerMetre: number
  strongTapePerMetre: number
  /** Cents for one foam pad. */
  foamPad: number
}

export interface CardCost {
  card: string
  /** Supplies for one kit. */
  supplies: Fastenings
  extras: Extra[]
  /** Cents for one kit: its share of the sheets opened, by area, and its supplies. */
  paper: number
  other: number
}

export interface Purchase {
  paper: string
  width: Length
  height: Length
  needed: number
  onHand: number
  toBuy: number
  /** Cents; `null` where this format cannot be bought. */
  cost: number | null
}

export interface Kits {
  costs: CardCost[]
  purchases: Purchase[]
  totals: Fastenings & {
    /** Cents to spend on sheets that are not on hand. */
    spending: number
    /** Cents for everything the class uses up, on hand or not. */
    cost: number
  }
}

interface Request {
  cards: KitCard[]
  papers: PaperUse[]
  prices: SupplyPrices
  bought: BoughtEntry[]
  units: Units
}

/** Adds up what the class needs, and what a kit costs. */
export function kitsFor({ cards, papers, prices, bought, units }: Request): Kits {
  const costs = cards.map(card => costOf(card))
  const costEach = ({ paper, other }: CardCost) => paper + other
  const purchases = papers.flatMap(({ paper, sheets }) =>
    sheets
      .filter(sheet => sheet.needed > 0)
      .map((sheet): Purchase => {
        const toBuy = Math.max(0, sheet.needed - sheet.onHand)
        return {
          paper: paper.name,
          width: sheet.width,
          height: sheet.height,
          needed: sheet.needed,
          onHand: sheet.onHand,
          toBuy,
          cost: sheet.price === null ? null : sheet.price * toBuy,
        }
      }),
  )
  const totals = cards.reduce(
    (total, { kits }, index) => {
      const { supplies } = itemAt(costs, index)
      return {
        tape: sum(total.tape, product(supplies.tape, kits)),
        strong: sum(total.strong, product(supplies.strong, kits)),
        pads: total.pads + supplies.pads * kits,
      }
    },
    { tape: ZERO, strong: ZERO, pads: 0 },
  )
  return {
    costs,
    purchases,
    totals: {
      ...totals,
      spending: purchases.reduce((total, { cost }) => total + (cost ?? 0), 0),
      cost: cards.reduce((total, { kits }, index) => total + kits * costEach(itemAt(costs, index)), 0),
    },
  }

  function costOf(card: KitCard): CardCost {
    const supplies = fasteningsFor(card.joints, units)
    const paper = papers.reduce((total, use) => total + paperCost(use) * shareOf(card, use.paper.key), 0)
    return {
      card: card.key,
      supplies,
      extras: card.extras,
      paper: card.kits === 0 ? 0 : paper / card.kits,
      other: (supplies.tape / 1e9) * prices.tapePerMetre + (supplies.strong / 1e9) * prices.strongTapePerMetre
        + supplies.pads * prices.foamPad
        + boughtFor(card.extras, bought).price,
    }
  }

  function paperCost({ sheets }: PaperUse): number {
    return sheets.reduce((total, { needed, price }) => total + needed * (price ?? 0), 0)
  }

  /** Share of the area that a card takes of all pieces from one paper. */
  function shareOf(card: KitCard, paper: string): number {
    const shareFrom = ({ papers }: KitPiece) => papers.find(({ key }) => key === paper)?.share ?? 0
    const areaOf = ({ pieces, kits }: KitCard) =>
      kits * pieces.reduce((total, piece) => total + piece.width * piece.height * shareFrom(piece), 0)
    const whole = cards.reduce((total, other) => total + areaOf(other), 0)
    return whole === 0 ? 0 : areaOf(card) / whole
  }
}
