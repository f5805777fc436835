import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import type { CardEntry } from '../../../core/document'
import { addFreePiece, wholeCard } from '../../../core/dressing'
import { foldById } from '../../../core/folds'
import { inches } from '../../../core/lengths'
import { measuredIn } from '../testing'
import FlatPattern from './FlatPattern.vue'

const MARK = inches(1 / 16)
const SCALE = 26 / inches(1)

/** A rising scene with a window off the middle of its front and a topper on the outside of it. */
function risingScene() {
  const parameters = {
    window: true, windowPlaced: true, windowLeft: '1 in', windowBelow: '1 1/4 in', windowSize: '1 1/2 in',
  }
  const card = { parameters, papers: {}, faces: [], free: [], parts: [], steps: [] } as unknown as CardEntry
  addFreePiece(card, 'inch', {
    face: 'base--front--outside', width: '1 in', height: '3/4 in', left: '1/2 in', bottom: '3/4 in',
  })
  return wholeCard(foldById('rising-scene')!, card, 'inch', MARK)
}
/** From where to where the parts of a path reach across, in inches from the left edge of the blank. */
const reaches = (path: string) => path.split('Z').filter(Boolean).map((ring) => {
  const xs = [...ring.matchAll(/([-\d.]+),/g)].map(([, x]) => Number(x) / 26)
  return [Math.min(...xs), Math.max(...xs)].map(x => Math.round(x * 100) / 100)
})

describe('a flat pattern', () => {
  it('shows what lies on the outside from behind, with all that lies on that, and moves it the way it is pulled', async () => {
    const construction = risingScene()
    const part = construction.parts.find(({ key }) => key === 'base')!
    const drawn = await mountSuspended(FlatPattern, {
      ...measuredIn('inch', MARK), props: { part, construction, scale: SCALE, papers: {} },
    })
    const path = (name: string) =>
      drawn.findAll('path').find(each => each.find('title').exists() && each.text().startsWith(name))!
    // The window of the mat lies on the window of the front, 1 to 2 1/2 from the left; the mat leaves 1/8 all round.
    expect(reaches(path('Mat on the front').attributes('d')!)).toEqual([[0.13, 4.13], [1, 2.5]])
    // Half an inch from the edge that is on the left of one who looks at the outside: 4 1/4 − 1/2 − 1.
    const topper = path('Topper 1')
    expect(reaches(topper.attributes('d')!)).toEqual([[2.75, 3.75]])
    expect(topper.classes()).toContain('behind')
    await topper.trigger('keydown', { key: 'ArrowRight' })
    expect(drawn.emitted('move')).toEqual([['free--piece', -MARK, 0]])
  })
})
