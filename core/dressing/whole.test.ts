import { describe, expect, it } from 'vitest'
import { FOLDS } from '../folds'
import { inches, millimetres, nanometres, writeLength } from '../lengths'
import { addFreePiece, facesOf, lyingFindings, wholeCard } from '.'
import type { CardEntry } from '../document'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) } as const
const bare = () => ({ parameters: {}, papers: {}, faces: [], free: [], parts: [] }) as unknown as CardEntry

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('%s without any dressing', (_, fold) => {
  it.each(['inch', 'metric'] as const)('has nothing lying amiss, whatever is chosen, in %s', (units) => {
    for (const [name, parameter] of Object.entries(fold.parameters)) {
      const choices = parameter.kind === 'choice' ? parameter.options.map(({ value }) => value) : []
      const values = parameter.kind === 'toggle' ? [true, false] : choices
      for (const value of values) {
        const card = wholeCard(fold, { ...bare(), parameters: { [name]: value } }, units, MARK[units])
        if (card.findings.some(({ severity }) => severity === 'stop')) continue
        const found = lyingFindings(card, units).filter(({ severity }) => severity !== 'note')
        expect([name, value, found]).toEqual([name, value, []])
      }
    }
  })
})

describe('a piece that sticks out', () => {
  const edge = (length: number) => writeLength(nanometres(Math.floor(length / MARK.inch) * MARK.inch), 'inch')
  // The faces of the squash fold lie aslant on its closed card.
  const folds = FOLDS.filter(({ id }) => id !== 'squash-fold')

  it.each([
    ['on the right', 'left', (wide: number) => ({ left: edge(wide), bottom: '1 in' })],
    ['at the head', 'bottom', (_: number, high: number) => ({ left: '1 in', bottom: edge(high) })],
  ] as const)('does so %s where its own measures say so, on every face of every fold', (words, measure, place) => {
    let compared = 0
    for (const fold of folds) {
      const natural = wholeCard(fold, bare(), 'inch', MARK.inch)
      for (const { key, name, panel } of facesOf(natural)) {
        const card = bare()
        const at = place(panel.width.value, panel.height.value)
        addFreePiece(card, 'inch', { face: key, width: '3/4 in', height: '3/4 in', hold: 'loose', ...at })
        const found = wholeCard(fold, card, 'inch', MARK.inch).findings
          .filter(({ problem, parameter }) => problem.startsWith('sticks out of the closed card') && parameter?.endsWith(`/${measure}`))
        compared += found.length
        for (const { problem } of found) expect([fold.id, name, problem]).toEqual([fold.id, name, expect.stringContaining(words)])
      }
    }
    expect(compared).toBeGreaterThan(40)
  })
})
