import { expect, it } from 'vitest'
import { paintOrder } from '..'
import { build } from '../testing'

it('shows an inner sheet, its print and its figures in front of its base while the card opens', () => {
  for (const print of ['none', 'cut']) for (const opening of [0.5, 0.7, 0.9, 1]) {
    const order = paintOrder(build('step-popup', { print }), opening, { turn: -28, tilt: 28 })
    const at = (key: string) => {
      expect(order).toContain(key)
      return order.indexOf(key)
    }
    expect(at('inner/wall') > at('base/back'), `${print} at ${opening}`).toBe(true)
    for (const figure of ['left', 'middle', 'right'])
      expect(at(`figure-${figure}/face`) > at('inner/wall'), figure).toBe(true)
    if (print === 'none') continue
    expect(at('print/wall') > at('inner/wall')).toBe(true)
    for (const figure of ['left', 'middle', 'right'])
      expect(at(`figure-${figure}/face`) > at('print/wall'), figure).toBe(true)
  }
})
