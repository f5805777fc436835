import { bagsOf } from '../../core/batch'
import type { PreparedPiece } from '../../core/batch'
import { ANY_SCRAP } from '../../core/document'
import { onCard, shoppingList, stillToBuy, stopsIn } from '../../core/kits'
import { sheetOf } from '../../core/paper'

/** How many papers of the shelf pieces are cut from, those of pools among them. */
const papersIn = (pieces: PreparedPiece[]): number =>
  new Set(pieces.flatMap(({ shares }) => shares.map(({ paper }) => sheetOf(paper).key))
    .filter(key => key !== ANY_SCRAP)).size

/** The stations of a class's preparation, in the order of the craft. */
export const STATIONS = [
  { key: 'cards', name: 'Cards' },
  { key: 'papers', name: 'Papers' },
  { key: 'pieces', name: 'Pieces' },
  { key: 'cutting', name: 'Cutting' },
  { key: 'kits', name: 'Kits' },
  { key: 'evening', name: 'Evening' },
] as const

export type StationKey = (typeof STATIONS)[number]['key']

export interface StationState {
  /** The station's one key figure. */
  figure: string
  state: 'ready' | 'needs you' | 'working' | 'empty'
}

/** Key figure and state of every station. */
export function useStations() {
  const work = useClassStore()
  const planner = usePlannerStore()
  const evening = useEveningStore()

  return computed((): Record<StationKey, StationState> => {
    const cards = work.settled?.preparation.cards ?? []
    const pieces = cards.flatMap(card => card.pieces)
    const paperless = pieces.filter(piece => !piece.paper && !piece.brought).length
    const broken = stopsIn(onCard(cards.flatMap(card => card.findings)))
    const sheets = planner.outcomes.reduce((total, { plan }) => total + plan.sheets, 0)
    const unplaced = planner.papers.some(
      ({ job, outcome }) => job.state === 'failed' || (outcome && outcome.plan.unplaced.length > 0),
    )
    const toBuy = planner.kits !== undefined
      && stillToBuy(shoppingList(work.batch, planner.kits, work.batch.supplies)).things > 0
    const state = (wrong: boolean): StationState['state'] =>
      cards.length === 0 ? 'empty' : wrong ? 'needs you' : 'ready'
    return {
      cards: { figure: count(cards.length, 'card'), state: state(broken > 0) },
      papers: {
        figure: count(papersIn(pieces), 'paper'),
        state: state(paperless > 0),
      },
      pieces: {
        figure: count(
          pieces.reduce((total, { quantity }) => total + quantity, 0),
          'piece',
        ),
        state: state(broken > 0),
      },
      cutting: {
        figure: planner.planless && !planner.ready ? '…' : count(sheets, 'sheet'),
        state: planner.running ? 'working' : state(unplaced || paperless > 0),
      },
      kits: {
        figure: count(work.settled ? bagsOf(work.settled.batch).length : 0, 'bag'),
        state: planner.running ? 'working' : state(toBuy || unplaced || paperless > 0),
      },
      evening: {
        figure: `${work.settled?.batch.class.lasts ?? 0} min`,
        state: evening.isRunning ? 'working' : state(evening.fits === false),
      },
    }
  })
}
