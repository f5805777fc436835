import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { WorkEntry } from '../document'
import { inches } from '../lengths'
import { TECHNIQUES, TECHNIQUE_KEYS } from '../making'
import { addFreePiece, applyFix, fixWords, lyingFindings, newWork, setOwnPart } from '.'
import { SIXTEENTHS, cardOf, face, whole } from './dressed-testing'

const work = (technique: WorkEntry['technique'], own: Partial<WorkEntry> = {}): WorkEntry =>
  ({ ...newWork(`${technique.replace(/ /g, '-')}-1`), technique, ...own })
const LOW_TIDE = { shows: 'low tide', sort: 'wording' as const, width: '2 in', height: '1/2 in' }
/** A gatefold whose middle carries one layer with these works. */
const gatefold = (...works: WorkEntry[]) => cardOf('gatefold', { faces: [face('base--middle--inside', { works })] })
const about = (card: ReturnType<typeof whole>, subject: string) =>
  card.findings.filter(finding => finding.subject === subject)

describe('works', () => {
  it('come in the natural order of their techniques, before their piece is laid, whatever order they stand in', () => {
    fc.assert(fc.property(fc.shuffledSubarray(TECHNIQUE_KEYS, { minLength: 2, maxLength: 6 }), (techniques) => {
      const { steps } = whole(gatefold(...techniques.map(technique => work(technique))))
      const done = steps.flatMap(({ work }) => work?.technique ?? [])
      expect(done).toEqual(TECHNIQUE_KEYS.filter(key => techniques.includes(key)))
      const laid = steps.findIndex(({ puts }) => puts.includes('base--middle--inside--layer-1'))
      steps.forEach(({ work }, at) => {
        if (work) expect(at < laid).toBe(TECHNIQUES[work.technique].when === 'flat')
      })
    }))
  })

  it('say what is shown, with what, how large and where, as one person tells another', () => {
    const said = whole(gatefold(
      work('stamp', { ...LOW_TIDE, using: 'black ink', centred: false, left: '1/4 in', bottom: '1 in' }),
      work('heat-emboss', { times: 2 }),
      work('die cut', { shows: 'heron', turn: 90, width: '1 in', height: '1 in' }),
    )).steps.slice(0, 3)
    expect(said.map(({ text }) => text)).toEqual([
      'Stamp “low tide” on “Layer on Middle, inside” with black ink, 2 × 1/2 in, '
      + '1/4 in from the left and 1 in from the foot.',
      'Heat-emboss “Layer on Middle, inside”, 2 times.',
      'Die cut “heron” from “Layer on Middle, inside”, 1 × 1 in, in the middle, turned by 90° anticlockwise.',
    ])
    expect(said[1]!.warning).toMatch(/hot/)
  })

  it('are done on a bare face before its sheet is scored, and on the right side of the drawing', () => {
    const stamped = work('stamp', { ...LOW_TIDE, centred: false, left: '1/16 in' })
    const bare = { ...face('base--left--outside'), works: [stamped] }
    const { steps, parts } = whole(cardOf('gatefold', { faces: [bare] }))
    expect(steps[0]!.text).toMatch(/^Stamp “low tide” on the outside of the left door, /)
    // The left door begins at the left edge of the sheet; seen from outside its left is its right there.
    const { box } = parts.find(({ key }) => key === 'base')!.works![0]!
    expect(box!.x).toBe(inches(2.125 - 1 / 16 - 2))
  })

  it('on both sides of a piece are two steps, each naming its side', () => {
    const card = cardOf('plain-card')
    addFreePiece(card, 'inch', { key: 'tag', name: 'Tag', works: [work('stamp')] })
    card.faces = [{ ...face('free--tag--face--outside'), works: [work('stamp')] }]
    const { steps } = whole(card)
    expect(steps.slice(0, 2).map(({ text }) => text)).toEqual(['Stamp “Tag”.', 'Stamp the back of “Tag”.'])
    expect(new Set(steps.map(({ key }) => key)).size).toBe(steps.length)
  })

  it('that are too large, or lie over the edge or a crease, are findings with the figure that fits', () => {
    const card = gatefold(work('stamp', { ...LOW_TIDE, width: '8 in', height: '1 in' }))
    const [wide] = about(whole(card), '“low tide”')
    expect(wide!.problem).toContain('8 × 1 in')
    expect(fixWords(wide!.fix!, 'inch')).toMatch(/^Set \d.* in and [\d/]+ in$/)
    applyFix(card, wide!.fix!, 'inch')
    expect(about(whole(card), '“low tide”')).toEqual([])
    const off = gatefold(work('stamp', { ...LOW_TIDE, centred: false, left: '-1/4 in', bottom: '0 in' }))
    const [over] = about(whole(off), '“low tide”')
    expect([over!.problem, over!.fix!.value]).toEqual(['lies over the edge of what it is put on.', 0])
    const strip = cardOf('gatefold')
    setOwnPart(strip, 'base', { works: [work('stamp', { ...LOW_TIDE, width: '6 in' })] })
    expect(about(whole(strip), '“low tide”').map(({ problem }) => problem)).toEqual([
      'lies across a crease: folded, it breaks there. Put it on one panel.',
    ])
  })

  it('never lie over the edge without a word', () => {
    fc.assert(fc.property(SIXTEENTHS, SIXTEENTHS, SIXTEENTHS, SIXTEENTHS, (width, height, left, bottom) => {
      const text = (length: number) => `${length}/16 in`
      const card = cardOf('plain-card')
      addFreePiece(card, 'inch', {
        key: 'tag', width: '2 in', height: '1 in', works: [work('stamp', {
          shows: 'heron', width: text(width + 1), height: text(height + 1), centred: false, left: text(left),
          bottom: text(bottom),
        })],
      })
      const isOver = width + 1 + left > 32 || height + 1 + bottom > 16
      expect(about(whole(card), '“heron”').length > 0).toBe(isOver)
    }))
  })

  it('that something hides, or that stand upside down, are found once the card has settled', () => {
    const hidden = cardOf('gatefold', {
      faces: [{ ...face('base--middle--inside', {}), works: [work('stamp', LOW_TIDE)] }],
    })
    expect(lyingFindings(whole(hidden), 'inch').filter(({ subject }) => subject === '“low tide”')).toMatchObject([
      { severity: 'warn', problem: expect.stringContaining('nobody sees it') },
    ])
    const onMiddle = (turn: number, sort: WorkEntry['sort'] = 'wording') =>
      lyingFindings(whole(gatefold(work('stamp', { ...LOW_TIDE, sort, turn }))), 'inch')
        .filter(({ subject }) => subject === '“low tide”').map(({ severity }) => severity)
    expect([onMiddle(0), onMiddle(180), onMiddle(90), onMiddle(180, 'motif')]).toEqual([[], ['warn'], ['note'], []])
  })
})
