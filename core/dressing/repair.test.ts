import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { FaceEntry, ParameterInputs } from '../document'
import { NO_DRESSING } from '../document'
import type { Fold } from '../folds'
import { FOLDS, foldById } from '../folds'
import { inches, lengthFrom, millimetres, nanometres, writeLength } from '../lengths'
import type { Units } from '../lengths'
import type { Repairable } from '.'
import { applyFix, facesOf, fixWords, newLayer, wholeCard } from '.'

const MARK = { inch: inches(1 / 16), metric: millimetres(1) }
const bare = (parameters: ParameterInputs = {}): Repairable => ({ parameters, ...structuredClone(NO_DRESSING) })
const MOST_PRESSES = 8

/** Sizes as a hand in a hurry types them: some about right, some beyond all sense; and layers that do not fit. */
function cards(fold: Fold, units: Units) {
  const mark = MARK[units]
  const marks = (least: number, most: number) =>
    fc.integer({ min: least, max: most }).map(steps => writeLength(nanometres(steps * mark), units))
  const inputs = Object.fromEntries(Object.entries(fold.parameters).map(([name, parameter]) => {
    if (parameter.kind === 'toggle') return [name, fc.boolean()]
    if (parameter.kind === 'choice') return [name, fc.constantFrom(...parameter.options.map(({ value }) => value))]
    const usual = parameter.defaults[units]
    if (parameter.kind === 'text') return [name, fc.constantFrom(usual, '')]
    const about = Math.max(1, Math.round(lengthFrom(usual, units) / mark))
    const least = parameter.zero ? 0 : 1
    return [name, fc.oneof(marks(Math.max(least, Math.floor(about * 0.4)), Math.ceil(about * 1.7)), marks(least, 400))]
  }))
  const keys = facesOf(wholeCard(fold, bare(), units, mark)).map(({ key }) => key)
  const layer = fc.record({
    left: marks(0, 48),
    right: marks(0, 48),
    top: marks(0, 48),
    bottom: marks(0, 48),
    width: fc.oneof(fc.constant('0 in'), marks(1, 90)),
  })
  const face = fc
    .record({ key: fc.constantFrom(...keys), layers: fc.array(layer, { minLength: 1, maxLength: 2 }) })
    .map(({ key, layers }): FaceEntry => ({
      key,
      works: [],
      message: false,
      layers: layers.map((own, at) => ({ ...newLayer(`layer-${at + 1}`, units), ...own })),
    }),
    )
  return fc.record({
    parameters: fc.record(inputs, { requiredKeys: [] }) as fc.Arbitrary<ParameterInputs>,
    faces: fc.uniqueArray(face, { maxLength: 3, selector: ({ key }) => key }),
    free: fc.constant<Repairable['free']>([]),
    parts: fc.constant<Repairable['parts']>([]),
    steps: fc.constant<Repairable['steps']>([]),
    note: fc.constant(''),
  })
}

describe.each(FOLDS.map(fold => [fold.id, fold] as const))('buttons that put %s right', (_, fold) => {
  it.each(['inch', 'metric'] as const)('lead to a card that can be cut, whichever is pressed, in %s', (units) => {
    fc.assert(
      fc.property(
        cards(fold, units),
        fc.array(fc.nat(), { minLength: MOST_PRESSES, maxLength: MOST_PRESSES }),
        (start, choices) => {
          const card = structuredClone(start)
          for (const choice of [...choices, undefined]) {
            const { findings } = wholeCard(fold, card, units, MARK[units])
            const stops = findings.filter(({ severity }) => severity === 'stop')
            if (stops.length === 0) return
            // A stop without a button says that no other size makes room for it.
            expect(stops.filter(({ fix, problem }) => !fix && !problem.includes('No other size of this card'))).toEqual(
              [],
            )
            const buttons = findings.flatMap(({ fix }) => fix ?? [])
            expect(buttons.every(({ value }) => value >= 0)).toBe(true)
            expect(choice, JSON.stringify([start, stops])).toBeDefined()
            const fix = buttons[choice! % buttons.length]
            if (!fix) throw new Error(`Nothing to press: ${JSON.stringify([start, stops])}`)
            applyFix(card, fix, units)
          }
        }),
      { numRuns: 25 },
    )
  })
})

describe('a fix', () => {
  it('is found for a layer although much was tried in vain for a size before', () => {
    const layers = [
      { ...newLayer('layer-1', 'inch'), left: '1/4 in', right: '0 in', top: '9/16 in', bottom: '15/16 in' },
      {
        ...newLayer('layer-2', 'inch'), left: '0 in', right: '0 in', top: '5/8 in', bottom: '3/8 in', width: '1/16 in',
      },
    ]
    const card = {
      ...bare({
        width: '1 11/16 in',
        sliderWidth: '1 1/16 in',
        guideWidth: '1/4 in',
        guideHeight: '2 9/16 in',
        barFoot: '0 in',
        stripHeight: '0 in',
        stripFoot: '0 in',
        windowHeight: '11/16 in',
        windowLeft: '1/2 in',
        windowBelow: '0 in',
        figure: '1 in',
        stageFoot: '0 in',
        border: '0 in',
      }),
      faces: [{ key: 'guide-left-3--face--outside', works: [], message: false, layers }],
    }
    const stops = wholeCard(foldById('rising-scene')!, card, 'inch', MARK.inch).findings.filter(
      ({ severity }) => severity === 'stop',
    )
    expect(stops.some(({ fix }) => fix?.parameter.includes('/layer-1/'))).toBe(true)
  })

  const zFold = foldById('z-fold')!
  const found = (card: Repairable, subject: string) =>
    wholeCard(zFold, card, 'inch', MARK.inch).findings.find(finding => finding.subject === subject)

  it('is the limit itself where that helps', () => {
    const finding = found(bare({ plateWidth: '6 in' }), 'Plate width')!
    expect(finding.fix).toEqual({ parameter: 'plateWidth', value: inches(4) })
    expect(fixWords(finding.fix!, 'inch')).toBe('Set 4 in')
  })

  it('gives a layer a border where it would not have room any more', () => {
    const layer = { ...newLayer('layer-1', 'inch'), width: '5 in', height: '3 in' }
    const face = { key: 'plate--face--outside', works: [], message: false, layers: [layer] }
    const card: Repairable = { ...bare({ plateWidth: '6 in' }), faces: [face] }
    const { fix } = found(card, 'Plate width')!
    expect(fix!.also).toEqual([{ parameter: 'faces/plate--face--outside/layers/layer-1/border', value: inches(1 / 8) }])
    applyFix(card, fix!, 'inch')
    expect(
      wholeCard(zFold, card, 'inch', MARK.inch).pieces.find(({ name }) => name === 'Layer on Plate, back')!.width.value,
    ).toBe(inches(3.75))
  })

  it('puts all right at once where much is wrong, and lets sizes be natural again', () => {
    const card = bare({ width: '1/2 in', height: '1/2 in', plateWidth: '9 in', plateHeight: '9 in', border: '2 in' })
    const { fix } = wholeCard(zFold, card, 'inch', MARK.inch).findings[0]!
    expect(fixWords(fix!, 'inch')).toMatch(/^Set .* more as usual$/)
    applyFix(card, fix!, 'inch')
    expect(wholeCard(zFold, card, 'inch', MARK.inch).findings.filter(({ severity }) => severity === 'stop')).toEqual([])
  })
})
