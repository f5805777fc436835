/** `1 sheet`, `2 sheets`. */
export const count = (number: number, word: string): string => `${number} ${word}${number === 1 ? '' : 's'}`
