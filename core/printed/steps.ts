import type { Step } from '../folds'
import type { PrintBlock } from './model'
import { typesetText } from './typeset'

/** The steps of a card, each with its warning. */
export const stepList = (steps: Step[]): PrintBlock => ({
  kind: 'list',
  mark: 'number',
  items: steps.map(({ text, warning }) => typesetText(warning ? `${text} ${warning}` : text)),
})
