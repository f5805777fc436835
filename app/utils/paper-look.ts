import { backOf } from '../../core/document'
import type { PaperEntry } from '../../core/document'

/** What a paper looks like, on its other side too where that is known. */
export type PaperLook = Pick<PaperEntry, 'key' | 'colour' | 'motif'> & Partial<Pick<PaperEntry, 'scale' | 'back'>>

/** Every side of some papers that looks like nothing else. */
export const sidesToDraw = (papers: readonly PaperLook[]): PaperLook[] => papers.flatMap(paper =>
  (paper.back?.differs ? [paper, { ...paper.back, key: backOf(paper.key), back: undefined }] : [paper]))

/** How large a pattern is drawn. */
export const SCALES_DRAWN: Record<PaperEntry['scale'], number> = { small: 0.6, middle: 1, large: 1.7 }

/** Reference to a paper's pattern for SVG fills; `turned` lays its print on its side. */
export const paperFill = (key: string | undefined, turned = false): string =>
  key ? `url(#paper-${key}${turned ? '-turned' : ''})` : 'none'

const channel = (colour: string, at: number) => {
  const value = Number.parseInt(colour.slice(at, at + 2), 16) / 255
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
}

/** Whether drawing on a paper needs a dark line (relative luminance as WCAG has it). */
export const isPale = ({ colour }: Pick<PaperEntry, 'colour'>): boolean =>
  0.2126 * channel(colour, 1) + 0.7152 * channel(colour, 3) + 0.0722 * channel(colour, 5) > 0.3

// Each motif is one tile of 24 units, drawn with lines only; its top is up.
export const MOTIF_PATHS: Record<PaperEntry['motif'], string> = {
  plain: '',
  shoal: 'M3 7q5-5 10 0q-5 5-10 0M13 7l3-2v4zM14 19q4-4 8 0q-4 4-8 0M22 19l2-1.5v3z',
  lanterns: 'M12 2v3M9 5h6l2 4v6l-2 4H9l-2-4V9zM9 9v6M15 9v6',
  ripples: 'M0 6q6-5 12 0t12 0M0 14q6-5 12 0t12 0M0 22q6-5 12 0t12 0',
  ropes: 'M0 24L24 0M-6 18L18-6M6 30L30 6M4 12q4-1 4 4M16 0q4-1 4 4M16 24q4-1 4 4',
  dots: 'M6 6h.01M18 18h.01',
}

/** Side of a tile. */
export const MOTIF_TILE = 24
/** How the lines of a motif are drawn on a paper. */
export const motifLines = (paper: Pick<PaperEntry, 'colour' | 'motif'>) => ({
  colour: isPale(paper) ? '#000' : '#fff',
  opacity: 0.28,
  width: paper.motif === 'dots' ? 5 : 1.4,
})
