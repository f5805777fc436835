import type { Suggestion, TeachWishes } from '../core/kits'
import { suggestions } from '../core/kits'
import type { Solve } from '../core/cutting'
import { wholeMinutes } from '../core/cutting'
import type { Batch } from '../core/document'
import { foldById } from '../core/folds'
import { count } from '../core/lists'
import type { Report } from './reports'
import { moneyIn, table } from './reports'

/** What could be taught from the shelf of a batch file, the best first. */
export function teachReport(batch: Batch, wishes: TeachWishes, solve: Solve): Report {
  let found: Suggestion[] = []
  for (const search = suggestions(batch, wishes, solve); ;) {
    const { done, value } = search.next()
    found = value
    if (done) break
  }
  const money = moneyIn(batch)
  const named = found.map(one => ({
    ...one, name: foldById(one.fold)?.name ?? one.fold, skill: foldById(one.fold)?.skill ?? '',
  }))
  const data = named.map(
    ({ fold, name, skill, papers, kits, most, wanted, toBuy, spending, whole, minutes, flat, others, nearby }) => ({
      fold, name, skill, papers, kits, most, wanted, toBuy, spending, whole, minutes, flat,
      others: others.map(({ papers, kits }) => ({ papers, kits })), nearby,
    }))
  const need = found[0]?.wanted ?? 0
  const enough = found.filter(({ kits, wanted }) => kits >= wanted).length
  return {
    data,
    text: found.length === 0
      ? 'Nothing of the catalogue can be made of what is on the shelf as you wish it.'
      : [
          table(['Fold', 'Skill', 'Papers', 'Kits', 'To buy for all', 'Minutes'], named.map(row)),
          `${count(found.length, 'fold')}; ${enough} of them for all ${count(need, 'kit')} from what is on hand. `
          + 'Minutes are those at the trimmer.',
          ...named.flatMap(({ name, wanted, kits, nearby }) => (nearby
            ? [
                `${name}: with ${nearby.label.toLowerCase()} ${nearby.shown} ${nearby.kits} kits instead of ${kits} (of ${wanted}).`,
              ]
            : [])),
        ].join('\n'),
    stops: 0,
  }

  function row({
    name, skill, papers, kits, wanted, toBuy, spending, whole, minutes,
  }: (typeof named)[number]): (string | number)[] {
    const buy = toBuy.map(({ paper, sheets }) => `${sheets} × ${paper}`).join(', ')
    const missing = kits >= wanted ? 'nothing' : whole ? `${buy}, ${money(spending)}` : 'cannot be bought whole'
    return [name, skill, papers.join(', '), kits, missing, wholeMinutes(minutes)]
  }
}
