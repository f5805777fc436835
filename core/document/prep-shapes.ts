import 'reflect-metadata'
import { BOUNDS } from './bounds'
import { fieldsOf, namesOf, withFields } from './field-checks'
import { PREP_PACE } from './fields'
import { key, listOf, one, oneOf } from './shape-checks'
import { IsCounts, IsFilledText, IsLevels, IsText } from './validators'
import type { Adhesive, PrepLevel } from './vocabulary'
import { ADHESIVES } from './vocabulary'

/* How far pieces are made ready before they go into a bag. */

/** How far the pieces of a bag are made ready. */
export class ProfileEntry {
  @key()
  key!: string

  @IsFilledText(BOUNDS.title)
  name!: string

  /** By kind of part (`mat`), or for a single one by `card part`; what is not in it is cut. */
  @IsLevels(BOUNDS.names)
  levels!: Record<string, PrepLevel>

  /** By kind of part so many pieces more than the card takes, to choose from. */
  @IsCounts(BOUNDS.names, BOUNDS.more)
  more!: Record<string, number>

  /** Where tape, foam and glue are found. */
  @oneOf(ADHESIVES)
  adhesive!: Adhesive
}

@withFields(PREP_PACE)
export class PrepPaceEntry extends fieldsOf(PREP_PACE) {}

export class PrepEntry {
  /**
   * Key of the profile of a bag that has none of its own; empty for the one that is natural for how the class is held.
   */
  @IsText(BOUNDS.key)
  usual!: string

  @listOf(() => ProfileEntry, 'profiles', BOUNDS.profiles)
  profiles!: ProfileEntry[]

  @one(() => PrepPaceEntry, namesOf('the seconds for each action', PREP_PACE))
  pace!: PrepPaceEntry
}
