import { BOUNDS, DEFAULT_POST, newClass, plainPaper } from '../document'
import type { Batch, PostEntry } from '../document'
import { describe, expect, it } from 'vitest'
import { prepare } from '../batch'
import { postingOf } from '.'
import { paperedCard } from '../batch/testing'
import { foldById, thicknessAtEdges } from '../folds'
import { inches, millimetres } from '../lengths'

const paper = plainPaper({ key: 'kelp', name: 'Kelp', kind: 'cardstock', weight: 240, colour: '#3f6b57' })
function post(
  fold: string,
  {
    parameters = {},
    table = DEFAULT_POST,
    wanted,
  }: { parameters?: Record<string, string | boolean>, table?: PostEntry, wanted?: string } = {},
) {
  const empty: Batch = { ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch' }), papers: [paper] }
  const card = paperedCard(foldById(fold)!, empty, { parameters })
  const [prepared] = prepare({ ...empty, cards: [card] }).cards
  return postingOf(prepared!, table, [], 'inch', wanted)!
}
const problems = (posting: ReturnType<typeof post>) => posting.findings.map(({ problem }) => problem).join(' ')

describe('a card that is thick in its middle only', () => {
  it('still goes where its edges are thin', () => {
    // A plate on foam a good inch inside the edges: 1/8 in beside the card is enough, however thick it is there.
    const { closed, envelope, map } = post('z-fold', { parameters: { plateWidth: '1 1/2 in', plateHeight: '2 in' } })
    expect(thicknessAtEdges(map, millimetres(10))).toBeLessThan(closed.thickness)
    expect(closed.thickness).toBeGreaterThan(millimetres(3))
    expect(envelope?.key).toBe('small')
  })
})

describe('posting a card', () => {
  it('knows thickness, weight, the smallest envelope and the cheapest rate', () => {
    const posting = post('plain-card', { parameters: { message: false } })
    // Two layers of base and a mat of 0.3 mm each.
    expect(posting.closed).toEqual({ width: inches(4.25), height: inches(5.5), thickness: millimetres(0.9) })
    // (8 1/2 × 5 1/2 + 4 × 5 1/4) in² of 240 g/m².
    expect(posting.weight).toBeCloseTo((8.5 * 5.5 + 4 * 5.25) * 0.0254 ** 2 * 240, 6)
    expect([posting.envelope?.name, posting.rate!.name, posting.findings]).toEqual([
      'Small envelope', 'Flat letter', [],
    ])
  })

  it('follows the bulk of the paper', () => {
    expect(
      post('plain-card', { parameters: { message: false }, table: { ...DEFAULT_POST, bulk: 2.5 } }).closed.thickness,
    ).toBe(millimetres(1.8))
  })

  it('says which envelope fits when the chosen one does not', () => {
    expect(problems(post('plain-card', { parameters: { width: '5 1/2 in' }, wanted: 'small' }))).toContain(
      '“Small envelope” of 4 3/8 × 5 3/4 in is too small',
    )
    expect(problems(post('plain-card', { wanted: 'lost' }))).toContain('is not in the table')
    expect(problems(post('plain-card', { parameters: { width: '11 in', height: '11 in' } }))).toContain('make one of')
  })

  it('sends what is bulky in a box, whatever the envelope', () => {
    const posting = post('box-frame')
    expect(posting.envelope).toBeUndefined()
    expect(posting.rate!.name).not.toBe('Flat letter')
    expect(problems(posting)).toMatch(/12\.7 mm thick.*box envelope/)
  })

  it('says when no rate takes it', () => {
    expect(problems(post('plain-card', { table: { ...DEFAULT_POST, rates: [] } }))).toContain('no rate in the table')
  })

  it('says how much foam a stopper wants to hold what rests against it', () => {
    expect(problems(post('easel'))).not.toContain('Stopper')
    // Base, topper and mat of 0.3 mm each against one layer of paper on 0.5 mm of foam.
    expect(problems(post('easel', { table: { ...DEFAULT_POST, foam: '0.5 mm' } }))).toContain(
      'stands 0.8 mm high, but what rests against it is 0.9 mm thick and slips over it: put 2 layers of foam under it.',
    )
  })

  it('has nothing to say about a card that cannot be worked out', () => {
    const broken = {
      entry: { envelope: '' } as never,
      kits: 1,
      dealt: [],
      groups: [],
      made: {} as never,
      pieces: [],
      strips: [],
      findings: [], fixed: () => [] }
    expect(postingOf(broken, DEFAULT_POST, [], 'inch')).toBeUndefined()
    expect(BOUNDS.envelopes).toBeGreaterThan(DEFAULT_POST.envelopes.length)
  })
})
