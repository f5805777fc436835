import type { PrintTop } from '../../paper'

/** Choices that several designs offer in the same words. */
export const LAYERS = [
  { value: 'one', label: 'One layer' },
  { value: 'two', label: 'Two layers' },
] as const

export const DECORATION = [
  { value: 'upright', label: 'Upright' },
  { value: 'sideways', label: 'Sideways' },
] as const

/** Sideways decoration lays the top of every print along the left edge of the construction. */
export const printTopFor = (decoration: string): PrintTop => (decoration === 'sideways' ? 'left' : 'top')
