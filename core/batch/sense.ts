import type { Batch, ClassDocument, PaperEntry, Problem } from '../document'
import { ANY_SCRAP, MOST_PROBLEMS, choicesOf, isBack, isPool, paperOfSide } from '../document'
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
  return [
    ...documentProblems(batch),
    ...batch.cards.flatMap((card, index) => choicesOf(card)
      .filter(({ paper }) => paper !== ANY_SCRAP && !isPool(paper))
      .flatMap(({ path, paper }) =>
        sideProblem(paper, batch).map(problem => ({ path: `cards[${index}].${path}`, problem })))),
    ...batch.pools.flatMap(({ papers }, index) => papers
      .flatMap(paper => sideProblem(paper, batch).map(problem => ({ path: `pools[${index}].papers`, problem })))),
    ...batch.papers.flatMap((paper, index) =>
      padProblems(paper).map(({ path, problem }) => ({ path: `papers[${index}].${path}`, problem }))),
  ].slice(0, MOST_PROBLEMS)
}

/** What is wrong with a paper that is named, or with the side of it. */
function sideProblem(named: string, { papers }: Batch): string[] {
  const paper = papers.find(({ key }) => key === paperOfSide(named))
  if (!paper) return [notHeld(paperOfSide(named), papers.map(({ key }) => key))]
  if (paper.kind === 'pad') return [`names “${named}”, which is a pad: name one of the papers in it`]
  return isBack(named) && !paper.back.differs
    ? [`names the other side of “${paper.key}”, which is alike on both sides`]
    : []
}

/** What does not go together in a pad, in bought bases, or in a paper that is neither. */
export function padProblems({ kind, holds, stocks, folded, pictures }: PaperEntry): Problem[] {
  if (kind !== 'pad' && holds.length > 0)
    return [{ path: 'holds', problem: 'is for pads only: a paper holds no others' }]
  if (pictures.length > 0) {
    if (kind === 'pad') return [{ path: 'pictures', problem: 'are of a paper; a pad has none of its own' }]
    if (stocks.length > 1)
      return [{ path: 'stocks', problem: 'have one size on a paper with pictures: on another size there are others' }]
  }
  if (folded !== 'flat') {
    if (kind === 'pad') return [{ path: 'folded', problem: 'is for bases that are bought folded; a pad is flat' }]
    return stocks.length > 1
      ? [{
          path: 'stocks',
          problem: 'have one size, laid open, where bases come folded: those of another size are another paper',
        }]
      : []
  }
  if (kind !== 'pad') return []
  const [format, ...others] = stocks
  if (!format || others.length > 0) return [{ path: 'stocks', problem: 'have one size in a pad' }]
  if (holds.length === 0) return [{ path: 'holds', problem: 'names the papers of the pad: there is none' }]
  const sheets = holds.reduce((sum, { count }) => sum + count, 0)
  return sheets === format.pack
    ? []
    : [{ path: 'holds', problem: `adds up to ${sheets} sheets; the pad has ${format.pack}` }]
}

const notHeld = (paper: string, keys: string[]): string =>
  `names the paper “${paper}”, which the file does not hold. It holds: ${keys.join(', ') || 'none'}`
