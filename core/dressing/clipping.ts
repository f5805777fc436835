import polygonClipping from 'polygon-clipping'
import type { MultiPolygon, Polygon } from 'polygon-clipping'

/*
 * Clipping of polygons that lie in whole micrometres. The package gives up on a few inputs whose edges all but coincide; on a coarser
 * grid it does not, and nobody cuts by hundredths of a millimetre.
 */

type Clip = (first: Polygon | MultiPolygon, ...others: (Polygon | MultiPolygon)[]) => MultiPolygon

/** Micrometres that corners are rounded to until it works. */
const GRIDS = [1, 7, 50, 300]

const isMany = (polygons: Polygon | MultiPolygon): polygons is MultiPolygon => Array.isArray(polygons[0]?.[0]?.[0])

const rounded = (polygons: Polygon | MultiPolygon, grid: number): MultiPolygon =>
  (isMany(polygons) ? polygons : [polygons]).map(polygon => polygon.map(ring =>
    ring.map(([x, y]): [number, number] => [Math.round(x / grid) * grid, Math.round(y / grid) * grid])))

/** @throws what the package throws where no grid helps */
export const robust = (clip: Clip): Clip => (first, ...others) => {
  for (const grid of GRIDS) {
    try {
      return grid === 1 ? clip(first, ...others) : clip(rounded(first, grid), ...others.map(other => rounded(other, grid)))
    }
    catch (error) {
      if (grid === GRIDS.at(-1)) throw error
    }
  }
  return []
}

export const difference: Clip = robust(polygonClipping.difference)
export const intersection: Clip = robust(polygonClipping.intersection)
export const union: Clip = robust(polygonClipping.union)
