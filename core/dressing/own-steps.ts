import type { CardEntry, StepEntry } from '../document'
import type { Construction } from '../folds'
import { freeKey } from '../document'
import { START, roomOf } from '../making'
import type { Needing } from '../making'
import { LAST, ownStep } from './parts'

/* Steps that are told in the maker's words or stand elsewhere, and steps of their own. */

/** Later than all others, where nothing says what they come after. */
const AT_THE_END = LAST * 4

/** The key of a step of the maker's own. */
export const ownStepKey = (key: string): string => `own--${key}`

/**
 * Tells and places the steps of a card as its maker wants them, and adds their own. Changes the card that it is given.
 * What speaks of a step that the card does not have is kept, and said.
 */
export function addOwnSteps(card: Construction, entries: StepEntry[]): void {
  entries.forEach(({ key, step: of, after, words, seconds }, index) => {
    const place = after === '' ? {} : { after }
    if (of === '') {
      const step = ownStep(ownStepKey(key), AT_THE_END + index)
      card.steps.push({ ...step, text: words, said: words, own: { seconds }, ...place })
      return
    }
    const at = card.steps.findIndex(one => one.key === of)
    const step = card.steps[at]
    if (step) card.steps[at] = { ...step, ...place, ...(words !== '' && { said: words }) }
    else if (words !== '') {
      card.findings.push({
        severity: 'warn', subject: `Step “${words}”`, parameter: `steps/${key}`,
        problem: 'stands for a step that the card does not have any more. Your words are kept; take them out or write '
          + 'them into another step.',
      })
    }
  })
}

const newStep = (key: string): StepEntry => ({ key, step: '', after: '', words: '', seconds: 0 })

/** What a maker has said of a step, or nothing. */
export const entryOf = ({ steps }: Pick<CardEntry, 'steps'>, key: string): StepEntry | undefined =>
  steps.find(({ key: own, step }) => (step === '' ? ownStepKey(own) : step) === key)

/** Tells or places a step otherwise; where nothing is left of that, its entry goes. Changes the card. */
export function setStep(
  card: Pick<CardEntry, 'steps'>, key: string, change: Partial<Pick<StepEntry, 'after' | 'words' | 'seconds'>>,
): void {
  const before = entryOf(card, key)
  const next = { ...before ?? { ...newStep(freeKey('step', card.steps.map(own => own.key))), step: key }, ...change }
  const isNothing = next.step !== '' && next.after === '' && next.words === ''
  const others = card.steps.filter(one => one !== before)
  card.steps = isNothing ? others : before ? card.steps.map(one => (one === before ? next : one)) : [...others, next]
}

/** Adds a step of the maker's own behind another one, or at the beginning. Changes the card. */
export function addStep(card: Pick<CardEntry, 'steps'>, after: string, words: string): void {
  const key = freeKey('step', card.steps.map(own => own.key))
  card.steps = [...card.steps, { ...newStep(key), after, words, seconds: 60 }]
}

/** A step is told and placed as it follows by itself; one of the maker's own is gone. Changes the card. */
export function dropStep(card: Pick<CardEntry, 'steps'>, key: string): void {
  const entry = entryOf(card, key)
  const own = entry?.step === '' ? ownStepKey(entry.key) : undefined
  // What came after it comes after what it came after.
  card.steps = card.steps.filter(one => one !== entry)
    .map(one => (own !== undefined && one.after === own ? { ...one, after: entry?.after ?? '' } : one))
}

/** Behind which step one has to be put to come one place sooner or later; nothing where its needs do not allow it. */
export function neighbourFor(
  steps: readonly Needing[], key: string, by: -1 | 1,
): string | undefined {
  const at = steps.findIndex(step => step.key === key)
  const step = steps[at]
  if (!step) return undefined
  const others = steps.filter(one => one !== step)
  const place = at + by
  const { first, last } = roomOf(step, others)
  if (place < first || place > last) return undefined
  return place === 0 ? START : others[place - 1]?.key
}
