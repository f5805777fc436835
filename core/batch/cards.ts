import { freeKey, freeTitle } from '../document'
import type { Batch, CardEntry, PaperEntry, ParameterInputs } from '../document'
import type { Fold, PartKind } from '../folds'
import { defaultInputs, usualPaper } from '../folds'
import { lengthFrom } from '../lengths'
import { STOCK_WEIGHTS } from '../paper'

/** A new card with a paper for every part, from natural defaults or from the maker's own start. */
export function newCard(fold: Fold, batch: Batch, own: { key?: string, title?: string, parameters?: ParameterInputs } = {}): CardEntry {
  const card: CardEntry = {
    key: own.key ?? freeKey(fold.id, batch.cards.map(({ key }) => key)),
    title: freeTitle(own.title ?? fold.name, batch.cards.map(({ title }) => title)),
    fold: fold.id,
    kits: null,
    parameters: { ...defaultInputs(fold.parameters, batch.class.units), ...own.parameters },
    papers: {},
    envelope: '',
  }
  return withPapers(card, fold, batch)
}

/** The card with a usual paper for each part that has none yet. Papers already chosen stay. */
export function withPapers(card: CardEntry, fold: Fold, { class: { units }, tools, papers }: Batch): CardEntry {
  const { pieces } = fold.construct(card.parameters, units, lengthFrom(tools.mark, units))
  const chosen = { ...card.papers }
  for (const { key, kind } of pieces) {
    const suggestion = chosen[key] === undefined ? usual(kind, papers) : undefined
    if (suggestion) chosen[key] = suggestion.key
  }
  return { ...card, papers: chosen }
}

/** Bases get firm cardstock, messages the palest one, mats a print; the first of its kind wins. */
function usual(kind: PartKind, papers: PaperEntry[]): PaperEntry | undefined {
  const fitting = papers.filter(paper => paper.kind === usualPaper(kind))
  if (kind === 'message') return [...fitting].sort((a, b) => brightness(b.colour) - brightness(a.colour))[0]
  return fitting.find(paper => kind === 'mat' || paper.weight >= STOCK_WEIGHTS.light) ?? fitting[0] ?? papers[0]
}

const brightness = (colour: string): number =>
  [1, 3, 5].reduce((total, at) => total + Number.parseInt(colour.slice(at, at + 2), 16), 0)
