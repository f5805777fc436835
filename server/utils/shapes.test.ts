import { describe, expect, it } from 'vitest'
import { checkShape } from '../../core/document/open'
import { KeptShape, WithPapersShape } from './shapes'

describe('what is asked for by its address', () => {
  const ids = (many: number) => Array.from({ length: many }, (_, at) => `${at}`.padStart(43, 'k')).join()

  it('names up to 40 things that are kept', () => {
    for (const many of [1, 9, 40])
      expect(checkShape(KeptShape, { ids: ids(many) })).toEqual({ ok: true, value: { ids: ids(many) } })
    for (const wrong of ['', 'short', `${ids(2)},`, ids(41)])
      expect(checkShape(KeptShape, { ids: wrong }).ok, wrong).toBe(false)
  })

  it('names papers as far as an address reaches', () => {
    const keys = Array.from({ length: 100 }, (_, at) => `a-long-key-of-a-paper-${at}`).join()
    expect(checkShape(WithPapersShape, { with: keys }).ok).toBe(true)
    expect(checkShape(WithPapersShape, { with: 'x'.repeat(4001) }).ok).toBe(false)
    expect(checkShape(WithPapersShape, { with: 'a b' }).ok).toBe(false)
  })
})
