import { describe, expect, it } from 'vitest'
import { foldById } from '../folds'
import { inches } from '../lengths'
import { masksOf } from '.'

describe('stamping masks', () => {
  const masks = masksOf(foldById('z-fold')!.construct({}, 'inch', inches(1 / 16)), 'inch')
  const mask = (key: string) => masks.find(one => one.key === key)!

  it('are drawn in real size, seen as their face is seen', () => {
    // 3 3/4 × 5 in at 72 points to the inch, and an edge of 3.
    expect(mask('message').mask).toMatchObject({ width: 276, height: 366 })
    expect(mask('message').mask.title).toContain('Message panel')
  })

  it('tell what is seen whole from what is seen in part', () => {
    expect(mask('base--c--outside').share).toBe(1)
    // Under the plate, whose right half is loose.
    expect(mask('mat-a').share).toBeLessThan(0.6)
    expect(mask('base--a--inside').share).toBeLessThan(0.2)
    // Open all of it, closed a strip: worth a mask.
    expect(mask('message').share).toBeLessThan(0.981)
  })

  it('cross out what lies under glue', () => {
    const strokes = (key: string) => mask(key).mask.svg.split('stroke-width="0.4"').length - 1
    expect([strokes('message'), strokes('plate--face--outside')]).toEqual([0, 3])
  })
})
