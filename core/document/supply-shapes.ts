import 'reflect-metadata'
import { Matches } from 'class-validator'
import { BOUNDS } from './bounds'
import { key, least, most, number, oneOf, whole } from './shape-checks'
import { IsFilledText, IsLengthText, IsText } from './validators'
import type { OffcutWorth, PackCount, PrinterPaper, ShoppingSort, StickingWay, SupplyUse } from './vocabulary'
import { OFFCUT_WORTHS, PACK_COUNTS, PRINTER_PAPERS, SHOPPING_SORTS, STICKING_WAYS, SUPPLY_USES } from './vocabulary'

/* Everything in a bag that is not paper, what the class costs, and what has been ordered. */

/** What is bought and not cut. It is measured in metres, millilitres or pieces, by what it is used for. */
export class SupplyEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  @oneOf(SUPPLY_USES)
  use!: SupplyUse

  /** Which one where there are several: the height of foam, the key of an envelope; empty for any. */
  @IsText(BOUNDS.key)
  of!: string

  /** How the maker sticks with it. */
  @oneOf(STICKING_WAYS)
  way!: StickingWay

  /** How much a pack holds, in metres, millilitres or pieces. */
  @most(BOUNDS.amount) @least(0.001) @number('metres, millilitres or pieces')
  pack!: number

  /** Cents for a pack. */
  @most(BOUNDS.cents) @least(0) @number('cents')
  price!: number

  /** Metres, millilitres or pieces. */
  @most(BOUNDS.onHand) @least(0) @number('metres, millilitres or pieces')
  onHand!: number

  /** Grams of a metre, a millilitre or a piece. */
  @most(BOUNDS.grams) @least(0) @number('grams')
  weight!: number
}

/** A line of the shopping list that something is noted of. */
export class ShoppingEntry {
  @key()
  key!: string

  @oneOf(SHOPPING_SORTS)
  sort!: ShoppingSort

  /** Key of the paper, or of the supply. */
  @key()
  item!: string

  /** Key of the sheet format of a paper; empty for a supply. */
  @IsText(BOUNDS.key)
  stock!: string

  /** Where it is bought, in the maker's own words. */
  @IsText(BOUNDS.title)
  where!: string

  /** Sheets or packs that are on their way. */
  @most(BOUNDS.onHand) @least(0) @whole()
  ordered!: number
}

/** Labels on a sheet of them: so many across and down, their size, where the first one begins and what lies between them. */
export class LabelsEntry {
  @oneOf(PRINTER_PAPERS)
  paper!: PrinterPaper

  @most(BOUNDS.labels) @least(1) @whole()
  columns!: number

  @most(BOUNDS.labels) @least(1) @whole()
  rows!: number

  @IsLengthText()
  width!: string

  @IsLengthText()
  height!: string

  @IsLengthText({ zero: true })
  left!: string

  @IsLengthText({ zero: true })
  top!: string

  @IsLengthText({ zero: true })
  across!: string

  @IsLengthText({ zero: true })
  down!: string
}

export class PricesEntry {
  @Matches(/^[A-Z]{3}$/, { message: 'is a currency code of three capital letters' })
  currency!: string

  /** Cents that an hour of the maker's is worth. */
  @most(BOUNDS.cents) @least(0) @number('cents')
  hour!: number

  /** Cents for the room of one class. */
  @most(BOUNDS.cents) @least(0) @number('cents')
  venue!: number

  /** Cents that a seat pays. */
  @most(BOUNDS.cents) @least(0) @number('cents')
  seat!: number

  /** Whether packs count by what is used of them, or whole once they are opened. */
  @oneOf(PACK_COUNTS)
  packs!: PackCount

  /** What is left of sheets is worth its share of them, or nothing. */
  @oneOf(OFFCUT_WORTHS)
  offcuts!: OffcutWorth
}
