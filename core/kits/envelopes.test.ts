import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { batchProblems, newCard, prepare } from '../batch'
import { letterPaper } from '../batch/testing'
import type { Batch, CardEntry } from '../document'
import { newClass } from '../document'
import { addForEnvelope, forEnvelope, isEnvelopeStamped, stampEnvelope } from '../dressing'
import { foldById } from '../folds'
import { inches, lengthFrom } from '../lengths'
import { tasksOf, viewOf } from '.'

const MARK = inches(0.0625)
/** Upright or on its side, it opens along its longer side. */
const A6 = { width: inches(4.75), height: inches(6.5) }

function evening(change: (card: CardEntry) => void = () => {}): Batch {
  const plain = newClass({ title: 'Lined', date: '2030-01-01', units: 'inch', seats: 5, spares: 0 })
  const batch: Batch = { ...plain, papers: [letterPaper('kelp')] }
  batch.post = {
    ...batch.post, envelopes: [{ key: 'a6', name: 'A6 envelope', width: '6 1/2 in', height: '4 3/4 in' }],
  }
  const card = newCard(foldById('plain-card')!, batch, { parameters: { width: '5 1/2 in', height: '4 1/4 in' } })
  return produce({ ...batch, cards: [card] }, draft => change(draft.cards[0]!))
}
const view = (batch: Batch) => viewOf(prepare(batch).cards[0]!, batch)

describe('a bought envelope', () => {
  it('is lined and has a strip on its flap: pieces of their own, clear of the gum, with their step', () => {
    const batch = evening((card) => {
      addForEnvelope(card, 'liner', A6, 'inch', MARK)
      addForEnvelope(card, 'flap strip', A6, 'inch', MARK)
    })
    expect(batchProblems(batch)).toEqual([])
    const [card] = batch.cards
    const sizes = (['liner', 'flap strip'] as const).map(kind => forEnvelope(card!, kind)!)
      .map(({ width, height }) => [lengthFrom(width), lengthFrom(height)])
    // The flap is two fifths of the height: 4 3/4 and 1.9 in less a quarter, down to a sixteenth.
    expect(sizes).toEqual([[inches(6.25), inches(6.375)], [inches(6.25), inches(1)]])
    const { pieces, construction } = prepare(batch).cards[0]!
    expect(pieces.filter(({ key }) => key.startsWith('free--')).map(({ name, kind, quantity }) =>
      [name, kind, quantity])).toEqual([['Envelope liner', 'insert', 5], ['Flap strip', 'plate', 5]])
    const steps = construction!.steps.map(({ text }) => text)
    expect(steps.filter(text => /envelope/.test(text))).toEqual([
      expect.stringMatching(/^Envelope liner: slide it into the envelope/),
      expect.stringMatching(/^Flap strip: across the flap of the envelope/),
    ])
    expect(view(batch).findings.filter(({ problem }) => /is too (wide|high)/.test(problem))).toEqual([])
  })

  it('takes no liner that is larger: the figure that fits is offered', () => {
    const batch = evening((card) => {
      addForEnvelope(card, 'liner', A6, 'inch', MARK)
      forEnvelope(card, 'liner')!.width = '6 3/8 in'
    })
    const [found] = view(batch).findings.filter(({ parameter }) => parameter === 'free/liner/width')
    expect([found!.problem, found!.fix?.value]).toEqual([
      'is too wide for “A6 envelope”: 6 1/4 in at most.', inches(6.25),
    ])
  })

  it('is stamped by whoever prepares the class, and takes minutes', () => {
    const stamps = (batch: Batch) => tasksOf(prepare(batch)).filter(({ name }) => name === 'Stamp')
    const stamped = evening(card => stampEnvelope(card, true))
    expect(stamps(stamped)).toMatchObject([{ what: '5 × Envelope (Plain folded card)', times: 5 }])
    const not = produce(stamped, draft => stampEnvelope(draft.cards[0]!, false))
    expect([isEnvelopeStamped(stamped.cards[0]!), not.cards[0]!.parts, stamps(not)]).toEqual([true, [], []])
  })
})
