import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import type { PrintBlock, PrintSection } from '.'
import {
  bagLabels, handoutSection, instructorSections, kitLabels, labelProblem, labelSheets, packingSection, studentPage,
} from '.'
import { demoBatches } from '../../demo'
import { paperedCard } from '../batch/testing'
import { prepare, profileOf } from '../batch'
import { planAll } from '../plans'
import { anyKit, kitsOfBatch, lyingPieces, packedBags, piecesInBag, weighedBags } from '../kits'
import type { Batch, PrepLevel } from '../document'
import { DEFAULT_LABELS, newSeat } from '../document'
import { newWork } from '../dressing'
import { FOLDS, assembliesAt, foldById } from '../folds'
import { stepDrawings } from './stage'

const [, tide] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch]
const plain = produce(tide, (draft) => {
  draft.class.seats = 3
  draft.class.spares = 1
  draft.roster = []
})
/** A class of one card of a fold, made ready in some way. */
const classOf = (fold: string, profile = 'room'): Batch => produce(plain, (draft) => {
  draft.cards = [paperedCard(foldById(fold)!, { ...plain, cards: [] })]
  draft.prep.usual = profile
})
const flat = (blocks: PrintBlock[]): PrintBlock[] => blocks.flatMap(block =>
  block.kind === 'together'
    ? flat(block.blocks)
    : block.kind === 'side by side'
      ? block.cells.flatMap(flat)
      : [block],
)
const textsOf = (sections: PrintSection[]) => flat(sections.flatMap(({ blocks }) => blocks))
  .flatMap(block => (block.kind === 'text' ? [block.text] : block.kind === 'list' ? block.items : []))
function handout(batch: Batch, units = batch.class.units) {
  const bag = packedBags(prepare(batch))[0]!
  return handoutSection(bag.kits[0]!, bag, units)
}

describe('the steps of every fold', () => {
  it.each(FOLDS.map(({ id }) => id))(
    '%s: every part that is glued comes in one step, on something that is there',
    (id) => {
      const [card] = prepare(classOf(id)).cards
      const { parts, joints, steps } = card!.construction!
      const put = steps.flatMap(({ puts }) => puts)
      expect([...put].sort()).toEqual([...new Set(joints.map(({ part }) => part))].sort())
      for (const key of steps.flatMap(({ makes, puts }) => [...makes, ...puts]))
        expect(parts.map(part => part.key)).toContain(key)
      steps.forEach(({ puts }, step) => {
        const shown = assembliesAt(card!.construction!, step)
        expect([...shown.flatMap(({ coming }) => [...coming])].sort()).toEqual([...puts].sort())
        const drawings = stepDrawings(card!.construction!, step, card!.fold!.view)
        expect(drawings.length > 0).toBe(puts.length > 0)
        for (const { svg } of drawings) expect(svg).not.toMatch(/NaN|Infinity|undefined/)
      })
    })
})

describe('a hand-out', () => {
  it('lists what is in the bag and shows every step, with what to mind at its step', () => {
    const batch = classOf('z-fold')
    const texts = textsOf(handout(batch))
    const [kit] = packedBags(prepare(batch))[0]!.kits
    for (const { piece, count } of lyingPieces(kit!))
      expect(texts.some(text => text.startsWith(`${count} × ${piece.name}, `))).toBe(true)
    const steps = kit!.card.construction!.steps
    expect(texts.filter(text => /^\d+\. /.test(text))).toHaveLength(steps.length)
    for (const { warning } of steps) if (warning) expect(texts).toContain(`Mind: ${warning}`)
    // Where glue must never go is crossed, where it goes is hatched.
    const svgs = flat(handout(batch)[0]!.blocks).flatMap(block =>
      (block.kind === 'drawings' ? block.drawings.map(({ title }) => title) : []))
    expect(svgs).toEqual(expect.arrayContaining(['When it is done', 'Plate: foam on its back', 'Closed', 'On display']))
  })

  it('leaves out what is done already, and says what has to be cut first', () => {
    const assembled = produce(classOf('z-fold'), (draft) => {
      draft.prep.profiles[0]!.levels = { message: 'assembled', base: 'scored', mat: 'uncut', plate: 'brought' }
    })
    const texts = textsOf(handout(assembled))
    expect(texts.some(text => text.includes('Glue the message panel'))).toBe(false)
    expect(texts.some(text => text.startsWith('1. Cut your pieces. From the strip of'))).toBe(true)
    expect(texts.some(text => text.startsWith('2. Cut from your own paper: 1 × Plate'))).toBe(true)
    expect(texts.filter(text => /score/i.test(text))).toEqual([expect.stringContaining('cut and scored')])
    expect(texts.some(text => text.includes('. Fold the base: in half'))).toBe(true)
    expect(texts.some(text => text.startsWith('Paper for 1 × Plate'))).toBe(true)
  })

  it('speaks the student’s units', () => {
    const texts = textsOf(handout(classOf('rising-scene'), 'metric')).join(' ')
    expect(texts).toContain('mm')
    expect(texts).not.toMatch(/\d in\b/)
  })

  it('of a card for every bag names its papers together, and no print of a pool', () => {
    const prepared = prepare(tide)
    const kit = anyKit(prepared.cards[0]!, profileOf(tide))!
    const texts = textsOf(handoutSection(kit, { profile: profileOf(tide), isAway: false }, 'inch'))
    expect(texts.find(text => text.startsWith('1 × Base'))).toContain('Kelp or Fog')
    expect(texts.find(text => text.startsWith('1 × Mat on plate'))).toContain('a print of Shore prints')
    expect(anyKit(prepared.cards[0]!, { ...profileOf(tide) })).toBeUndefined()
  })
})

describe('works', () => {
  const texts = (by: 'either' | 'instructor' | 'student', level: PrepLevel) => {
    const worked = produce(classOf('z-fold'), (draft) => {
      const stamp = { ...newWork('work-1'), shows: 'low tide', by }
      const die = { ...newWork('work-2'), technique: 'die cut' as const, by }
      draft.cards[0]!.parts = [{ key: 'plate', hold: null, foam: '0 in', works: [stamp, die] }]
      draft.prep.profiles[0]!.levels = { plate: level }
    })
    return textsOf(handout(worked)).filter(text => /low tide|^\d+\. Die cut the plate/.test(text)).length
  }

  it('name what they are done with where it lies: on the tables, or brought by who is not there', () => {
    const worked = (change: (batch: Batch) => void) => produce(classOf('z-fold'), (draft) => {
      const emboss = { ...newWork('work-1'), technique: 'heat-emboss' as const, using: 'the copper powder' }
      const press = { ...newWork('work-2'), technique: 'emboss' as const, by: 'instructor' as const }
      draft.cards[0]!.parts = [{ key: 'plate', hold: null, foam: '0 in', works: [emboss, press] }]
      change(draft)
    })
    const embossed = (change: (batch: Batch) => void = () => undefined) => textsOf(handout(worked(change))).join('; ')
    const tables = 'On the tables; Tape, foam and glue; Copper powder; Heat tool, tweezers'
    expect(embossed()).toMatch(new RegExp(`${tables}.*; You bring; Scoring`))
    expect(embossed(({ class: own }) => void (own.delivery = 'by post')))
      .toMatch(/You bring; Scoring board or bone tool; Copper powder; Heat tool, tweezers/)
    // What is done before needs nothing in the class.
    const ready = embossed(draft => void (draft.prep.profiles[0]!.levels = { plate: 'stamped' }))
    expect(ready).not.toMatch(/Heat tool|Folder/)
    expect(ready).toMatch(/1 × Plate, [^;]*, heat-embossed, embossed(;|$)/)
  })

  it('are left out where they are done before the bag is handed out, as its piece is made ready or by whom', () => {
    expect([texts('either', 'cut'), texts('either', 'die cut'), texts('either', 'stamped')]).toEqual([2, 1, 0])
    expect([texts('instructor', 'cut'), texts('student', 'stamped'), texts('either', 'assembled')]).toEqual([0, 2, 0])
  })
})

describe('what comes scored', () => {
  const scoring = /\bscore (?!line|on)|then score\./i
  const levelled = (id: string, levels: Record<string, PrepLevel>) => produce(classOf(id), (draft) => {
    draft.prep.profiles[0]!.levels = levels
  })

  it.each(FOLDS.map(({ id }) => id))('%s: nobody is told to score it again, and all else is left to do', (id) => {
    const stepsAt = (level: PrepLevel) =>
      textsOf(handout(levelled(id, { base: level, insert: level, envelope: level }))).filter(text =>
        /^\d+\. /.test(text),
      )
    const [steps, all] = [stepsAt('scored'), stepsAt('cut')]
    expect(steps.filter(text => scoring.test(text) && !/already/.test(text))).toEqual([])
    expect(steps).toHaveLength(all.length)
    for (const [at, text] of all.entries()) expect([text, steps[at] !== text]).toEqual([text, scoring.test(text)])
  })

  it('with one blank of two says which', () => {
    const texts = textsOf(handout(levelled('crossing-flaps', { base: 'scored', insert: 'cut' })))
    expect(texts.some(text => text.includes('. Base: scored already. Score and fold the base;'))).toBe(true)
  })

  it('by a die has its slits cut too', () => {
    const texts = textsOf(handout(levelled('floating-window', { base: 'die cut' })))
    expect(texts.some(text => text.includes('slits and windows are cut already. Fold the base.'))).toBe(true)
  })
})

describe('labels', () => {
  const grid = DEFAULT_LABELS.inch

  it('lie row by row in their places, after those that are used already', () => {
    const sheets = labelSheets(grid, Array.from({ length: 12 }, (_, at) => [`${at}`]), 3)
    expect(sheets.map(sheet => sheet.length)).toEqual([7, 5])
    // The fourth place: second column of the second row.
    expect(sheets[0]![0]).toEqual({ x: 18 + 288, y: 36 + 144, width: 288, height: 144, lines: ['0'] })
    expect(sheets[1]![0]).toMatchObject({ x: 18, y: 36, lines: ['7'] })
    expect(labelSheets(grid, [])).toEqual([])
  })

  it('say when they do not fit on their sheet', () => {
    expect([labelProblem(grid), labelProblem(DEFAULT_LABELS.metric)]).toEqual([undefined, undefined])
    expect(labelProblem({ ...grid, columns: 3 })).toContain('wider than Letter')
    expect(labelProblem({ ...grid, paper: 'A4', down: '1 in' })).toContain('higher than A4')
  })

  it('tell whose bag it is, or which kit', () => {
    const bags = packedBags(
      prepare(produce(plain, draft => void draft.roster.push({ ...newSeat('seat-2'), name: 'Iva' }))),
    )
    expect(bagLabels(bags, plain, '1 Jan 2030')[1]!.slice(0, 2)).toEqual([
      'Iva', 'Seat 2 · Tide and Lantern · 1 Jan 2030',
    ])
    expect(bagLabels(bags, plain, '1 Jan 2030')[0]![0]).toBe('Seat 1')
    expect(kitLabels(bags)).toHaveLength(8)
  })
})

describe('the instructor’s sheet and the packing check', () => {
  const prepared = prepare(plain)
  const bags = packedBags(prepared)
  const kits = kitsOfBatch(plain, prepared, planAll(plain, prepared))

  it('tell the order of the evening, what to bring and who comes', () => {
    const sections = instructorSections(prepared, bags, kits)
    expect(sections.map(({ heading }) => heading)).toEqual([
      'The evening', 'Before it, beside cutting', 'What to bring', 'Who comes',
    ])
    const [roster] = sections.at(-1)!.blocks
    expect(roster!.kind === 'table' && roster!.rows.map(([, bag]) => bag)).toEqual(bags.map(({ label }) => label))
  })

  it('say how many pieces are in a bag and what it weighs', () => {
    const [table] = packingSection(bags, weighedBags(prepared, bags), piecesInBag).blocks
    if (table!.kind !== 'table') throw new Error('There is no table.')
    expect(table!.rows.map(([,, pieces]) => Number(pieces))).toEqual(bags.map(piecesInBag))
    expect(table!.rows.every(([,,, grams]) => Number(grams) > 20)).toBe(true)
  })
})

describe('the page of students', () => {
  const named = produce(plain, (draft) => {
    draft.class.title = 'Knots & <Ropes>'
    draft.roster = [{ ...newSeat('seat-1'), name: 'Iva <b>' }, { ...newSeat('seat-2'), name: 'Odd' }]
  })
  const prepared = prepare(named)

  it('holds no name but that of its own bag, and everything that was typed as text', () => {
    const all = studentPage(prepared, undefined, 'inch', 'today')!
    expect(all).toContain('Knots &amp; &lt;Ropes&gt;')
    expect([all.includes('Iva'), all.includes('Odd'), all.includes('<script')]).toEqual([false, false, false])
    const own = studentPage(prepared, 'seat-1', 'inch', 'today')!
    expect([own.includes('Iva &lt;b&gt;'), own.includes('Odd')]).toEqual([true, false])
  })

  it('lets colours be chosen, and is nothing for a bag that is not there', () => {
    expect(studentPage(prepared, undefined, 'metric', 'today')).toContain(
      'Tell your instructor: Harbour lantern in Low water.',
    )
    expect(studentPage(prepared, 'seat-9', 'inch', 'today')).toBeUndefined()
    expect(studentPage(prepare({ ...named, cards: [] }), 'seat-1', 'inch', 'today')).toContain(
      'Nothing is in this bag yet.',
    )
  })
})
