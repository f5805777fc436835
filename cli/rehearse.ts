import type { Batch } from '../core/document'
import { clockAfter } from '../core/kits'
import type { Advice, Spread } from '../core/rehearsal'
import { advise, isFitting } from '../core/rehearsal'
import type { Report } from './reports'
import { heading, table } from './reports'

/** Whether a class fits into its evening, and what would help; 1 as the exit status where it does not. */
export function rehearseReport(batch: Batch): Report {
  const advice = lastOf(advise(batch))
  const { rehearsal } = advice
  return {
    data: { class: batch.class, ...advice },
    text: [
      heading(batch),
      ...(rehearsal.stages.length === 0 ? ['Nobody makes anything yet.'] : adviceText(batch, advice)),
    ].join('\n'),
    stops: isFitting(rehearsal) ? 0 : 1,
  }
}

function lastOf(steps: Generator<unknown, Advice>): Advice {
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}

function adviceText(batch: Batch, { rehearsal, remedies, together }: Advice): string[] {
  const at = (minutes: number) => clockAfter(batch.class, minutes) ?? `${Math.round(minutes)} min`
  const spread = ({ low, middle, high }: Spread) => [low, middle, high].map(at)
  const minutes = (number: number) => number.toFixed(1)
  const { fits, runs, ends, late, students, stages, tools, dried, idle } = rehearsal
  const verdict = isFitting(rehearsal) ? 'The class fits' : 'The class does not fit'
  const best = together && isFitting(together.rehearsal) ? 'The cheapest that makes it fit' : 'Even all is not enough'
  return [
    `\n${verdict}: everybody is done in time in ${Math.round(fits * runs)} of ${runs} rehearsed evenings of ${
      students} students, ${minutes(late)} are late on average.`,
    `The last one is done at ${at(ends.middle)} in half of them, at ${at(ends.high)} in nine of ten.\n`,
    table(['Card', 'Shown', 'Half are done', 'All: one in ten', 'half', 'nine of ten'],
      stages.map(({ name, shown, half, done }) => [name, at(shown.middle), at(half.middle), ...spread(done)])),
    '',
    table(['Shared', 'Longest queue', 'Each waits, min'],
      tools.map(({ name, queue, waited }) => [name, `${queue.low} to ${queue.high}`, minutes(waited)])),
    `\nEach waits ${minutes(dried)} min for something to dry and ${minutes(idle)} min for a card to be shown.`,
    ...(remedies.length > 0
      ? ['', table(['What would help', 'Less in class, min', 'More for you, min'],
          remedies.map(({ words, gains, costs }) => [words, minutes(gains), minutes(costs)]))]
      : []),
    ...(together ? [`\n${best}: ${together.remedies.map(({ words }) => words).join('; ')}.`] : []),
  ]
}
