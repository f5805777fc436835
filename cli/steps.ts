import type { Preparation } from '../core/batch'
import type { Batch } from '../core/document'
import { findingsOf, stopsIn } from '../core/kits'
import type { Report } from './reports'
import { findingLines, heading, stepLines } from './reports'

/** How every card of a class is made, in the one order of construction, layers, pieces and works. */
export function stepsReport(batch: Batch, preparation: Preparation): Report {
  const { evening: { hands, drying } } = batch
  const findings = findingsOf(preparation)
  const cards = preparation.cards.map(({ entry, construction }) => ({
    card: entry.key,
    title: entry.title,
    steps: (construction?.steps ?? []).map(({ key, text, warning, needs, makes, puts, work }) => ({
      key, text, ...(warning !== undefined && { warning }), needs, makes, puts,
      ...(work && {
        work: {
          technique: work.technique, by: work.by, times: work.times,
          minutes: (hands[work.technique] * work.times) / 60, waiting: drying[work.technique] / 60,
        },
      }),
    })),
  }))
  return {
    data: { class: batch.class, cards },
    text: [
      heading(batch),
      ...cards.map(({ title, steps }) => [
        `\n${title}`,
        ...stepLines(steps).map(step => `  ${step}`),
      ].join('\n')),
      ...findingLines(findings),
    ].join('\n'),
    stops: stopsIn(findings),
  }
}
