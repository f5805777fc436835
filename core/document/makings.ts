/** What is done to a piece before it is put on, in the order in which it is done. */
export const MAKING = {
  'stamped': { name: 'stamped', step: 'stamp it' },
  'coloured': { name: 'coloured', step: 'colour it' },
  'die cut': { name: 'cut with a die', step: 'cut it with its die' },
  'cut out': { name: 'cut out along its print', step: 'cut it out along the picture of its print' },
} as const satisfies Record<string, Words>

interface Words {
  /** As a form says it. */
  name: string
  /** As its step says it. */
  step: string
}

export type Making = keyof typeof MAKING
export const MAKINGS = Object.keys(MAKING) as Making[]
