import { describe, expect, it } from 'vitest'
import type { MultiPolygon, Polygon } from 'polygon-clipping'
import { difference, robust } from './clipping'

const SQUARE: Polygon = [[[0, 0], [100, 0], [100, 100], [0, 100]]]
const corners = (polygons: MultiPolygon | Polygon) => JSON.stringify(polygons)

describe('clipping', () => {
  it('is done on a coarser grid where the package gives up', () => {
    const seen: string[] = []
    const fussy = robust((first) => {
      seen.push(corners(first))
      if (corners(first).includes('3')) throw new Error('Unable to find segment')
      return [SQUARE]
    })
    expect(fussy([[[0, 0], [103, 0], [103, 100]]])).toEqual([SQUARE])
    // By sevens 103 is 105; by ones it was 103.
    expect(seen.map(text => text.includes('103'))).toEqual([true, false])
    expect(() => robust(() => {
      throw new Error('never')
    })(SQUARE)).toThrow('never')
  })

  it('takes polygons and many of them', () => {
    expect(difference(SQUARE, [[[0, 0], [50, 0], [50, 100], [0, 100]]])).toHaveLength(1)
    expect(difference([SQUARE], [SQUARE])).toEqual([])
  })
})
