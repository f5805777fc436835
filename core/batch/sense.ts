import type { Batch, ClassDocument, Problem } from '../document'
import { ANY_SCRAP, MOST_PROBLEMS, choicesOf, isPool } from '../document'
import { foldById, FOLDS, inputProblems } from '../folds'

/** Checks what the shape cannot: folds and their parameters, and that there are the pools that pieces are cut from. */
export function documentProblems({ class: { units }, cards, pools }: ClassDocument): Problem[] {
  return cards.flatMap((card, index): Problem[] => {
    const fold = foldById(card.fold)
    if (!fold) return [{ path: `cards[${index}].fold`, problem: `is one of: ${FOLDS.map(({ id }) => id).join(', ')}` }]
    const missing = choicesOf(card).filter(({ paper }) => isPool(paper) && !pools.some(pool => pool.key === paper))
    return [
      ...inputProblems(fold.parameters, card.parameters, units)
        .map(({ parameter, problem }) => ({ path: `cards[${index}].parameters.${parameter}`, problem })),
      ...missing.map(({ path, paper }) => ({
        path: `cards[${index}].${path}`,
        problem: `names the pool “${paper}”, which the class does not have. It has: ${pools.map(pool => pool.key).join(', ') || 'none'}`,
      })),
    ]
  }).slice(0, MOST_PROBLEMS)
}

/** As `documentProblems`, and every paper that is named must be in the batch. */
export function batchProblems(batch: Batch): Problem[] {
  const keys = batch.papers.map(({ key }) => key)
  return [
    ...documentProblems(batch),
    ...batch.cards.flatMap((card, index) => choicesOf(card)
      .filter(({ paper }) => paper !== ANY_SCRAP && !isPool(paper) && !keys.includes(paper))
      .map(({ path, paper }) => ({ path: `cards[${index}].${path}`, problem: notHeld(paper, keys) }))),
    ...batch.pools.flatMap(({ papers }, index) => papers
      .filter(paper => !keys.includes(paper))
      .map(paper => ({ path: `pools[${index}].papers`, problem: notHeld(paper, keys) }))),
  ].slice(0, MOST_PROBLEMS)
}

const notHeld = (paper: string, keys: string[]): string =>
  `names the paper “${paper}”, which the file does not hold. It holds: ${keys.join(', ') || 'none'}`
