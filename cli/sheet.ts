import { prepare } from '../core/batch'
import type { Batch } from '../core/document'
import { findingsOf, stopsIn } from '../core/kits'
import { sheetPage, sheetSections } from '../core/printed'
import type { Report } from './reports'

/** A published sheet of every card, as one page; its sections as data. */
export function sheetReport(batch: Batch): Report {
  const preparation = prepare(batch)
  return {
    data: preparation.cards.flatMap(card => sheetSections(card, batch)),
    text: sheetPage(preparation),
    stops: stopsIn(findingsOf(preparation)),
  }
}
