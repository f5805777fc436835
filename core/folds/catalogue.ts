import { crossingFlaps } from './designs/crossing-flaps'
import { zFold } from './designs/z-fold'
import type { Fold } from './model/fold'

/** Every fold Wakaru knows, by number in the catalogue. */
export const FOLDS: readonly Fold[] = [zFold, crossingFlaps]

export const foldById = (id: string): Fold | undefined => FOLDS.find(fold => fold.id === id)
