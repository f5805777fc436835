import type { Batch, PoolEntry, Turn } from '../document'
import { POOL_PREFIX, freeKey, freeTitle, keyFrom } from '../document'
import type { Piece } from '../folds'
import { halvedSide, mainCrease } from '../folds'
import type { Paper } from '../paper'
import { allowedTurn, alongGrain } from '../paper'

/** A name for several papers, with those of them that are on the shelf. */
export interface Pool {
  key: string
  name: string
  papers: Paper[]
}

/** How many of a piece are cut from one paper, and how they may lie on it. */
export interface Share {
  paper: Paper
  turn: Turn
  quantity: number
}

export const readPool = ({ key, name, papers }: PoolEntry, shelf: ReadonlyMap<string, Paper>): Pool =>
  ({ key, name, papers: papers.flatMap(paper => shelf.get(paper) ?? []) })

/** How a piece may lie on a paper. On a base that comes folded its fold lies in that of the sheet. */
export function turnOn(paper: Paper, piece: Piece): Turn {
  const halved = paper.folded === 'flat' ? undefined : halvedSide(piece)
  if (halved) return halved === paper.folded ? 'as drawn' : 'turned'
  return alongGrain(allowedTurn(paper, piece.printTop), paper.grain, mainCrease(piece))
}

/** How many scores of a piece are still to be made: what comes folded has the one in its middle. */
export const scoresLeft = ({ folded }: Pick<Paper, 'folded'> = { folded: 'flat' }, piece: Piece): number =>
  piece.scores.length - Number(folded !== 'flat' && halvedSide(piece) !== undefined)

/** Another pool of a class, with no paper in it yet. */
export function newPool({ pools }: Pick<Batch, 'pools'>): PoolEntry {
  const name = freeTitle('Pool', pools.map(pool => pool.name))
  return { key: freeKey(`${POOL_PREFIX}${keyFrom(name, 'pool')}`, pools.map(({ key }) => key)), name, papers: [] }
}

/** Takes a pool out of a class; what was cut from it has no paper any more. Changes the draft that it is given. */
export function removePool(batch: Pick<Batch, 'pools' | 'cards'>, key: string): void {
  batch.pools = batch.pools.filter(pool => pool.key !== key)
  for (const choice of batch.cards.flatMap(card => [card, ...card.colourways])) {
    const left = Object.entries(choice.papers).filter(([, paper]) => paper !== key)
    if (left.length < Object.keys(choice.papers).length) choice.papers = Object.fromEntries(left)
  }
}
