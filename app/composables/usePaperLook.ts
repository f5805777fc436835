import type { PaperEntry } from '../../core/batch'

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
