import { describe, expect, it } from 'vitest'
import type { CardEntry } from '../document'
import { bareCard } from '../document'
import { foldById } from '../folds'
import { inches } from '../lengths'
import { START } from '../making'
import { addStep, dressedCard, dropStep, entryOf, neighbourFor, newWork, setOwnPart, setStep } from '.'

const MARK = inches(1 / 16)
const fold = foldById('z-fold')!
const made = (card: CardEntry) => dressedCard(fold, card, 'inch', MARK)
const keysOf = (card: CardEntry) => made(card).steps.map(({ key }) => key)
function cardWith(change: (card: CardEntry) => void): CardEntry {
  const card = structuredClone(bareCard('lantern', 'Lantern', 'z-fold'))
  change(card)
  return card
}
const textOf = (card: CardEntry, key: string) => made(card).steps.find(step => step.key === key)?.text
const problems = (card: CardEntry) => made(card).findings.map(({ problem }) => problem)

describe('steps in the maker’s words', () => {
  const words = 'Tape the message, {message}, to panel C ({mat-c width} wide, {mat-c height} high).'
  it('have figures that follow the card', () => {
    const card = cardWith(card => setStep(card, 'put--message', { words }))
    expect(textOf(card, 'put--message'))
      .toBe('Tape the message, 3 3/4 × 5 in, to panel C (4 in wide, 5 1/4 in high).')
    const wider = { ...card, parameters: { width: '9 in' } }
    expect(textOf(wider, 'put--message')).not.toBe(textOf(card, 'put--message'))
    expect(problems(card)).toEqual(problems(bareCard('a', 'A', 'z-fold')))
  })

  it('say which figure is missing, and keep everything else', () => {
    const missing = 'Fold {toString} to {base} and {mat-z width} {}.'
    const card = cardWith(card => setStep(card, 'put--message', { words: missing }))
    expect(textOf(card, 'put--message')).toBe('Fold {toString} to 8 1/2 × 5 1/2 in and {mat-z width} {}.')
    expect(problems(card)).toContain('speaks of {toString}, {mat-z width} and {}, which the card does not have.')
  })

  it('are text and nothing else', () => {
    const card = cardWith(card => setStep(card, 'put--message', { words: '<b onclick="x()">Fold</b> & go $1 $&' }))
    expect(textOf(card, 'put--message')).toBe('<b onclick="x()">Fold</b> & go $1 $&')
  })

  it('are kept where their step has gone, which is said, and come back with it', () => {
    const card = cardWith(card => setStep(card, 'put--plate-mat', { words: 'Mat the plate.' }))
    const without = { ...card, parameters: { plate: false } }
    expect(keysOf(without)).not.toContain('put--plate-mat')
    expect(problems(without)).toContainEqual(expect.stringContaining('stands for a step that the card does not have'))
    expect(textOf({ ...without, parameters: {} }, 'put--plate-mat')).toBe('Mat the plate.')
  })

  it('go with what they change', () => {
    const card = cardWith((card) => {
      setStep(card, 'put--message', { words: 'Mine.' })
      setStep(card, 'put--message', { words: '' })
    })
    expect(card.steps).toEqual([])
  })
})

describe('steps of the maker’s own, and moved ones', () => {
  it('stand where they are put, and follow what they come after', () => {
    const card = cardWith((card) => {
      addStep(card, 'put--message', 'Look at it.')
      addStep(card, START, 'Wash your hands.')
      addStep(card, 'own--step', 'Look again.')
    })
    expect(keysOf(card)[0]).toBe('own--step-2')
    const from = keysOf(card).indexOf('put--message')
    expect(keysOf(card).slice(from, from + 3)).toEqual(['put--message', 'own--step', 'own--step-3'])
    dropStep(card, 'own--step')
    expect(card.steps.find(({ key }) => key === 'step-3')?.after).toBe('put--message')
    expect(keysOf(card)[keysOf(card).indexOf('put--message') + 1]).toBe('own--step-3')
  })

  it('stay, and say so, where what they came after has gone', () => {
    const card = cardWith(card => addStep(card, 'put--plate-mat', 'Look at it.'))
    const without = { ...card, parameters: { plate: false } }
    expect(keysOf(without).at(-1)).toBe('own--step')
    expect(problems(without)).toContainEqual(expect.stringContaining('came after a step that the card does not have'))
  })

  it('move one place as far as their needs allow', () => {
    const card = cardWith(card => setOwnPart(card, 'message', { works: [newWork('work-1')] }))
    const work = 'parts--message--works--work-1'
    expect(keysOf(card)[0]).toBe(work)
    expect(neighbourFor(made(card).steps, work, -1)).toBeUndefined()
    for (let presses = 0; presses < 9; presses++) {
      const after = neighbourFor(made(card).steps, work, 1)
      if (after !== undefined) setStep(card, work, { after })
    }
    // The message is stamped before it is put on, and no later.
    expect(keysOf(card)[keysOf(card).indexOf(work) + 1]).toBe('put--message')
    expect(neighbourFor(made(card).steps, work, 1)).toBeUndefined()
    expect(entryOf(card, work)).toMatchObject({ step: work, words: '' })
    for (let presses = 0; presses < 9; presses++) {
      const after = neighbourFor(made(card).steps, work, -1)
      if (after !== undefined) setStep(card, work, { after })
    }
    expect(keysOf(card)[0]).toBe(work)
    dropStep(card, work)
    expect(card.steps).toEqual([])
  })
})
