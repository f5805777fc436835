/** Is told whatever is found for a class, by the key of its problem. */
export type Note = (kind: 'plans' | 'together' | 'sharing', key: string, answer: unknown) => void
