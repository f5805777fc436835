import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { demoBatches } from '../../demo'
import { prepare } from '../batch'
import type { Batch } from '../document'
import { BOUNDS } from '../document'
import { newWork } from '../dressing'
import { taskMinutes, tasksOf } from '../kits'
import { itemAt } from '../lists'
import type { Advice } from '.'
import { TOOL_COST, advise, rehearsalOf, rehearse, takeRemedies, usedProfiles } from '.'

/** In so many of all evenings everybody is to be done. */
const FITS = 0.9
const [frost, tide, boats] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch, Batch]
function adviceOn(batch: Batch): Advice {
  const steps = advise(batch)
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}
const last = (batch: Batch) => rehearse(rehearsalOf(prepare(batch))).ends.high

describe('the evening of a class', () => {
  it('is what the bags leave to do, each group of seats that is alike, with what is shared', () => {
    const { makers, stages, tools, begins, until } = rehearsalOf(prepare(tide))
    expect(makers.map(({ count }) => count).reduce((a, b) => a + b)).toBe(14)
    expect(stages.map(({ name }) => name)).toEqual(['Harbour lantern', 'Two tides'])
    expect([begins, until, tools.map(({ count }) => count)]).toEqual([10, 140, [1, 1, 1]])
    const [harbour, two] = itemAt(makers, 0).stages
    expect(harbour!.filter(({ tool }) => tool === 1)).toHaveLength(1)
    expect(two!.filter(({ tool }) => tool === 0)).toHaveLength(1)
    for (const steps of [harbour!, two!]) {
      for (const [at, { needs }] of steps.entries())
        expect(needs.every(need => need < at)).toBe(true)
    }
  })

  it('leaves out what is done before, and shares no tool with who is not in the room', () => {
    const ready = produce(tide, draft => void (draft.prep.profiles[0]!.levels = { mat: 'stamped' }))
    const [harbour] = itemAt(rehearsalOf(prepare(ready)).makers, 0).stages
    expect(harbour!.some(({ tool }) => tool !== undefined)).toBe(false)
    const away = rehearsalOf(prepare({ ...tide, class: { ...tide.class, delivery: 'by post' } }))
    expect(away.makers.flatMap(({ stages }) => stages.flat()).every(({ tool }) => tool === undefined)).toBe(true)
  })

  it('waits for the instructor where something is theirs that can only be done in the class', () => {
    const tied = produce(tide, (draft) => {
      draft.cards[0]!.parts = [{
        key: 'base', hold: null, foam: '0 in', works: [{ ...newWork('work-1'), technique: 'tie', by: 'instructor' }],
      }]
    })
    expect(itemAt(rehearsalOf(prepare(tied)).makers, 0).stages[0]!.filter(({ tool }) => tool === 2)).toHaveLength(1)
  })

  it('has its seconds from the class', () => {
    const slow = produce(tide, draft => void (draft.evening.hands.putting *= 3))
    expect(last(slow)).toBeGreaterThan(last(tide) + 10)
    expect(last(produce(tide, draft => void (draft.evening.heatTools = 4)))).toBeLessThan(last(tide) - 5)
  })
})

describe('what would help', () => {
  it('is weighed by what it costs, and nothing more is asked where the class fits', () => {
    const { rehearsal, remedies, together } = adviceOn(tide)
    expect([rehearsal.fits >= FITS, together]).toEqual([true, undefined])
    expect(remedies[0]!.words).toBe('Heat-emboss the mat on plate of Harbour lantern beforehand')
    const tool = remedies.find(remedy => remedy.tool === 'heatTools')
    expect([tool?.costs, tool!.gains > 5]).toEqual([TOOL_COST, true])
  })

  it('makes a class fit that does not, for no more than it says', () => {
    const { rehearsal, together } = adviceOn(boats)
    expect(rehearsal.fits).toBeLessThan(FITS)
    expect(together!.rehearsal.fits).toBeGreaterThanOrEqual(FITS)
    const taken = produce(boats, draft => takeRemedies(draft, together!.remedies, usedProfiles(prepare(boats))))
    const minutes = (batch: Batch) => taskMinutes(tasksOf(prepare(batch)))
    expect(minutes(taken) - minutes(boats)).toBeCloseTo(together!.costs, 6)
    expect(adviceOn(taken).rehearsal.fits).toBeGreaterThanOrEqual(FITS)
    // What was taken is not offered again.
    const again = adviceOn(taken).remedies.map(({ key }) => key)
    expect(together!.remedies.filter(({ key }) => again.includes(key))).toEqual([])
  })

  it('is found as the cheapest of all sets, looked at one by one', () => {
    const { remedies, together } = adviceOn(boats)
    const used = usedProfiles(prepare(boats))
    const found = Array.from({ length: 2 ** remedies.length }, (_, set) =>
      remedies.filter((_, at) => (set >> at) % 2 === 1)).flatMap((some) => {
      const changed = prepare(produce(boats, draft => takeRemedies(draft, some, used)))
      const costs = taskMinutes(tasksOf(changed)) - taskMinutes(tasksOf(prepare(boats)))
        + TOOL_COST * some.filter(({ tool }) => tool).length
      const fits = (runs: number) => rehearse(rehearsalOf(changed), { runs }).fits >= FITS
      return fits(60) && fits(500) ? [costs] : []
    })
    expect(together!.costs).toBe(Math.min(...found))
  })

  it('says so where even everything is not enough', () => {
    const short = produce(boats, draft => void (draft.class.lasts = 20))
    const { together } = adviceOn(short)
    expect(together!.rehearsal.fits).toBeLessThan(FITS)
  })

  it('makes nothing ready less, and leaves what goes along uncut', () => {
    const draft = produce(tide, (draft) => {
      draft.prep.profiles[0]!.levels = { 'mat': 'uncut', 'base': 'assembled', 'two-tides message': 'die cut' }
      takeRemedies(draft, [{
        further: [
          { path: 'two-tides mat-flap', kind: 'mat', level: 'stamped' },
          { path: 'two-tides base', kind: 'base', level: 'scored' },
          { path: 'two-tides message', kind: 'message', level: 'stamped' },
        ],
      }, { further: [], tool: 'machines' }], new Set([draft.prep.profiles[0]!.key]))
    })
    expect(draft.prep.profiles[0]!.levels)
      .toEqual({ 'mat': 'uncut', 'base': 'assembled', 'two-tides message': 'stamped' })
    expect([draft.evening.machines, draft.prep.profiles[1]!.levels]).toEqual([2, tide.prep.profiles[1]!.levels])
  })

  it('takes no more than a class may hold', () => {
    const draft = produce(tide, (draft) => {
      const [room] = draft.prep.profiles
      room!.levels = Object.fromEntries(Array.from({ length: BOUNDS.names }, (_, at) => [`gone ${at}`, 'scored']))
      draft.evening.machines = BOUNDS.tools
      const further = [{ path: 'two-tides base', kind: 'base', level: 'scored' as const }]
      takeRemedies(draft, [{ further }, { further: [], tool: 'machines' }], new Set([room!.key]))
    })
    expect([Object.keys(draft.prep.profiles[0]!.levels).length, draft.evening.machines])
      .toEqual([BOUNDS.names, BOUNDS.tools])
  })

  it('moves nothing before the class that waits for what is left to students', () => {
    // A layer whose face is stamped by the student first cannot be put on before.
    const worked = produce(frost, (draft) => {
      for (const { key } of draft.cards[0]!.parts)
        draft.cards[0]!.parts.find(part => part.key === key)!.works.forEach(work => (work.by = 'student'))
      draft.class.lasts = 30
    })
    const { remedies } = adviceOn(worked)
    expect(remedies.some(({ further }) => further.some(({ path }) => path.endsWith(' mat-flap')))).toBe(false)
  })

  it('is nothing for nobody', () => {
    expect(adviceOn({ ...tide, cards: [] })).toMatchObject({ remedies: [], rehearsal: { stages: [] } })
  })
})
