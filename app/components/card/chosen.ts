/** What is chosen in a drawing of a card: a part, or some of its faces. */
export interface Chosen {
  part: string
  /** Keys of the panels; without them the whole part is meant. */
  panels?: string[]
}

export const isChosen = (chosen: Chosen | undefined, part: string, panel?: string): boolean =>
  chosen?.part === part && (panel === undefined || !chosen.panels || chosen.panels.includes(panel))
