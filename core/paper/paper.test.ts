import { describe, expect, it } from 'vitest'
import { SHEET_FORMATS, allowedTurn, sheetName, thickness } from '.'
import { lengthFrom, millimetres } from '../lengths'

describe('paper', () => {
  it('lets print direction decide how a piece may lie', () => {
    expect(allowedTurn({ upright: false }, 'top')).toBe('either')
    expect(allowedTurn({ upright: true }, 'any')).toBe('either')
    expect(allowedTurn({ upright: true }, 'top')).toBe('as drawn')
    expect(allowedTurn({ upright: true }, 'bottom')).toBe('as drawn')
    expect(allowedTurn({ upright: true }, 'left')).toBe('turned')
  })

  it('knows thickness from weight and bulk', () => {
    expect(thickness(240)).toBe(millimetres(0.3))
    expect(thickness(200, 1)).toBe(millimetres(0.2))
  })

  it('names every sheet format it lists', () => {
    for (const { name, width, height } of SHEET_FORMATS)
      expect(sheetName(lengthFrom(width), lengthFrom(height))).toBe(name)
    expect(sheetName(millimetres(100), millimetres(100))).toBeUndefined()
  })
})
