import { backOf } from '../../core/document'
import type { PaperEntry } from '../../core/document'
import { backName } from '../../core/paper'

/** The papers that pieces may be cut from, each with its other side beside it where that looks otherwise; no pads. */
export const withSides = (papers: readonly PaperEntry[]): PaperEntry[] => papers.flatMap((paper) => {
  if (paper.kind === 'pad') return []
  const { differs, name: _, ...look } = paper.back
  return differs ? [paper, { ...paper, ...look, key: backOf(paper.key), name: backName(paper) }] : [paper]
})
