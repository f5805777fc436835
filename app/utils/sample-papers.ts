import type { Part } from '../../core/folds'
import type { PaperLook } from './paper-look'

/** Papers that the catalogue shows its folds in; they are nobody's and on no shelf. */
export const SAMPLE_PAPERS: readonly PaperLook[] = [
  { key: 'sample-base', colour: '#3f6b57', motif: 'plain' },
  { key: 'sample-insert', colour: '#c3c9c8', motif: 'plain' },
  { key: 'sample-message', colour: '#f6f2e7', motif: 'plain' },
  { key: 'sample-figure', colour: '#d99a4e', motif: 'plain' },
  { key: 'sample-shoal', colour: '#7f9aa6', motif: 'shoal' },
  { key: 'sample-ripples', colour: '#8fb3ad', motif: 'ripples' },
]
const PLAIN = {
  base: 'base',
  insert: 'insert',
  plate: 'insert',
  underlay: 'message',
  message: 'message',
  hidden: 'base',
  figure: 'figure',
} as const
const PRINTS = ['sample-shoal', 'sample-ripples']

/** A sample paper for each part: prints by turns for what is decorated, so that neighbours differ. */
export function sampleLook(parts: readonly Part[]): Record<string, string> {
  const mats = parts.filter(({ kind }) => kind === 'mat')
  return Object.fromEntries(parts.map((part) => {
    const { key, kind } = part
    if (kind === 'mat') return [key, PRINTS[mats.indexOf(part) % PRINTS.length] ?? '']
    return [key, `sample-${PLAIN[kind]}`]
  }))
}
