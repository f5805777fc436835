import { describe, expect, it } from 'vitest'
import { FOLDS, factsOf, outlineOf } from '../../../core/folds'
import type { Part, Point } from '../../../core/folds'
import { inches } from '../../../core/lengths'
import { useMoving } from './moving'
import type { Laid, Pattern } from './pattern'
import { edgePath, isRoomy, labelsAlong, laidOn, middleOf, spot } from './pattern'

const SCALE = 26 / inches(1)
const patterns = FOLDS.flatMap((fold) => {
  const { construction } = factsOf(fold, 'inch')
  return construction.parts.map((part): Pattern & { id: string } => ({
    id: `${fold.id} ${part.key}`, construction, part, scale: SCALE,
  }))
})

describe('where things stand on the pattern of a blank', () => {
  it('figures of scores never run into each other, and each line of scores has one', () => {
    let rows = 0
    for (const pattern of patterns) {
      for (const along of ['x', 'y'] as const) {
        const labels = labelsAlong(pattern, along)
        const lines = new Set(
          pattern.part.creases.filter(crease => crease.along === along).map(({ from }) => from[along].value),
        )
        expect([pattern.id, labels.length]).toEqual([pattern.id, lines.size])
        for (const one of labels) for (const other of labels)
          if (one !== other && one.row === other.row)
            expect(Math.abs(one.place - other.place)).toBeGreaterThanOrEqual(52)
        rows = Math.max(rows, ...labels.map(({ row }) => row))
      }
    }
    // Some are so close that they need a second row.
    expect(rows).toBeGreaterThan(0)
  })

  it('the name of a panel that has room for it stands within its box', () => {
    for (const pattern of patterns) for (const panel of pattern.part.panels) {
      if (!isRoomy(pattern, panel)) continue
      const { x, y } = middleOf(pattern, panel)
      const corners = outlineOf(panel).map(([right, up]): Point => [
        right * SCALE, (pattern.part.height.value - up) * SCALE,
      ])
      for (const [axis, place] of [x, y].entries()) {
        expect([pattern.id, place >= Math.min(...corners.map(corner => corner[axis]!)) - 1e-6]).toEqual([
          pattern.id, true,
        ])
        expect([pattern.id, place <= Math.max(...corners.map(corner => corner[axis]!)) + 1e-6]).toEqual([
          pattern.id, true,
        ])
      }
    }
  })

  it('layers lie within the blank that they are glued on', () => {
    let layers = 0
    for (const pattern of patterns) for (const { part, x, y } of laidOn(pattern, () => false)) {
      layers++
      expect([pattern.id, x >= -1, y >= -1]).toEqual([pattern.id, true, true])
      expect(x + part.width.value * SCALE).toBeLessThanOrEqual(pattern.part.width.value * SCALE + 1)
    }
    expect(layers).toBeGreaterThan(30)
  })

  it('what is seen from behind is drawn as in a mirror', () => {
    const part = { outline: [[0, 0], [inches(2), 0], [0, inches(1)]], windows: [],
      width: { value: inches(2) }, height: { value: inches(1) } } as unknown as Part
    expect(edgePath(part, SCALE, 0, 26)).toBe('M0.0,26.0L52.0,26.0L0.0,0.0Z')
    expect(edgePath(part, SCALE, 0, 26, true)).toBe('M52.0,26.0L0.0,26.0L52.0,0.0Z')
    expect(spot(SCALE, [inches(1), 0], 4, 30)).toBe('30.0,30.0')
  })
})

describe('a piece under the hand', () => {
  const mark = inches(1 / 4)
  const layer = (behind: boolean) => ({ part: { key: 'sun' }, behind }) as unknown as Laid
  const event = (more: object) =>
    ({ currentTarget: { setPointerCapture: () => {} }, preventDefault: () => {}, ...more }) as never
  function moved(act: (hand: ReturnType<typeof useMoving>) => void, isMovable = true) {
    const moves: [number, number][] = []
    act(useMoving({ scale: () => SCALE, mark: () => mark, isMovable: () => isMovable,
      move: (_, right, up) => void moves.push([right / mark, up / mark]) }))
    return moves
  }

  it('moves by whole marks, as far as the pointer', () => {
    // A quarter of an inch is 6.5 pixels.
    const pulled = (behind: boolean) => moved((hand) => {
      hand.pull(event({ clientX: 900, clientY: 900 }))
      hand.grab(event({ clientX: 100, clientY: 100 }), layer(behind))
      for (const [clientX, clientY] of [
        [102, 100], [107, 100], [113, 87], [100, 100],
      ])
        hand.pull(event({ clientX, clientY }))
      hand.letGo()
      hand.pull(event({ clientX: 900, clientY: 900 }))
    })
    expect(pulled(false)).toEqual([[1, 0], [1, 2], [-2, -2]])
    expect(pulled(true)).toEqual([[-1, 0], [-1, 2], [2, -2]])
  })

  it('moves a mark by an arrow key, and nothing else moves', () => {
    const press = (key: string) => (hand: ReturnType<typeof useMoving>) => hand.nudge(event({ key }), layer(false))
    expect([moved(press('ArrowUp')), moved(press('ArrowLeft')), moved(press('Tab')), moved(press('ArrowUp'), false)])
      .toEqual([[[0, 1]], [[-1, 0]], [], []])
  })
})
