import { describe, expect, it } from 'vitest'
import { FOLDS } from '../folds'
import { inches, millimetres } from '../lengths'
import { lyingFindings, wholeCard } from '.'
import type { CardEntry } from '../document'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) } as const
const bare = () => ({ parameters: {}, papers: {}, faces: [], free: [], parts: [], steps: [] }) as unknown as CardEntry

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
