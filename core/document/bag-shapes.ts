import 'reflect-metadata'
import { Matches } from 'class-validator'
import { BOUNDS } from './bounds'
import { having, key, least, most, one, oneOf, whole, yesOrNo } from './shape-checks'
import type { RuleName } from './rules'
import { RULE_NAMES } from './rules'
import { IsFilledText, IsPaperChoice, IsPointers, IsText, IsWholeOrNull } from './validators'
import type { RuleHold } from './vocabulary'
import { BAG_KEY, RULE_HOLDS } from './vocabulary'

/* What makes bags differ: colourways, how prints are shared out, and who sits where. */

/** A named choice of papers for a card: what it does not say is as on the card. */
export class ColourwayEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  /** For part keys the key of a paper, or of a pool. */
  @IsPaperChoice()
  papers!: Record<string, string>

  /** How many kits are of it; `null` for as many as students wish for, and an even share of what is left. */
  @IsWholeOrNull(BOUNDS.kits)
  kits!: number | null
}

/** How firmly a rule is held, and what a wish weighs: a sheet weighs 100. */
export class RuleEntry {
  @oneOf(RULE_HOLDS)
  hold!: RuleHold

  @most(BOUNDS.ruleWeight) @least(0) @whole()
  weight!: number
}

/** How prints of pools are shared out among the kits: by the rules of the table, each with its own hold. */
export class SharingEntry extends having<Record<RuleName, RuleEntry>>() {
  /** Bags beyond seats and spare ones, for people who choose on the day. */
  @most(BOUNDS.surplus) @least(0) @whole()
  surplus!: number
}
for (const rule of RULE_NAMES) one(() => RuleEntry, 'a rule: hold and weight')(SharingEntry.prototype, rule)

/** What is particular about one bag: whose it is, and what that student wishes and needs. */
export class SeatEntry {
  /** The bag: `seat-3`, `spare-1`, `choice-2`. */
  @Matches(BAG_KEY, { message: 'is the key of a bag: seat-3, spare-1 or choice-2' })
  key!: string

  @IsText(BOUNDS.title)
  name!: string

  /** For keys of cards the key of the colourway that is wished for. */
  @IsPointers(BOUNDS.cards)
  colourways!: Record<string, string>

  /** What was given by hand and stays: for `card part` the key of a print. */
  @IsPointers(BOUNDS.names)
  prints!: Record<string, string>

  /** Key of the profile that says how far its pieces are made ready; empty for the usual one. */
  @IsText(BOUNDS.key)
  profile!: string

  @yesOrNo()
  leftHanded!: boolean

  /** Joins from afar: the bag is posted. */
  @yesOrNo()
  online!: boolean

  @yesOrNo()
  paid!: boolean

  /** Its bag is packed and counted. */
  @yesOrNo()
  packed!: boolean

  @IsText(BOUNDS.notes)
  notes!: string
}
