import { length, size } from '../model/parameters'

/** What cards that go round others, and plain ones, share. */
export const STYLE = { skill: 'first card', stands: false, group: 'around' } as const
export const BORDER = length('Border', '1/8 in', '3 mm', {
  zero: true, help: 'What each mat leaves visible on every side',
})
export const WIDTH = size('Finished width', '4 1/4 in', '105 mm')
export const HEIGHT = size('Finished height', '5 1/2 in', '148 mm')
/** A flap that is folded over and stays so. */
export const shut = () => 180
