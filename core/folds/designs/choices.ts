import type { WindowShape } from '../model/card'
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

export const WINDOWS = [
  { value: 'circle', label: 'Round' },
  { value: 'rectangle', label: 'Square' },
] as const

export const shapeOf = (window: string): WindowShape => (window === 'circle' ? 'circle' : 'rectangle')
