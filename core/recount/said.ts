import type { KitPart, KitWork, Recipes, Said, SaidCutting, SaidKit } from '../audit'
import type { Preparation } from '../batch'
import type { PaperOutcome } from '../plans'
import type { Bag, PackedKit, Kits } from '../kits'
import { packedKit, piecesInBag, suppliesFor, tasksOf, weighedBags } from '../kits'
import { ANY_SCRAP } from '../document'
import { envelopeWorks } from '../dressing'
import type { PartWork, Piece } from '../folds'
import { mainCrease } from '../folds'
import { techniqueOf } from '../making'
import { bagLabels, kitLabels, packingSection } from '../printed'

/* What a prepared and planned class says of itself, as plain data for the auditor. */

/** The pieces of one kit of every card, as its fold and its dressing make them. */
export const recipesOf = ({ cards }: Preparation): Recipes =>
  new Map(
    cards.map(({ entry, made, construction }) => [
      entry.key,
      {
        parts: made.pieces.map((piece): KitPart => ({
          key: piece.key,
          name: piece.name,
          kind: piece.kind,
          width: piece.width.value,
          height: piece.height.value,
          perKit: piece.perKit,
          printTop: piece.printTop,
          pair: piece.pair,
          outOf: piece.outOf,
          scores: piece.scores.length,
          creases: mainCrease(piece),
          halves: halvesOf(piece),
          joints: (construction?.joints ?? []).filter(
            ({ part, means }) => part === piece.key && means !== 'held' && means !== 'glue',
          ).length,
          works: piece.works?.map(kitWork),
        })),
        envelope: envelopeWorks(entry).map(kitWork),
        things: (construction?.extras ?? []).map(({ name, count, length }) => ({ name, count, length })),
      }]))

const kitWork = ({ technique, by, times }: Pick<PartWork, 'technique' | 'by' | 'times'>): KitWork => {
  const { name, when } = techniqueOf(technique)
  return { technique, name, by, times, isFlat: when === 'flat' }
}

/** The side that the first score from edge to edge in its middle parts in two. */
function halvesOf({ scores }: Piece): 'width' | 'height' | undefined {
  const middle = scores.find(({ ends, at, fromOtherEnd }) => !ends && at.value === fromOtherEnd.value)
  return middle && (middle.along === 'x' ? 'width' : 'height')
}

const saidKit = ({ card, colourway, pieces, strips }: PackedKit): SaidKit => ({
  card: card.entry.key,
  colourway: colourway?.key,
  pieces: pieces.map(({ piece, count, paper, level }) => ({ key: piece.key, count, paper: paper?.key, level })),
  strips: strips.map(({ paper, width, height, turn, parts }) => ({ paper: paper.key, width, height, turn, parts })),
})

const saidCutting = ({ paper, entry, plan: { layouts, unplaced } }: PaperOutcome): SaidCutting => ({
  paper: paper.key,
  wanted: entry.demands,
  asked: entry.problem.demands,
  layouts,
  unplaced,
  supplies: entry.problem.supplies.map(({ price, ...supply }) => ({ ...supply, isForSale: price !== null })),
})

/** Everything but the lists of what is in the bags. */
export function saidOf(
  preparation: Preparation, outcomes: PaperOutcome[], kits: Kits, bags: Bag[],
): Omit<Said, 'lists'> {
  const { batch, cards } = preparation
  const scrap = outcomes.find(({ paper }) => paper.key === ANY_SCRAP)
  const [check] = packingSection(bags, weighedBags(preparation, bags), piecesInBag).blocks
  return {
    bags: bags.map(({ key, label, kits }) => ({ bag: key, label, kits: kits.map(saidKit) })),
    over: cards.flatMap(card =>
      card.dealt.filter(({ bag }) => bag === undefined).map(kit => saidKit(packedKit(card, kit))),
    ),
    papers: outcomes.filter(outcome => outcome !== scrap).map(saidCutting),
    scrap: scrap && saidCutting(scrap),
    labels: { bags: bagLabels(bags, batch, ''), kits: kitLabels(bags) },
    packing: check?.kind === 'table' ? check.rows.map(row => ({ label: row[1] ?? '', pieces: Number(row[2]) })) : [],
    purchases: kits.purchases,
    uses: new Map(suppliesFor(preparation).map(({ key, use }) => [key, use])),
    tasks: tasksOf(preparation, bags).map(({ name, times }) => ({ name, times })),
  }
}
