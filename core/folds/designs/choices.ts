import type { WindowShape } from '../model/card'

/** Choices that several designs offer in the same words. */
export const WINDOWS = [
  { value: 'circle', label: 'Round' },
  { value: 'rectangle', label: 'Square' },
] as const

export const shapeOf = (window: string): WindowShape => (window === 'circle' ? 'circle' : 'rectangle')
