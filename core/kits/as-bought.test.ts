import highs from 'highs'
import { produce } from 'immer'
import { beforeAll, describe, expect, it } from 'vitest'
import { demoBatches } from '../../demo'
import { batchProblems, prepare, takeInstead, withOffers } from '../batch'
import { letterPaper } from '../batch/testing'
import type { Solve } from '../cutting'
import { solverOf, verifyPlan } from '../cutting'
import type { Batch, PaperEntry } from '../document'
import { backOf, plainPaper } from '../document'
import { writeBatch, readBatch } from '../formats'
import { backName, sheetPrice, sidesOf, stackOf, stackedWeight } from '../paper'
import { planAll, prepareShared, writtenSharing } from '../plans'
import { sharingViolations } from '../sharing'
import { newWork } from '../dressing'
import { arrive, kitsOfBatch, packsInWords, shoppingList } from '.'

let solve: Solve
beforeAll(async () => void (solve = solverOf(await highs())))

const [, tide] = demoBatches(new Date(2030, 0, 1))
/** One card of six bags, with nothing cut yet. */
const evening = produce(tide!, (draft) => {
  Object.assign(draft.class, { seats: 6, spares: 0 })
  draft.cards = draft.cards.slice(0, 1)
  draft.cards[0]!.colourways = []
  draft.roster = []
  draft.shopping = []
})
const withPaper = (change: (draft: Batch) => void): Batch => produce(evening, change)
const paperIn = ({ papers }: Batch, key: string): PaperEntry => papers.find(paper => paper.key === key)!
function shoppingOf(batch: Batch) {
  const preparation = prepare(batch)
  const outcomes = planAll(batch, preparation)
  const kits = kitsOfBatch(batch, preparation, outcomes)
  return { kits, outcomes, lines: shoppingList(batch, kits, batch.supplies).flatMap(({ lines }) => lines) }
}

describe('a paper with two sides', () => {
  const two = withPaper((draft) => {
    paperIn(draft, 'kelp').back = {
      differs: true, name: 'Kelp, pale side', colour: '#aabbaa', motif: 'dots', scale: 'small', upright: false,
    }
    draft.cards[0]!.papers.message = backOf('kelp')
    draft.cards[0]!.papers.plate = 'kelp'
  })

  it('gives pieces of either side from the same sheets, each with its side in words', () => {
    expect(batchProblems(two)).toEqual([])
    const { cards: [card], papers } = prepare(two)
    const of = (key: string) => card!.pieces.find(piece => piece.key === key)!
    expect([of('message').paper!.name, of('base').paper!.name]).toEqual(['Kelp, pale side', 'Kelp'])
    expect(papers.filter(({ paper }) => paper.key.includes('kelp'))).toHaveLength(1)
    const { problem, names, paper } = papers.find(({ paper }) => paper.key === 'kelp')!
    expect(problem.demands.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(3 * 6)
    expect([...names.values()].join()).toContain('Message panel, other side up')
    const [plan] = planAll(two, prepare(two), solve).filter(outcome => outcome.paper.key === paper.key)
    expect(verifyPlan(plan!.plan, problem)).toEqual([])
    const read = readBatch(writeBatch(two))
    expect(read.ok && read.value).toEqual(JSON.parse(JSON.stringify(two)))
  })

  it('is no choice where both sides are alike, nor is a pad', () => {
    const wrong = (change: (draft: Batch) => void) => batchProblems(withPaper(change)).map(({ path, problem }) =>
      `${path} ${problem}`)
    expect(wrong(draft => void (draft.cards[0]!.papers.message = backOf('fog')))).toEqual([
      expect.stringMatching(/papers\.message names the other side of “fog”, which is alike on both sides/),
    ])
    expect(wrong(draft => void draft.pools[0]!.papers.push(backOf('nowhere')))).toEqual([
      expect.stringMatching(/pools\[0\]\.papers names the paper “nowhere”/),
    ])
  })

  it('lies in a pool with both sides: its sheets give as many of one as of the other, and never more', () => {
    const pooled = withPaper((draft) => {
      paperIn(draft, 'ripple').back = {
        differs: true, name: '', colour: '#ddccaa', motif: 'dots', scale: 'middle', upright: false,
      }
      draft.pools[0]!.papers = ['ripple', backOf('ripple'), 'lantern']
    })
    const shared = prepareShared(pooled, solve)
    expect(shared.sharing!.problem.prints.map(({ key }) => key).sort()).toEqual(['lantern', 'ripple'])
    const kits = shared.cards[0]!.dealt.flatMap(({ papers }) => [...papers.values()].map(({ key }) => key))
    const [front, back] = ['ripple', backOf('ripple')].map(key => kits.filter(one => one === key).length)
    expect(Math.abs(front! - back!)).toBeLessThanOrEqual(1)
    expect(back).toBeGreaterThan(1)
    const outcomes = planAll(pooled, shared, solve)
    expect(outcomes.filter(({ paper }) => paper.key.includes('ripple'))).toHaveLength(1)
    expect(sharingViolations(writtenSharing(shared, outcomes)!)).toEqual([])
  })

  it('says when a piece would come out mirrored, smear, or show its core', () => {
    const problems = (change: (paper: PaperEntry) => void, side = 'kelp') => prepare(withPaper((draft) => {
      change(paperIn(draft, 'kelp'))
      draft.cards[0]!.papers.base = side
      draft.cards[0]!.parts = [{ key: 'base', hold: null, foam: '0 in', works: [newWork('work-1')] }]
    })).cards[0]!.findings.map(({ problem }) => problem).join('\n')
    expect(problems(() => {})).not.toMatch(/coated|white within/)
    expect(problems(paper => void (paper.coating = 'coated')))
      .toContain('“Kelp”, which is coated: wet ink stands on it')
    expect(problems(paper => void (paper.core = 'white'))).toContain('“Kelp”, which is white within')
  })
})

describe('a paper that does not suit', () => {
  /** The base is stamped, and its paper is coated. */
  const smeared = (change: (draft: Batch) => void = () => {}) => withPaper((draft) => {
    paperIn(draft, 'kelp').coating = 'coated'
    draft.cards[0]!.papers.base = 'kelp'
    draft.cards[0]!.parts = [{ key: 'base', hold: null, foam: '0 in', works: [newWork('work-1')] }]
    draft.papers.push(
      letterPaper('algae', { colour: '#40705a' }), letterPaper('night', { colour: '#101018', standsIn: ['kelp'] }),
    )
    change(draft)
  })
  const offersIn = (batch: Batch, part = 'base') => {
    const { cards: [card], shelf } = prepare(batch)
    return withOffers(card!.findings, card!, shelf, 'inch').filter(finding => finding.part === part && finding.paper)
  }

  it('is found with one that does: what stands in for it first, then what looks alike and can be had', () => {
    const offered = (change?: (draft: Batch) => void) => offersIn(smeared(change)).map(({ instead }) => instead?.paper)
    expect(offered()).toEqual(['night'])
    const alone = (draft: Batch) => void (paperIn(draft, 'night').standsIn = [])
    expect(offered(alone)).toEqual(['algae'])
    expect(offered((draft) => {
      alone(draft)
      Object.assign(paperIn(draft, 'kelp'), { family: 'green' })
      Object.assign(paperIn(draft, 'night'), { family: 'green' })
    })).toEqual(['night'])
    // What is coated too, too light, too small or not to be had is not offered.
    for (const wrong of [
      { coating: 'coated' as const }, { weight: 80 },
      { stocks: [{ key: 'pad', width: '3 in', height: '3 in', onHand: 9, pack: 1, price: 10 }] },
      { stocks: paperIn(smeared(), 'algae').stocks.map(stock => ({ ...stock, onHand: 0, price: null })) },
    ]) {
      const others = offered((draft) => {
        alone(draft)
        Object.assign(paperIn(draft, 'algae'), wrong)
      })
      expect([others.length, others.includes('algae')]).toEqual([1, false])
    }
  })

  it('gives way to it wherever the card took it for the part, and nowhere else', () => {
    const coloured = smeared((draft) => {
      draft.cards[0]!.papers.message = 'kelp'
      draft.cards[0]!.colourways = [{ key: 'one', name: 'One', kits: null, papers: { base: 'kelp', message: 'fog' } }]
    })
    const [finding] = offersIn(coloured)
    const after = produce(coloured, ({ cards: [card] }) =>
      takeInstead(card!, finding!.part!, finding!.paper!, finding!.instead!.paper))
    const [card] = after.cards
    expect([card!.papers.base, card!.papers.message, card!.colourways[0]!.papers]).toEqual([
      'night', 'kelp', { base: 'night', message: 'fog' },
    ])
    expect(offersIn(after)).toEqual([])
  })
})

describe('packs and pads', () => {
  it('are bought whole: what comes along is said, and lies on the shelf once it has come', () => {
    const packed = withPaper((draft) => {
      const [stock] = paperIn(draft, 'kelp').stocks
      Object.assign(stock!, { onHand: 1, pack: 5, price: 220 })
      paperIn(draft, 'kelp').where = 'Quay Street'
    })
    const { lines, outcomes } = shoppingOf(packed)
    const line = lines.find(({ item }) => item === 'kelp')!
    const opened = outcomes.find(({ paper }) => paper.key === 'kelp')!.sheets[0]!
    expect([opened.needed, opened.price, line.where]).toEqual([3, 44, 'Quay Street'])
    expect([line.toBuy, line.cost, line.besides]).toEqual([1, 220, '3 Kelp'])
    expect(packsInWords(line.toBuy, line, 'inch')).toBe('1 pack of 5')
    const after = produce(packed, draft => arrive(draft, line, 1))
    expect(paperIn(after, 'kelp').stocks[0]!.onHand).toBe(6)
  })

  const padded = withPaper((draft) => {
    Object.assign(paperIn(draft, 'rope').stocks[0]!, { onHand: 2, price: null })
    draft.papers = draft.papers.filter(({ kind }) => kind !== 'pad')
    draft.papers.push(letterPaper('sail', { stocks: [] }), plainPaper({
      key: 'quay-pad', name: 'Quay pad', kind: 'pad', weight: 190, colour: '#c9b48a',
      stocks: [{ key: 'pad', width: '6 in', height: '6 in', onHand: 0, pack: 6, price: 900 }],
      holds: [{ key: 'rope', count: 4 }, { key: 'sail', count: 2 }],
    }))
    for (const part of ['mat-a', 'mat-b', 'mat-c']) draft.cards[0]!.papers[part] = 'rope'
  })

  it('a pad is bought for the paper that is short of most, and its other papers come along', () => {
    expect(batchProblems(padded)).toEqual([])
    const rope = prepare(padded).papers.find(({ paper }) => paper.key === 'rope')!
    expect(rope.paper.stocks.map(sheetPrice)).toEqual([150])
    const { lines, outcomes, kits } = shoppingOf(padded)
    const missing = outcomes.find(({ paper }) => paper.key === 'rope')!.sheets[0]!.needed - 2
    const pads = Math.ceil(missing / 4)
    expect(missing).toBeGreaterThan(4)
    const line = lines.find(({ item }) => item === 'quay-pad')!
    expect([line.toBuy, line.cost, line.isPad]).toEqual([pads, 900 * pads, true])
    const spare = pads * 4 > missing ? `${pads * 4 - missing} Rope, ` : ''
    expect(line.besides).toBe(`${spare}${2 * pads} sail`)
    expect(lines.filter(({ item }) => item === 'rope')).toEqual([])
    expect(kits.totals.spending).toBeGreaterThanOrEqual(900 * pads)
    const after = produce(padded, draft => arrive(draft, line, pads))
    expect([paperIn(after, 'rope').stocks[0]!.onHand, paperIn(after, 'sail').stocks[0]!.onHand]).toEqual(
      [2 + 4 * pads, 2 * pads],
    )
    expect(shoppingOf(after).lines.some(({ item }) => item === 'quay-pad')).toBe(false)
  })

  it('a pad has to add up, and a paper is none', () => {
    const wrong = (change: (pad: PaperEntry) => void) =>
      batchProblems(produce(padded, draft => change(paperIn(draft, 'quay-pad')))).map(({ problem }) => problem)
    expect(wrong(pad => void (pad.holds[0]!.count = 3))).toEqual(['adds up to 5 sheets; the pad has 6'])
    expect(wrong(pad => void (pad.holds = []))).toEqual(['names the papers of the pad: there is none'])
    expect(wrong(pad => void (pad.kind = 'print'))).toEqual(['is for pads only: a paper holds no others'])
    expect(wrong(pad => void pad.stocks.push({ ...pad.stocks[0]!, key: 'other' }))).toEqual([
      'have one size in a pad',
    ])
    const named = produce(padded, draft => void (draft.cards[0]!.papers.base = 'quay-pad'))
    expect(batchProblems(named).map(({ problem }) => problem)).toEqual([
      'names “quay-pad”, which is a pad: name one of the papers in it',
    ])
  })
})

describe('a thickness that was measured', () => {
  it('counts in a stack as so much heavier card, and stands for the other side too', () => {
    const thin = letterPaper('thin', { weight: 240 })
    const thick = letterPaper('thick', { weight: 240, thick: '0.6 mm', back: { ...thin.back, differs: true } })
    expect([stackOf(4, stackedWeight(thin)), stackOf(4, stackedWeight(thick))]).toEqual([4, 2])
    const { papers: [{ paper } = { paper: undefined }] } = prepare(produce(evening, (draft) => {
      draft.papers = [thick]
      draft.cards[0]!.papers = { base: backOf('thick') }
      draft.pools = []
    }))
    expect(sidesOf(paper!).map(({ name }) => name)).toEqual(['thick', backName(thick)])
    const thicker = prepare(produce(evening, draft => void draft.papers.forEach(entry => (entry.thick = '0.6 mm'))))
    expect(thicker.papers.map(({ problem }) => problem.cutter.stack)).toEqual(thicker.papers.map(() => 2))
  })
})
