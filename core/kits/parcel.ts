import type { PostEntry, RateEntry, SupplyEntry } from '../document'
import { valueOf } from './usage'
import type { Usage } from './usage'
import type { Length } from '../lengths'
import { nanometres } from '../lengths'
import type { Paper } from '../paper'
import { thickness, thicknessOf } from '../paper'
import type { Bag } from './packing'
import { lyingPieces } from './packing'
import { USUAL_WEIGHT, rateFor } from './posting'

/** A packed bag as it is posted. */
export interface Parcel {
  bag: string
  width: Length
  height: Length
  thickness: Length
  /** Grams. */
  weight: number
  /** The cheapest rate that takes it; missing where none does. */
  rate?: RateEntry
}

/** Pieces do not lie like a block: so much air is between them. A rule of thumb. */
const AIR = 1.25

/**
 * Size, thickness, weight and rate of a packed bag: its pieces flat on each other, those that are smaller side by side.
 * @param uses what else is in it
 */
export function parcelOf(bag: Bag, uses: Usage[], post: PostEntry, supplies: SupplyEntry[]): Parcel {
  const layers = bag.kits.flatMap(kit => [
    // What was cut out of another piece weighs with that.
    ...lyingPieces(kit).filter(({ piece }) => piece.outOf === undefined)
      .map(({ piece, count, paper }) => ({ width: piece.width.value, height: piece.height.value, count, paper })),
    ...kit.strips.map(({ width, height, paper }) => ({ width, height, count: 1, paper })),
  ])
  const longer = (layer: { width: Length, height: Length }) => Math.max(layer.width, layer.height)
  const shorter = (layer: { width: Length, height: Length }) => Math.min(layer.width, layer.height)
  const [height, width] = [Math.max(0, ...layers.map(longer)), Math.max(0, ...layers.map(shorter))]
  const layer = (paper?: Paper) => (paper ? thicknessOf(paper, post.bulk) : thickness(USUAL_WEIGHT, post.bulk))
  const volume = layers.reduce((sum, { paper, count, ...size }) =>
    sum + count * size.width * size.height * layer(paper), 0)
  const single = Math.max(0, ...layers.map(({ paper }) => layer(paper)))
  const thick = width * height === 0 ? 0 : Math.max(single, (volume / (width * height)) * AIR)
  const paper = layers.reduce((grams, { paper, count, ...size }) =>
    grams + (count * size.width * size.height / 1e18) * (paper?.weight ?? USUAL_WEIGHT), 0)
  const weight = paper + valueOf(uses, supplies).weight
  const size = { width: nanometres(width), height: nanometres(height) }
  return { bag: bag.key, ...size, thickness: nanometres(thick), weight, rate: rateFor(post, size, thick, weight) }
}
