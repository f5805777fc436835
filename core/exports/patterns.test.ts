import { describe, expect, it } from 'vitest'
import { writePattern } from '.'
import { FOLDS, blanksOf, defaultInputs, foldById } from '../folds'
import { inches, millimetres } from '../lengths'

const zFold = foldById('z-fold')!
const card = zFold.construct(defaultInputs(zFold.parameters, 'metric'), 'metric', millimetres(1))

/** The lines of a DXF file: layer and end points. */
function linesOf(dxf: string) {
  const rows = dxf.split('\n').map(row => row.trim())
  return rows.flatMap((row, index) => {
    if (row !== 'LINE') return []
    const values = new Map<string, string>()
    for (let at = index + 1; rows[at] !== '0' && at < rows.length; at += 2) values.set(rows[at]!, rows[at + 1]!)
    return [
      {
        layer: values.get('8'),
        from: [Number(values.get('10')), Number(values.get('20'))],
        to: [Number(values.get('11')), Number(values.get('21'))],
      },
    ]
  })
}

describe('flat patterns', () => {
  it('come as SVG in real millimetres with a layer for each kind of line', async () => {
    const svg = await writePattern(card, card.parts[0]!, 'svg')
    expect(svg).toMatch(/width="210(\.0*)?mm" height="148(\.0*)?mm"/)
    for (const layer of ['cut', 'score-valley', 'score-mountain', 'glue']) expect(svg).toContain(`id="${layer}"`)
  })

  it('come as DXF with outline and creases where they belong', async () => {
    const lines = linesOf(await writePattern(card, card.parts[0]!, 'dxf'))
    const on = (layer: string) => lines.filter(line => line.layer === layer)
    expect(on('cut')).toHaveLength(4)
    expect(Math.max(...on('cut').flatMap(({ from, to }) => [from[0]!, to[0]!]))).toBeCloseTo(210, 6)
    expect(on('score-mountain').map(({ from, to }) => [...from, ...to])).toEqual([[52.5, 0, 52.5, 148]])
    expect(on('score-valley').map(({ from, to }) => [...from, ...to])).toEqual([[105, 0, 105, 148]])
    // Mats on A, B and C and the plate: four glue zones of four lines.
    expect(on('glue')).toHaveLength(16)
  })

  it('lay creases across where panels stand on top of each other', async () => {
    const flap = foldById('banded-flap')!
    const banded = flap.construct(defaultInputs(flap.parameters, 'inch'), 'inch', inches(1 / 16))
    const [valley] = linesOf(await writePattern(banded, banded.parts[0]!, 'dxf')).filter(
      ({ layer }) => layer === 'score-valley',
    )
    expect([valley!.from[1], valley!.to[1], valley!.to[0]]).toEqual([139.7, 139.7, 107.95])
  })

  it('are there for every blank of every fold', async () => {
    for (const fold of FOLDS) {
      const construction = fold.construct(defaultInputs(fold.parameters, 'inch'), 'inch', inches(1 / 16))
      expect(blanksOf(construction).length).toBeGreaterThan(0)
      for (const part of blanksOf(construction)) {
        for (const format of ['svg', 'dxf'] as const)
          expect(await writePattern(construction, part, format)).not.toMatch(/NaN|undefined/)
      }
    }
  })
})
