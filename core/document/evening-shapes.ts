import 'reflect-metadata'
import { fieldsOf, withFields } from './field-checks'
import { DRYING, EVENING, HANDS } from './fields'
import { one } from './shape-checks'

/* How long the making takes in the evening, and what is shared. */

@withFields(HANDS)
export class HandsEntry extends fieldsOf(HANDS) {}

@withFields(DRYING)
export class DryingEntry extends fieldsOf(DRYING) {}

@withFields(EVENING)
export class EveningEntry extends fieldsOf(EVENING) {
  @one(() => HandsEntry, 'the seconds for each thing that is done')
  hands!: HandsEntry

  @one(() => DryingEntry, 'the seconds that each thing dries')
  drying!: DryingEntry
}
