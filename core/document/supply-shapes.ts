import 'reflect-metadata'
import { BOUNDS } from './bounds'
import { fieldsOf, withFields } from './field-checks'
import { LABELS, PRICES } from './fields'
import { key, least, most, number, oneOf, whole } from './shape-checks'
import { IsFilledText, IsText } from './validators'
import type { ShoppingSort, StickingWay, SupplyUse } from './vocabulary'
import { SHOPPING_SORTS, STICKING_WAYS, SUPPLY_USES } from './vocabulary'

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

@withFields(LABELS)
export class LabelsEntry extends fieldsOf(LABELS) {}

@withFields(PRICES)
export class PricesEntry extends fieldsOf(PRICES) {}
