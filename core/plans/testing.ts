import { newClass, newCutting } from '../document'
import type { Batch, CuttingEntry, PaperEntry } from '../document'
import load from 'highs'
import { paperedCard } from '../batch/testing'
import { solverOf } from '../cutting'
import { foldById } from '../folds'

export const solve = solverOf(await load())
export const empty = (...papers: PaperEntry[]): Batch => ({
  ...newClass({ title: 'Test', date: '2030-01-01', units: 'inch', seats: 8, spares: 1 }),
  papers,
})

export function withCard(fold: string, papers: PaperEntry[], parameters: Record<string, string | boolean> = {}): Batch {
  const batch = empty(...papers)
  return { ...batch, cards: [paperedCard(foldById(fold)!, batch, { parameters })] }
}

export const own = (changes: Partial<CuttingEntry>): CuttingEntry[] => [{ ...newCutting('kelp'), ...changes }]
