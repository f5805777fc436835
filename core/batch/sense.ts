import type { Batch, ClassDocument, Problem } from '../document'
import { ANY_SCRAP, MOST_PROBLEMS } from '../document'
import { foldById, FOLDS, inputProblems } from '../folds'

/** Checks what the shape cannot: folds and their parameters. */
export function documentProblems({ class: { units }, cards }: ClassDocument): Problem[] {
  return cards.flatMap((card, index) => {
    const fold = foldById(card.fold)
    if (!fold) return [{ path: `cards[${index}].fold`, problem: `is one of: ${FOLDS.map(({ id }) => id).join(', ')}` }]
    return inputProblems(fold.parameters, card.parameters, units)
      .map(({ parameter, problem }) => ({ path: `cards[${index}].parameters.${parameter}`, problem }))
  }).slice(0, MOST_PROBLEMS)
}

/** As `documentProblems`, and every paper that is named must be in the batch. */
export function batchProblems(batch: Batch): Problem[] {
  const keys = batch.papers.map(({ key }) => key)
  return [
    ...documentProblems(batch),
    ...batch.cards.flatMap((card, index) => Object.entries(card.papers)
      .filter(([, paper]) => paper !== ANY_SCRAP && !keys.includes(paper))
      .map(([part, paper]) => ({
        path: `cards[${index}].papers.${part}`,
        problem: `names the paper “${paper}”, which the file does not hold. It holds: ${keys.join(', ') || 'none'}`,
      }))),
  ].slice(0, MOST_PROBLEMS)
}
