/** The four sides of a face as its measures name them: as it is drawn, with what lies on it towards the reader. */
export type OwnSide = 'left' | 'right' | 'top' | 'bottom'
/** The same as whoever holds the card calls them. */
export type HeldSide = 'left' | 'right' | 'head' | 'foot'
export type SideWords = Record<OwnSide, HeldSide>

/**
 * Of a face that hangs as it is drawn, and of what has no place on the card: it lies open in front of one who makes it.
 */
export const AS_DRAWN: SideWords = { left: 'left', right: 'right', top: 'head', bottom: 'foot' }
