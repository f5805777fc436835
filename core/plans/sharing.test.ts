import highs from 'highs'
import { produce } from 'immer'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Preparation } from '../batch'
import {
  bagsOf, colourwayCounts, couldServe, handedKits, newColourway, prepare, seatOf, sharingInWords, unmetWishes, withSeat,
} from '../batch'
import { planAll, prepareShared, printsIn, rulesBroken, swapped, unpinned, writtenSharing } from '.'
import { contentsOf, findingsOf, packedBags } from '../kits'
import { demoBatches } from '../../demo'
import type { Solve } from '../cutting'
import { madeBy, solverOf } from '../cutting'
import type { Batch } from '../document'
import { forRules, newSeat } from '../document'
import { sharingViolations } from '../sharing'

let solve: Solve
let shared: Preparation
beforeAll(async () => {
  solve = solverOf(await highs())
  shared = prepareShared(batch, solve)
}, 60_000)

const demo = demoBatches(new Date(2030, 0, 1))[1]!
/** A class with fewer seats, so that little has to be planned. */
const batch = produce(demo, (draft) => {
  draft.class.seats = 6
  draft.class.spares = 1
  draft.cards = draft.cards.slice(0, 1)
  draft.roster = draft.roster.slice(0, 6)
})
const card = batch.cards[0]!
const changed = (change: (draft: Batch) => void) => produce(batch, change)
const colourwaysOf = (of: Batch) => handedKits(of).get(card.key)!.map(({ colourway }) => colourway?.key)

describe('the demo evening', () => {
  it('has bags that differ, and every piece is cut from the print it is said to be', () => {
    const outcomes = planAll(batch, shared, solve)
    expect(outcomes.flatMap(({ plan }) => plan.unplaced)).toEqual([])
    const written = writtenSharing(shared, outcomes)!
    expect(written.kits).toHaveLength(7)
    expect(sharingViolations(written)).toEqual([])
    // The plans take the sheets that sharing found.
    const { problem, sharing } = shared.sharing!
    const ofPrints = outcomes.filter(({ paper }) => problem.prints.some(({ key }) => key === paper.key))
    expect(ofPrints.reduce((sum, { fewest }) => sum + fewest.plan.sheets, 0)).toBe(sharing.sheets)
    expect(new Set(packedBags(shared).map(contentsOf)).size).toBeGreaterThan(4)
    // The check would see it: a print that is not in the pool, one that is not cut, a kit without.
    const wrong = (change: (draft: typeof written) => void) => sharingViolations(produce(written, change))
    const [part] = Object.keys(written.kits[0]!.prints)
    expect(wrong(draft => void (draft.kits[0]!.prints[part!] = 'chalk'))[0]).toContain('not in the pool')
    expect(wrong(draft => void (draft.kits[0]!.prints = {}))[0]).toContain('has no print')
    expect(wrong(draft => void draft.cut.forEach(cut => (cut.count = 0)))[0]).toContain('no more are cut')
    expect(wrong((draft) => {
      draft.rules.different = { hold: 'must', weight: 0 }
      draft.kits[1] = { ...draft.kits[0]!, bag: 'seat-2' }
    }).join()).toContain('all must differ')
  }, 60_000)

  it('packs just what is cut: bags and kits for nobody add up to the plan', () => {
    const outcomes = planAll(batch, shared, solve)
    for (const { paper, plan, entry } of outcomes) {
      const wanted = shared.cards.flatMap(({ dealt, pieces }) => dealt.flatMap(({ papers }) =>
        pieces.filter(({ key }) => papers.get(key)?.key === paper.key).map(({ perKit }) => perKit),
      ),
      )
        .reduce((sum, count) => sum + count, 0)
      expect([paper.key, [...entry.wanted.values()].reduce((sum, count) => sum + count, 0)]).toEqual([
        paper.key, wanted,
      ])
      const made = madeBy(plan.layouts)
      for (const [key, count] of entry.wanted) expect(made.get(key) ?? 0).toBeGreaterThanOrEqual(count)
    }
    const packed = packedBags(shared).flatMap(({ kits }) =>
      kits.flatMap(({ pieces }) => pieces.map(({ count }) => count)),
    )
    expect(packed.reduce((sum, count) => sum + count, 0)).toBe(
      shared.cards.flatMap(({ pieces }) => pieces).reduce((sum, { quantity }) => sum + quantity, 0))
  }, 60_000)

  it('takes the sharing that is found over what was dealt out at once, and keeps everything else', () => {
    const first = prepare(batch)
    expect([first.sharing!.isSettled, shared.sharing!.isSettled, first.sharing!.key]).toEqual([
      false, true, shared.sharing!.key,
    ])
    expect(first.papers.find(({ paper }) => paper.key === 'chalk')!.wanted).toEqual(
      shared.papers.find(({ paper }) => paper.key === 'chalk')!.wanted)
  })
})

describe('two bags', () => {
  const places = (part: string) =>
    ['seat-1', 'seat-2'].map(bag => ({ bag, card: card.key, part })) as [
      { bag: string, card: string, part: string }, { bag: string, card: string, part: string },
    ]

  it('swap a print, which is kept when everything is shared out anew', () => {
    const [one, other] = places('mat-c')
    const before = [one, other].map(({ bag }) => printsIn(shared, bag, card.key))
    const answer = swapped(shared, one, other)
    if ('wrong' in answer) throw new Error(answer.wrong)
    const again = prepareShared({ ...batch, roster: answer.roster }, solve)
    expect(printsIn(again, 'seat-1', card.key)).toEqual({ ...before[0], 'mat-c': before[1]!['mat-c'] })
    expect(printsIn(again, 'seat-2', card.key)).toEqual({ ...before[1], 'mat-c': before[0]!['mat-c'] })
    expect(seatOf({ roster: unpinned(answer.roster, 'seat-1') }, 'seat-1').prints).toEqual({})
    // Names and wishes are as they were.
    expect(seatOf({ roster: answer.roster }, 'seat-1').name).toBe(batch.roster[0]!.name)
  }, 60_000)

  it('swap nothing of different sizes, and nothing that is not shared out', () => {
    const [one, other] = places('mat-c')
    expect(swapped(shared, one, { ...other, part: 'plate-mat' })).toEqual({
      wrong: expect.stringContaining('different sizes'),
    })
    expect(swapped(shared, one, { ...other, part: 'base' })).toEqual({
      wrong: expect.stringContaining('different pools'),
    })
    expect(swapped(shared, one, { ...other, bag: 'seat-99' })).toEqual({ wrong: expect.stringContaining('no print') })
  })

  it('are told apart by the rules that they break', () => {
    const given = changed((draft) => {
      const prints = Object.fromEntries(
        ['mat-a', 'mat-b', 'mat-c', 'plate-mat'].map(part => [`${card.key} ${part}`, 'ripple']),
      )
      draft.roster = ['seat-1', 'seat-3'].map(key => ({ ...newSeat(key), prints }))
      draft.cards[0]!.colourways = []
    })
    expect(rulesBroken(prepare(given), 'seat-1', card.key).sort()).toEqual(['different', 'neighbours', 'touching'])
    expect(rulesBroken(prepare(changed(draft => void (draft.pools = []))), 'seat-1', card.key)).toEqual([])
  })
})

describe('who gets what', () => {
  it('follows wishes, then an even share, and as many of a colourway as are said', () => {
    const wishes = Object.fromEntries(batch.roster.map(({ key, colourways }) => [key, colourways[card.key]]))
    handedKits(batch)
      .get(card.key)!
      .forEach(({ bag, colourway }) => wishes[bag!] && expect(colourway?.key).toBe(wishes[bag!]))
    const counts = (kits: (number | null)[], of: number) =>
      colourwayCounts({ ...card, colourways: card.colourways.map((one, at) => ({ ...one, kits: kits[at]! })) }, of)
    expect([counts([null, null], 7), counts([2, null], 7), counts([2, 2], 7), counts([9, null], 7)]).toEqual(
      [[4, 3], [2, 5], [4, 3], [9, 0]])
  })

  it('says which wish is not met, and why', () => {
    const few = changed(draft => void (draft.cards[0]!.colourways[0]!.kits = 0))
    expect(unmetWishes(few).map(({ bag, isGone }) => [bag, isGone])).toContainEqual(['seat-1', false])
    const gone = changed(draft => void draft.cards[0]!.colourways.shift())
    const words = findingsOf(prepare(gone)).map(({ subject, problem }) => `${subject} ${problem}`)
    expect(words).toContainEqual(expect.stringMatching(/^Ada wishes for the colourway “high-water”.*no more/))
    const named = changed(draft => void draft.roster.push({ ...newSeat('seat-40'), name: 'Zelda' }))
    expect(findingsOf(prepare(named)).map(({ subject }) => subject)).toContain('Zelda')
  })

  it('knows whom a bag would serve that nobody has', () => {
    const choosing = changed((draft) => {
      draft.sharing.surplus = 2
      draft.roster.forEach((seat, at) => (seat.colourways = at < 2 ? { [card.key]: 'high-water' } : {}))
      draft.roster[2]!.colourways = { [card.key]: 'low-water' }
    })
    // Who has what was wished for needs no other bag.
    expect(couldServe(choosing, 'choice-1')).toEqual(['seat-4', 'seat-5', 'seat-6'])
    expect(couldServe(choosing, 'seat-4')).toEqual([])
    expect(couldServe(produce(choosing, draft => void (draft.cards[0]!.colourways = [])), 'choice-1')).toEqual([])
  })

  it('gives a card of which there are few to the bags that are named, and of copies one to each seat', () => {
    const few = changed((draft) => {
      Object.assign(draft.cards[0]!, { kits: 2, bags: ['seat-5'] })
    })
    expect(handedKits(few).get(card.key)!.map(({ bag }) => bag)).toEqual(['seat-1', 'seat-5'])
    const copies = changed((draft) => {
      draft.cards[0]!.kits = 3
      draft.cards.push({ ...draft.cards[0]!, key: 'copy', title: 'Copy', kits: 4, insteadOf: card.key })
    })
    const handed = handedKits(copies)
    expect(['harbour-lantern', 'copy'].map(key => handed.get(key)!.map(({ bag }) => bag))).toEqual([
      ['seat-1', 'seat-2', 'seat-3'], ['seat-4', 'seat-5', 'seat-6', 'spare-1'],
    ])
  })

  it('has bags to choose from on the day, and kits for nobody where there are more kits than bags', () => {
    const more = changed((draft) => {
      draft.sharing.surplus = 2
    })
    expect(bagsOf(more).slice(-3)).toEqual(['spare-1', 'choice-1', 'choice-2'])
    expect(colourwaysOf(more)).toHaveLength(9)
    expect(handedKits(changed(draft => void (draft.cards[0]!.kits = 9))).get(card.key)!.filter(
      ({ bag }) => bag === undefined)).toHaveLength(2)
  })

  it('keeps no entry of a bag that nothing is said of, and begins with two colourways', () => {
    expect(withSeat([], newSeat('seat-1'))).toEqual([])
    const one = withSeat([], { ...newSeat('seat-1'), name: 'Ada' })
    expect([one.length, withSeat(one, newSeat('seat-1'))]).toEqual([1, []])
    expect(newColourway({ colourways: [] }).map(({ key }) => key)).toEqual(['colourway', 'colourway-2'])
    expect(newColourway(card)).toHaveLength(1)
  })
})

describe('what a sharing takes', () => {
  const broken = forRules(() => 0)
  const of = (own: object) => sharingInWords({ kits: [], broken, missing: 0, ...own })

  it('is told with what is proven, and never with a proof where kits are missing', () => {
    expect([
      of({}), of({ sheets: 1, bound: 1 }), of({ sheets: 9, bound: 8 }), of({ sheets: 4, bound: 0, missing: 3 }),
    ]).toEqual([
      undefined,
      '1 sheet: fewer are impossible',
      '9 sheets: fewer than 8 are impossible',
      '4 sheets, which do not suffice for 3 kits',
    ])
  })
})

describe('rules that nobody can keep', () => {
  it('stop with the name of the rule', () => {
    const stopped = (change: (draft: Batch) => void) =>
      findingsOf(prepare(changed(change)))
        .filter(({ severity }) => severity === 'stop')
        .map(({ problem }) => problem)
        .join(' ')
    expect(stopped((draft) => {
      draft.pools[0]!.papers = ['ripple']
      draft.sharing.touching.hold = 'must'
    })).toContain('“Faces that touch when closed differ”')
    expect(stopped((draft) => {
      draft.pools[0]!.papers = ['ripple']
      draft.sharing.different.hold = 'must'
    })).toContain('only 1 kit can differ')
    expect(stopped(draft => void (draft.pools[0]!.papers = []))).toContain('has no paper')
    // Seats that are made ready otherwise are kits of their own, and say nothing twice.
    const twice = findingsOf(prepare(changed((draft) => {
      draft.pools[0]!.papers = ['ripple']
      draft.sharing.touching.hold = 'must'
      draft.roster.push({ ...newSeat('seat-5'), profile: draft.prep.profiles[1]!.key })
    }))).filter(({ severity }) => severity === 'stop').map(({ subject, problem }) => `${subject} ${problem}`)
    expect([new Set(twice).size, twice.length > 0]).toEqual([twice.length, true])
  })
})
