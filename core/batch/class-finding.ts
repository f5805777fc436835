import type { Finding } from '../folds'

/** A finding with what it is about: a card, or the cutting of a paper. */
export type ClassFinding = Finding & ({ card: string, title: string } | { paper: string, title: string })
